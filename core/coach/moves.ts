import {
  isMethodId,
  isTrickId,
  METHOD_ROWS,
  TRICK_ROWS,
  type Method,
  type MethodMoves,
  type Trick,
} from '../bleed/methods'
import { WORK_MOVES, type Work } from './works'

/** All that is coached: a method, a trick, or work that belongs to it. */
export type Coached = Method | Trick | Work
export const isMethod = (name: Coached): name is Method => isMethodId(name)
export const isTrick = (name: Coached): name is Trick => isTrickId(name)
/** What is called of it, in which order. */
export const movesOf = (name: Coached): MethodMoves =>
  isMethod(name)
    ? METHOD_ROWS[name].calls.moves
    : isTrick(name)
      ? TRICK_ROWS[name].calls.moves
      : WORK_MOVES[name]

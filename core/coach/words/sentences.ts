import {
  METHOD_ROWS,
  METHODS,
  TRICK_ROWS,
  TRICKS,
  type Method,
  type Sentences,
  type Trick,
} from '../../bleed/methods'
import type { Coached } from '../moves'
import { OF_WORKS } from './works'

export type { Row, Sentences } from '../../bleed/methods'

/**
 * Every call of every method, in the order of its moves, each with its own sentences: no sentence is shared by methods in which the pedal
 * stands otherwise (words.test.ts holds this; docs/coach-calls.md is printed from it).
 */
export const SENTENCES: Record<Coached, Sentences> = {
  ...(Object.fromEntries([
    ...METHODS.map((id) => [id, METHOD_ROWS[id].calls.sentences]),
    ...TRICKS.map((id) => [id, TRICK_ROWS[id].calls.sentences]),
  ]) as Record<Method | Trick, Sentences>),
  ...OF_WORKS,
}

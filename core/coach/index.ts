/** The coach: calls a bleed move by move, counts cycles and fluid, and knows when to hold a call back. No clock of its own. */
export {
  callNow,
  reservoirOf,
  startCoach,
  touched,
  waysOn,
  type CoachPlan,
  type CoachState,
  type Effect,
  type Part,
  type Touch,
} from './coach'
export {
  METHOD_MOVES,
  movesOf,
  TRICK_MOVES,
  type Call,
  type MethodMoves,
  type Move,
  type Role,
} from './moves'
export { leftIn, strokesLeft, toppedUp, type Left, type Level } from './reservoir'

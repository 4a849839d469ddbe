/** The coach: calls a bleed move by move, counts cycles and fluid, and knows when to hold a call back. No clock of its own. */
export {
  isMethod,
  isTrick,
  METHOD_MOVES,
  movesOf,
  TRICK_MOVES,
  type Call,
  type Coached,
  type MethodMoves,
  type Move,
  type Role,
} from './moves'
export { coachPlan, partsOf, type PlanAsked } from './plan'
export { leftIn, strokesLeft, toppedUp, type Left, type Level } from './reservoir'
export {
  callNow,
  moveOf,
  nextMove,
  reservoirOf,
  startCoach,
  toTheMark,
  waysOn,
  type CoachPlan,
  type CoachState,
  type Effect,
  type LastSaid,
  type Part,
  type Touch,
  type TouchName,
} from './state'
export { touched } from './touch'
export { STAGE_OF, WORKS, type Work } from './works'

/** The coach: calls a bleed move by move, counts cycles and fluid, and knows what is open and what is down. No clock of its own. */
export { callNow, isPutRight, isStopped, moveOf, nextMove, putRight, waysOn } from './call'
export {
  cannotBe,
  canBeCalled,
  firstWay,
  refusalsOf,
  type CannotBe,
  type Here,
  type Refused,
} from './can'
export { drawsAt, drawsOfPlan, reservoirOf, toTheMark, type LeftToGo, type LeftUnit } from './fluid'
export {
  CALLS,
  THINGS,
  type Call,
  type HeldBy,
  type MethodMoves,
  type Move,
  type Role,
  type Thing,
} from '../bleed/methods'
export { isMethod, isTrick, movesOf, type Coached } from './moves'
export {
  coachPlan,
  coachPlanRun,
  partsOf,
  runOf,
  type Known,
  type PlanAsked,
  type PlannedStep,
} from './plan'
export { KEPT, leftIn, levelOfLog, toppedUp, type Left, type Level } from './reservoir'
export { onAlready, type OnAlready } from './on-already'
export { alreadyRef, startCoach } from './start'
export type {
  CoachPlace,
  CoachPlan,
  CoachState,
  Effect,
  Elsewhere,
  LastSaid,
  Part,
  Pumps,
  Touch,
  TouchName,
  Unusual,
} from './state'
export { THING_ROWS } from './things'
export { touched } from './touch'
export { shownNow, stripOf, type Shown, type ShownAsked } from './shown'
export { AT_REST, isOn, stoodBefore, type Stretch, type World } from './world'
export { STAGE_OF, WORKS, type Work } from './works'
export {
  CALL_WORDS,
  pumpWords,
  RIGHT_SENTENCES,
  standsOf,
  STOPPED_FIRST,
  THING_SENTENCES,
  USUAL_PUMPS,
  CANNOT_WORDS,
  ROLE_WORDS,
  sentenceOf,
  SENTENCES,
  SIGN_SAYS,
  STATE_WORDS,
  UNUSUAL_WORDS,
  WORK_WORDS,
  type Said,
  type SentenceAsked,
} from './words'

/** The release circuit: its parameters, its quasi-static solution and the measurements turned round. */
export { takesUpPlay } from './plant'
export * from './circuit'
export { FIELDS, fieldAt, LOAD_POINT, MOST_LINES, type Field, type FieldUnit } from './fields'
export { choiceOf, InputError, inRange, objectOf, pointerTo, readCircuit, yesOrNo } from './read'
export {
  reserveOf,
  solveCircuit,
  type CircuitSolution,
  type PressedState,
  type Stop,
  type TravelBudget,
} from './solve'
export {
  airAllowed,
  airAtEngagement,
  airAtFreeTravel,
  airAtRodStroke,
  airBehind,
  airFromEngagement,
  airFromFreeTravel,
  freeTravel,
  isImplausible,
  pumpUpGain,
  strokeVolume,
  TOUCH_FORCE,
  WANTED_RESERVE,
  type AirOptions,
  type Implausible,
  type TrappedAir,
} from './air'
export { PROOF_STAGES, type ProofStage } from './proof-stages'
export { sink, SINK_BOUNDS, type ReservoirHold, type Sink } from './sink'
export {
  judgePushBack,
  isRodInDoubt,
  judgeRodStroke,
  STROKE_TOLERANCE,
  pushrodTurns,
  rodState,
  type PushBack,
  type RodState,
  type RodStrokeJudgement,
  type StrokeLoss,
} from './rod'
export { TERMS, type Term, type TermInput } from './terms'
export {
  clampAt,
  peakForce,
  peakOnTheWayDown,
  pressCurve,
  type ClampState,
  type CurvePoint,
  type Jump,
  type PressCurve,
} from './curve'
export { eventsOf, tellEvent, type PedalEvent } from './events'
export {
  afterWear,
  FINGER_RATIO,
  mostRoom,
  playAtRest,
  wearLimit,
  wearOutlook,
  type Wear,
  type WearOptions,
  type WearOutlook,
} from './wear'
export {
  measuredUncertainty,
  MEASURING_ERROR,
  NINETY,
  propagate,
  shiftExpansion,
  shiftField,
  shiftLoad,
  uncertainField,
  type MeasuringErrors,
  type Uncertain,
} from './uncertain'
export { LINE_KINDS, lineOfKind, type LineKind } from './line-kinds'
export { perturber } from './perturb'
export { WORKSHOP_BORES } from './bores'
export { changedAtPath, numberAtPath } from './path'
export { slaveStrokes, type SlavePoint, type SlaveStrokes } from './slave-strokes'

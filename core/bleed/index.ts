/** Bleeding: how air moves through the circuit, which method reaches it, and how many strokes it takes. */
export { answerBleed, carryOf, whereIs, type BleedAnswer, type Carry, type Where } from './answer'
export {
  USUAL_CONCENTRIC,
  USUAL_MASTER,
  USUAL_SLAVE,
  usualAsked,
  type BleedAsked,
  type BleedMaster,
  type BleedPath,
  type BleedSlave,
  type BleedStart,
} from './asked'
export { BLEED_CONSTANTS, usualConstants, type BleedConstant, type Constants } from './constants'
export {
  BLEED_RUNS,
  cycleOf,
  METHOD_ROWS,
  METHODS,
  needsOf,
  runOfEntry,
  RUNS,
  TRICK_ROWS,
  TRICKS,
  type BleedRun,
  type MethodRow,
  type TrickRow,
} from './methods'
export { Bleed, bleedRun, type BleedCycleTold } from './run'
export { readBleed } from './read'
export { drawnConstants, type Learned } from './draw-constants'
export { DRAWS, drawsRun, type Draws, type DrawsAsked, type DrawStep, type StepDraws } from './draws'
export { OPENINGS, PUMP_CHOICES, pumpsRun, type PumpsTried } from './pumps'
export { drewBy, mostDrawn, TABLE_STEPS, widest, type DrawTable } from './drew'
export { bleedAdvice, WHEN_IT_STOPS, type BleedAdvice, type BleedSoFar } from './advice'
export { fillingOf, type Filling } from './filling'
export {
  countOutcomes,
  learnRun,
  outcomeOf,
  routingOf,
  type BleedOutcome,
  type OutcomeCount,
} from './outcomes'
export { laidOut, type LaidCircuit } from './laid'
export { ruledOut, SEQUENCES, type RuledOut } from './sequences'
export {
  rankRun,
  restsOn,
  tryOut,
  type Outcome,
  type RankAsked,
  type RankedEntry,
  type Target,
} from './rank'
export { filmRun, type Film, type FilmCells, type Frame, type Picture } from './film'
export {
  BLEED_CHANGES,
  changed,
  changesRun,
  whatChanges,
  type BleedChange,
  type Changed,
} from './changes'
export { Following, followRun, gradeOf, type FollowAnswer, type Now } from './follow'
export {
  cycleFollowed,
  firstMethod,
  loggedSteps,
  trickFollowed,
  type AirBy,
  type Followed,
} from './logged'
export { airByOf, answerRank, placesInMm3, restsOnOf, runsOf, type RankAnswer } from './answer-rank'
export {
  adviceOfJob,
  bleedCircuit,
  bleedOfJob,
  rankAskedOf,
  USUAL_SETUP,
  type BleedCircuit,
  type BleedOfJob,
} from './of-job'
export { startFromTravel, startOfAir, targetOf } from './asked-rank'
export {
  carryWords,
  entryWords,
  ruledOutWords,
  screwWords,
  sequenceWords,
  targetWords,
} from './rank-words'

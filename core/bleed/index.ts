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
export { BLEED_RUNS, type BleedRun } from './methods'
export { Bleed, bleedRun, type BleedCycleTold } from './run'
export { readBleed } from './read'
export { drawnConstants } from './draw-constants'
export { laidOut, type LaidCircuit } from './laid'
export { KIT, MEANS, meansOf, ruledOut, SEQUENCES, type KitItem, type RuledOut } from './means'
export {
  rankRun,
  restsOn,
  tryOut,
  type Outcome,
  type RankAsked,
  type RankedEntry,
  type Target,
} from './rank'
export { BLEED_CHANGES, changed, whatChanges, type BleedChange, type Changed } from './changes'
export { Following, gradeOf, type Followed, type Now } from './follow'

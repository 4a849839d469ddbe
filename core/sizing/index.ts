/** Cylinders, lines and pedal ratio for a clutch: every combination solved, bedded and new, with and without air. */
export {
  boresBeside,
  limitsOf,
  MOST_CHOICES,
  sizingAsked,
  startCandidates,
  type Candidates,
  type SizingAsked,
} from './asked'
export { answerSize } from './read'
export {
  choicesOf,
  presentChoice,
  sizeOne,
  sizeRun,
  SIZING_ADVICE,
  SIZING_LIMITS,
  withFront,
  withParts,
  type MasterCandidate,
  type Sized,
  type SizingAdvice,
  type SizingChoice,
  type SizingLimits,
  type SizingOption,
  type SlaveCandidate,
} from './size'
export { HURRIED_FOOT, LEG_TAKES, paceOf, type Pace, type PaceOptions } from './pace'
export { BEDDING_KM, tradeWords } from './trade'
export { planOf } from './plan'

/** Cylinders, lines and pedal ratio for a clutch: every combination solved, bedded and new, with and without air. */
export { answerSize } from './read'
export {
  choicesOf,
  presentChoice,
  sizeAll,
  sizeOne,
  SIZING_ADVICE,
  SIZING_LIMITS,
  withFront,
  withParts,
  type MasterCandidate,
  type SizingAdvice,
  type SizingChoice,
  type SizingLimits,
  type SizingOption,
  type SlaveCandidate,
} from './size'

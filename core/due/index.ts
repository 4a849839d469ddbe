/** What a vehicle is owed and when, and which job came back. */
export {
  dueOf,
  fluidChanged,
  monthsAfter,
  ownPutOff,
  USUAL_MONTHS,
  type DueItem,
  type FluidDue,
} from './due'
export { dueWords } from './words'
export { fluidNow, monthsBetween } from './fluid-now'
export { cameBack, COMEBACK_DAYS, type JobBefore } from './came-back'
export { isReached, type DeferredDue, type Watched } from './watch'
export { fromBefore, type OwedBy } from './from-before'

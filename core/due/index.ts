/** What a vehicle is owed and when, and which job came back. */
export { dueOf, fluidChanged, monthsAfter, USUAL_MONTHS, type DueItem, type FluidDue } from './due'
export { dueWords } from './words'
export { fluidNow } from './fluid-now'
export { cameBack, COMEBACK_DAYS, type JobBefore } from './came-back'

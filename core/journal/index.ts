/** Entries of a job or a vehicle, what of them stands, and the fold that turns them into the present state. */
export * from '../entries'
export * from './entry'
export { filesOf } from './files'
export { latestReading } from './latest'
export { upcast } from './upcast'
export { NEWER, tell, understood } from './understood'
export { relevantOf, relevantOnwards } from './relevant'
export { timeline, type Standing, type Timeline } from './effective'
export {
  calibrationFrom,
  fluidFrom,
  fold,
  foldSlice,
  goodFigures,
  installationFrom,
  ofSlice,
  stateOf,
  type JobState,
} from './fold'
export { boreFound, conditionsOf, evidenceOf, type Looking } from './evidence'
export { lastStatement } from './statements'
export { completions } from './completions'

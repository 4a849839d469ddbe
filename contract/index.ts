/** What crosses a boundary: one schema each, its type derived from it or held equal to the core's. */
export * from './bodies'
export { JOB_FILTERS, type JobFilter } from './filters'
export * from './files'
export * from './orders'
export * from './parts'
export * from './people'
export * from './plans'
export * from './search'
export * from './shop-file'
export { checkEntry } from './check-entry'
export { checkInstallationFile } from './check-installation'
export type { CoachAsk, CoachTold, Seat } from './coach'
export { CueSchema, isCoachCue, type CoachCue, type Cue } from './cue'
export { entrySchemaOf, NewEntrySchema } from './entry'
export {
  CircuitSchema,
  FIRST_INSTALLATION_FILE,
  INSTALLATION_FILE,
  InstallationFileSchema,
  InstallationSchema,
  publishedInstallationSchema,
  type InstallationFile,
} from './installation'
export { brokenTexts } from './text'
export { fieldProblems, type FieldProblem, type Problem } from './problem'

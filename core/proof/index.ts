/** Acceptance: what the readings before and after mean, and the verdict that they add up to. */
export { proofChecks, readingsAsked, readingsOwed, touchedBy, type ProofLook } from './asked'
export { workOn } from './of-job'
export { MUST_BE_GONE, type SortOfFault } from './must-be-gone'
export {
  blockingStops,
  isProven,
  judge,
  looseCauses,
  openStops,
  sameVerdict,
  verdictOf,
  type OpenStop,
  type Proof,
} from './judge'
export { CLOSING_WORDS, closingOwes } from './closing'
export { chooseOwed, type ChooseOwed } from './choose-owed'
export { expectedReading, type Expected } from './expected'
export { meaning } from './meaning'
export { nextStep, type NextStep } from './next-step'
export { phaseFigures, plannedFigures, type PhaseFigures } from './phase'
export { reasonWords } from './reason-words'
export {
  diagnosisAsked,
  evidenceLeft,
  type DiagnosisSet,
  type KnownOfVehicle,
} from './diagnosis-of-job'
export {
  inOrderOf,
  packagesDecided,
  planAsked,
  planRun,
  stoppedBy,
  type PlanMade,
  type PlanOfJob,
} from './plan-of-job'
export { barredBy, questionOf } from './question'
export { accept, type ProofCase, type RuleReason } from './accept'
export { answerProve } from './answer-prove'
export { rechecksAfter, type Recheck } from './rechecks'
export { LIMIT_ROWS, LIMITS, PROOF_CHECKS, PROOF_READINGS, RULE_OF } from './rules'
export { jobPlan, packagesFor, type ShopPlans } from './job-plan'
export { heldNow, leftOver, type Left } from './on-vehicle'
export { isRecorded, RECALLED_AS, recalled, RECORD_WORDS } from './recalled'
export { needsAhead, repairsAhead } from './work-ahead'

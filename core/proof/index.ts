/** Acceptance: what the readings before and after mean, and the verdict that they add up to. */
export { judge, openStops, proofChecks, readingsOwed, sameVerdict, type Proof } from './judge'
export { meaning } from './meaning'
export { phaseFigures, plannedFigures, type PhaseFigures } from './phase'
export { LIMITS, PROOF_CHECKS, PROOF_READINGS } from './rules'

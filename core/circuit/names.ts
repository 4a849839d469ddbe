/** Stages of the proof in stages. */
export { PROOF_STAGES } from './proof-stages'

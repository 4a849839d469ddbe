export const PROOF_STAGES = ['master', 'masterAndLine', 'whole'] as const
/** How much of the circuit is in a stage of the staged proof; the rest is plugged off. */
export type ProofStage = (typeof PROOF_STAGES)[number]

import type { Evidence, GoodFigures, Policy, Priors, Question, ShopCosts } from '../diagnosis'
import type { Installation } from '../installation'
import { evidenceOf, type JobState } from '../journal'
import type { OpenStop } from './judge'
import { questionOf } from './question'

/** A vehicle as its diagnosis knows it: what takes longest to make ready, and stays the same from look to look. */
export interface KnownOfVehicle {
  installation: Installation
  priors: Priors
  good: GoodFigures
}

/** What a diagnosis is asked beside the evidence. */
export interface DiagnosisSet {
  stops: readonly OpenStop[]
  /** What the shop charges and prefers; the usual where it has not said. */
  settings: (ShopCosts & { school: Policy }) | null
  /** Money of this job's own parts. */
  prices: Partial<ShopCosts> | null
  /** What is being chosen, where it is not the shop's way. */
  school: Policy | null
}

/** What a job's diagnosis is asked of one body of evidence. */
export function diagnosisAsked(evidence: Evidence, state: JobState, set: DiagnosisSet): Question {
  const usual = questionOf(evidence, state, set.stops, set.settings)
  return {
    ...usual,
    costs: { ...usual.costs, ...set.prices },
    school: set.school ?? usual.school,
  }
}

/** What is left after the work, once something that was felt is less or the same; else nothing. */
export function evidenceLeft(state: JobState): Evidence | null {
  const after = evidenceOf(state, 'after')
  const isLeft = after.complaints.length > 0 || Object.values(after.findings).includes('present')
  return isLeft ? after : null
}

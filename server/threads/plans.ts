import type { Job, Vehicle } from '../../contract'
import { InputError } from '../../core/circuit'
import type { Installation } from '../../core/installation'
import { fold, type Entry } from '../../core/journal'
import { readPackage, type Package } from '../../core/plan'
import { jobPlan, type ShopPlans } from '../../core/proof'
import type { PlannedJob } from '../printing/plan-sheet'
import { Refusal } from '../services/refusal'

/** Draws behind the range of time on paper. */
const DRAWS = 5000

/** A job with a plan chosen, and what the shop adds to it. */
export interface PlanQuestion {
  job: Job
  vehicle: Vehicle
  entries: readonly Entry[]
  installation: Installation
  shop: ShopPlans
}

/** @throws Refusal 409 where no plan can be made */
export function plannedJob({ job, vehicle, entries, installation, shop }: PlanQuestion): PlannedJob {
  const state = fold(entries)
  try {
    const plan = jobPlan(state, state.workPlan!.payload, installation, shop, DRAWS)
    return { job, vehicle, state, installation, plan }
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    throw new Refusal('no-plan', `There is no plan: ${error.message}`)
  }
}

/**
 * What a schema cannot say of a package: that its steps have an order which keeps every rule.
 * @throws Refusal 422 with the path of what is wrong
 */
export function checkedPackage(value: unknown): Package {
  try {
    return readPackage(value)
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    const { path, message } = error
    throw new Refusal('invalid', `Refused: ${path || 'the whole'} ${message}`, [{ path, message }])
  }
}

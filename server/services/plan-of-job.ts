import { InputError } from '../../core/circuit'
import type { Installation } from '../../core/installation'
import { fold, installationFrom, type JobState } from '../../core/journal'
import type { PlanAnswer } from '../../core/plan'
import { jobPlan } from '../../core/proof'
import type { Job, Vehicle } from '../../contract'
import type { Database } from '../database/database'
import { readJob } from './jobs'
import { listPackages } from './packages'
import { Refusal } from './refusal'
import { stepTimes } from './step-times'
import { readVehicle } from './vehicles'

/** Draws behind the range of time on paper. */
const DRAWS = 5000

export interface PlannedJob {
  job: Job
  vehicle: Vehicle
  state: JobState
  installation: Installation
  plan: PlanAnswer
}

/** The plan of a job as it stands on the server. @throws Refusal 409 where none was chosen, or none can be made */
export async function plannedJob(database: Database, id: string): Promise<PlannedJob> {
  const { subject: job, entries } = await readJob(database, id, 'state')
  const { subject: vehicle, entries: ofVehicle } = await readVehicle(database, job.vehicleId, 'state')
  const state = fold(entries)
  const installation = installationFrom(entries, installationFrom(ofVehicle))
  if (!state.workPlan || !installation)
    throw new Refusal(409, 'no-plan', 'No plan was made for this job yet: choose packages under Fit.')
  const [packages, times] = await Promise.all([listPackages(database), stepTimes(database)])
  try {
    const shop = { packages, times, now: new Date().toISOString() }
    const plan = jobPlan(state, state.workPlan.payload, installation, shop, DRAWS)
    return { job, vehicle, state, installation, plan }
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    throw new Refusal(409, 'no-plan', `There is no plan: ${error.message}`)
  }
}

import { fold, installationFrom } from '../../../core/journal'
import type { Database } from '../../database/database'
import type { PlanQuestion } from '../../threads/plans'
import { readJob } from '../lists/jobs'
import { listPackages } from '../shop/packages'
import { Refusal } from '../refusal'
import { stepTimes } from '../shop/step-times'
import { readVehicle } from '../lists/vehicles'

/** What the plan of a job as it stands on the server is made from. @throws Refusal 409 where none was chosen */
export async function planAsked(database: Database, id: string): Promise<PlanQuestion> {
  const { subject: job, entries } = await readJob(database, id, 'state')
  const { subject: vehicle, entries: ofVehicle } = await readVehicle(database, job.vehicleId, 'state')
  const installation = installationFrom(entries, installationFrom(ofVehicle))
  if (!fold(entries).workPlan || !installation)
    throw new Refusal('no-plan', 'No plan was made for this job yet: choose packages under Fit.')
  const [packages, times] = await Promise.all([listPackages(database), stepTimes(database)])
  const shop = { packages, times, now: new Date().toISOString() }
  return { job, vehicle, entries, installation, shop }
}

import type { PaperKind } from '../../../core/papers'
import type { UnitSystem } from '../../../core/quantity'
import type { Database } from '../../database/database'
import type { PaperAsked } from '../../printing/paper'
import { readJob } from '../lists/jobs'
import { namesOfPeople } from '../shop/people'
import { readVehicle } from '../lists/vehicles'

/** What a job's paper is worked out from. */
export async function paperAsked(
  database: Database,
  id: string,
  kind: PaperKind,
  units: UnitSystem,
  now: Date,
): Promise<PaperAsked> {
  const { subject: job, entries } = await readJob(database, id, 'state')
  const { subject: vehicle, entries: ofVehicle } = await readVehicle(database, job.vehicleId, 'state')
  return { kind, units, now, job, vehicle, entries, ofVehicle, names: await namesOfPeople(database) }
}

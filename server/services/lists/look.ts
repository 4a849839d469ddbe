import type { JobLook } from '../../../contract'
import { calibrationFrom, goodFigures, installationFrom } from '../../../core/journal'
import type { Database } from '../../database/database'
import { onCommitted } from '../../live/news'
import { ask } from '../../threads/pool'
import { readJob } from './jobs'
import { Refusal } from '../refusal'
import { readShop } from '../shop/shop'
import { readVehicle } from './vehicles'

/** Answers are kept until something they hang on changes. */
const kept = new Map<string, { hangsOn: string; look: Promise<JobLook> }>()
const MOST_KEPT = 200
onCommitted((news) => news === 'restored' && kept.clear())

/** What the search on a job would do next, and what leads it; worked out beside the server's own thread. */
export async function lookAhead(database: Database, id: string): Promise<JobLook> {
  const job = await readJob(database, id, 'state')
  const vehicle = await readVehicle(database, job.subject.vehicleId)
  const { settings, record } = await readShop(database)
  const { lastSequence, model } = vehicle.subject
  const hangsOn = JSON.stringify([job.subject.lastSequence, lastSequence, settings, record])
  const known = kept.get(id)
  if (known?.hangsOn === hangsOn) return known.look

  const installation = installationFrom(job.entries, installationFrom(vehicle.entries))
  if (!installation)
    throw new Refusal(
      'no-installation',
      'This vehicle has no installation that stands',
      undefined,
      undefined,
      409,
    )
  const good = goodFigures(calibrationFrom(vehicle.entries))
  const { entries } = job
  const look = ask('look', { entries, installation, settings, record, model: model ?? '', good })
  kept.delete(id)
  kept.set(id, { hangsOn, look })
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!)
  look.catch(() => kept.delete(id))
  return look
}

import { QueryTypes } from 'sequelize'
import type { PutOffTold } from '../../../contract'
import { fold, latestReading } from '../../../core/journal'
import type { Database } from '../../database/database'
import { bearingOf } from './history'

/** Jobs of one vehicle that are gone through, the newest first. */
const MOST = 20

/** Changes of a vehicle that were put off by distance in one of its jobs, the newest first. */
export async function putOffOn(database: Database, vehicleId: string): Promise<PutOffTold[]> {
  const rows = await database.sequelize.query<{ id: string; title: string }>(
    `SELECT j.id, j.title FROM jobs j
      WHERE j.vehicleId = ? AND EXISTS (SELECT 1 FROM entries e WHERE e.jobId = j.id AND e.kind = 'circuitPlan')
      ORDER BY j.changedAt DESC LIMIT ?`,
    { replacements: [vehicleId, MOST], type: QueryTypes.SELECT },
  )
  const found: PutOffTold[] = []
  for (const { id, title } of rows) {
    const { entries } = await bearingOf(database, { type: 'job', id })
    const state = fold(entries)
    const { circuitPlan } = state
    if (circuitPlan?.payload.waitKm === undefined) continue
    found.push({
      jobId: id,
      title,
      plan: circuitPlan.payload,
      mileage: latestReading(state, 'mileage'),
      at: circuitPlan.at,
    })
  }
  return found
}

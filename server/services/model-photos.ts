import { QueryTypes } from 'sequelize'
import type { ModelPhoto } from '../../contract'
import { fold } from '../../core/journal'
import type { Database } from '../database/database'
import { bearingOf } from './history'

/** Histories that are gone through for one model, the newest first. */
const MOST = 40

/** Photographs of parts that stand in the jobs and vehicles of a model, the newest first. */
export async function photosOfModel(database: Database, model: string): Promise<ModelPhoto[]> {
  const rows = await database.sequelize.query<{
    jobId: string | null
    vehicleId: string
    vehicleName: string
  }>(
    `SELECT e.jobId, v.id AS vehicleId, v.name AS vehicleName, MAX(e.at) AS newest
       FROM entries e
       LEFT JOIN jobs j ON j.id = e.jobId
       JOIN vehicles v ON v.id = COALESCE(e.vehicleId, j.vehicleId)
      WHERE e.kind = 'photo' AND v.model = ?
      GROUP BY e.jobId, v.id, v.name
      ORDER BY newest DESC LIMIT ?`,
    { replacements: [model, MOST], type: QueryTypes.SELECT },
  )
  const found: ModelPhoto[] = []
  for (const { jobId, vehicleId, vehicleName } of rows) {
    const subject = jobId
      ? ({ type: 'job', id: jobId } as const)
      : ({ type: 'vehicle', id: vehicleId } as const)
    const { entries } = await bearingOf(database, subject)
    for (const { payload, at } of fold(entries).photos)
      if (payload.place)
        found.push({
          file: payload.file,
          place: payload.place,
          words: payload.words ?? null,
          vehicleName,
          at,
        })
  }
  return found.sort((a, b) => (a.at < b.at ? 1 : -1))
}

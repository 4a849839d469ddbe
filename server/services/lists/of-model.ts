import { QueryTypes } from 'sequelize'
import type { ModelNoteTold, ModelPhoto } from '../../../contract'
import { fold, type JobState, type Kind } from '../../../core/journal'
import type { Database } from '../../database/database'
import { bearingOf } from '../journal/history'

/** Histories that are gone through for one model, the newest first. */
const MOST = 40

interface OfModel {
  state: JobState
  vehicleName: string
}

/** Jobs and vehicles of a model in whose history a kind of entry stands, folded, the newest first. */
async function historiesWith(database: Database, model: string, kind: Kind): Promise<OfModel[]> {
  const rows = await database.sequelize.query<{
    jobId: string | null
    vehicleId: string
    vehicleName: string
  }>(
    `SELECT e.jobId, v.id AS vehicleId, v.name AS vehicleName, MAX(e.at) AS newest
       FROM entries e
       LEFT JOIN jobs j ON j.id = e.jobId
       JOIN vehicles v ON v.id = COALESCE(e.vehicleId, j.vehicleId)
      WHERE e.kind = ? AND v.model = ?
      GROUP BY e.jobId, v.id, v.name
      ORDER BY newest DESC LIMIT ?`,
    { replacements: [kind, model, MOST], type: QueryTypes.SELECT },
  )
  const found: OfModel[] = []
  for (const { jobId, vehicleId, vehicleName } of rows) {
    const subject = jobId
      ? ({ type: 'job', id: jobId } as const)
      : ({ type: 'vehicle', id: vehicleId } as const)
    const { entries } = await bearingOf(database, subject)
    found.push({ state: fold(entries), vehicleName })
  }
  return found
}

const newestFirst = <T extends { at: string }>(list: T[]): T[] =>
  list.sort((a, b) => (a.at < b.at ? 1 : -1))

/** Photographs of parts that stand in the jobs and vehicles of a model, the newest first. */
export async function photosOfModel(database: Database, model: string): Promise<ModelPhoto[]> {
  const found = await historiesWith(database, model, 'photo')
  return newestFirst(
    found.flatMap(({ state, vehicleName }) =>
      state.photos.flatMap(({ payload: { file, place, words }, at }) =>
        place ? [{ file, place, words: words ?? null, vehicleName, at }] : [],
      ),
    ),
  )
}

/** What was found out about a model, the newest first. */
export async function notesOfModel(database: Database, model: string): Promise<ModelNoteTold[]> {
  const found = await historiesWith(database, model, 'modelNote')
  return newestFirst(
    found.flatMap(({ state, vehicleName }) =>
      state.modelNotes.map(({ id, payload: { place, words, photo }, at }) => ({
        id,
        place,
        words,
        photo: photo ?? null,
        vehicleName,
        at,
      })),
    ),
  )
}

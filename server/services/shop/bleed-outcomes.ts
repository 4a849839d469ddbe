import { QueryTypes } from 'sequelize'
import { InputError } from '../../../core/circuit'
import { outcomeOf, type BleedOutcome } from '../../../core/bleed'
import { fold, installationFrom, type JobState } from '../../../core/journal'
import { touchedBy } from '../../../core/proof'
import type { Database } from '../../database/database'
import { readJob } from '../lists/jobs'
import { learningOf } from './shop'
import { readVehicle } from '../lists/vehicles'

/** Newest bleeds that are learnt from: each takes a moment to weigh. */
const MOST = 24

/** How this shop's newest bleeds went: cycles, and air by free travel before and after, on each circuit as it lies. */
export async function bleedOutcomes(database: Database): Promise<BleedOutcome[]> {
  const { off, since } = await learningOf(database, 'bleeds')
  if (off) return []
  const rows = await database.sequelize.query<{ id: string; vehicleId: string }>(
    `SELECT j.id AS id, j.vehicleId AS vehicleId
       FROM jobs j
       JOIN (SELECT e.jobId AS id, MAX(e.at) AS newest
               FROM entries e
              WHERE e.kind = 'bleedCycle' AND e.jobId IS NOT NULL AND e.at >= ?
              GROUP BY e.jobId) b ON b.id = j.id
      ORDER BY b.newest DESC
      LIMIT ${MOST}`,
    { replacements: [new Date(since ?? 0)], type: QueryTypes.SELECT },
  )
  const all: BleedOutcome[] = []
  for (const { id, vehicleId } of rows) {
    const { entries } = await readJob(database, id, 'state')
    const { entries: ofVehicle } = await readVehicle(database, vehicleId, 'state')
    const installation = installationFrom(entries, installationFrom(ofVehicle))
    const state = fold(entries)
    const [before, after] = travels(state)
    try {
      const cycles = state.bleed.cycles.map(({ payload }) => payload)
      const one = installation && outcomeOf(installation, cycles, before, after)
      if (one) all.push(one)
    } catch (error) {
      // A vehicle whose line cannot lie so teaches nothing.
      if (!(error instanceof InputError)) throw error
    }
  }
  return all
}

/** Free travel last read before the first cycle, and after the last. */
function travels(state: JobState): [before: number | null, after: number | null] {
  const { readings, course, bleed } = state
  const [first, last] = [bleed.cycles[0]?.id ?? '', bleed.cycles.at(-1)?.id ?? '']
  const found = readings.asFound.freeTravel
  const mended = touchedBy(state) !== null
  const all = [
    // As found says nothing of a circuit that was opened since.
    ...(found && !mended ? [found] : []),
    ...course.filter(({ payload }) => payload.reading === 'freeTravel'),
    ...(readings.after.freeTravel ? [readings.after.freeTravel] : []),
  ]
  const before = all.filter(({ id }) => id < first).at(-1)
  const after = all.filter(({ id }) => id > last).at(-1)
  return [before?.payload.value ?? null, after?.payload.value ?? null]
}

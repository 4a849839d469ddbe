import { QueryTypes } from 'sequelize'
import { fold, installationFrom } from '../../core/journal'
import { blockingStops, isProven, nextStep, openStops } from '../../core/proof'
import type { Database } from '../database/database'
import { bearingOf } from './history'

/** Raised where the rules change by which a job's step is worked out: then what is kept is worked out anew. */
const RULES = 5
/** Jobs that are worked out in one go, before others have their turn. */
const AT_ONCE = 25

interface Stale {
  id: string
  vehicleId: string
  lastSequence: number
  changes: number
}

/**
 * Works out what the entries of jobs add up to and keeps it with them: the outcome, what would bring the job on, which list
 * it stands in, and what it was once it is closed. Whatever is filed meanwhile makes it stale again.
 */
export async function refreshJobs(database: Database, jobs: readonly Stale[]): Promise<void> {
  for (const job of jobs) await refresh(database, job)
}

/** Jobs whose entries have changed since they were worked out; at most so many are looked at. Says how many. */
export async function refreshStale(database: Database, most = AT_ONCE): Promise<number> {
  const stale = await database.sequelize.query<Stale>(
    'SELECT id, vehicleId, lastSequence, changes FROM jobs WHERE fresh = 0 LIMIT ?',
    { replacements: [most], type: QueryTypes.SELECT },
  )
  await refreshJobs(database, stale)
  return stale.length
}

/** What was kept by other rules is worked out anew. */
export async function forgetOldRules(database: Database): Promise<void> {
  await database.sequelize.query('UPDATE jobs SET fresh = 0 WHERE rules <> ?', {
    replacements: [RULES],
    type: QueryTypes.UPDATE,
  })
}

async function refresh(
  database: Database,
  { id, vehicleId, lastSequence, changes }: Stale,
): Promise<void> {
  const [{ entries: own }, { entries: ofVehicle }] = await Promise.all([
    bearingOf(database, { type: 'job', id }, lastSequence),
    bearingOf(database, { type: 'vehicle', id: vehicleId }),
  ])
  const state = fold(own)
  const installation = installationFrom(own, installationFrom(ofVehicle))
  const stops = openStops(state, installation?.circuit.master.portClosure)
  const done = isProven(state)
  const filed = state.verdict?.payload.outcome ?? null
  // Proven once, and something has been found since: it is not.
  const outcome = filed === 'pass' && !done ? 'notYet' : filed
  const stopped = blockingStops(stops).length > 0
  const settled = done && state.cause !== null
  await database.sequelize.query(
    `UPDATE jobs SET outcome = ?, step = ?, standing = ?, onBench = ?, causes = ?, closedAt = ?, rules = ?, fresh = 1
      WHERE id = ? AND changes = ?`,
    {
      replacements: [
        outcome,
        JSON.stringify(nextStep(state, stops)),
        state.closed ? 'closed' : stopped ? 'stopped' : done ? 'done' : 'open',
        state.closed ? 0 : 1,
        settled ? JSON.stringify(state.cause!.payload.faults) : null,
        settled ? new Date(state.verdict!.at) : null,
        RULES,
        id,
        changes,
      ],
      type: QueryTypes.UPDATE,
    },
  )
}

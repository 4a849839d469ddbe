import { QueryTypes, type Transaction } from 'sequelize'
import { cameBack, dueOf, type DueItem, type JobBefore } from '../../../core/due'
import { fluidFrom, fold, installationFrom } from '../../../core/journal'
import { stepsTook } from '../../../core/learnt'
import { blockingStops, isProven, nextStep, openStops, workOn } from '../../../core/proof'
import type { Database } from '../../database/database'
import { inTransaction } from '../../database/transaction'
import { bearingOf } from './history'
import { hasPutOffChanged, putOffBefore } from '../lists/put-off'
import { sharedRounds } from '../lists/rounds'

/** Raised where the rules change by which a job's step is worked out: then what is kept is worked out anew. */
const RULES = 8
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

/** Times that a list is gone through: working out one job may make others of its vehicle stale, which then stay as they are. */
const MOST_ROUNDS = 4

/** Jobs whose entries have changed since they were worked out; at most so many are looked at. Says how many. */
async function refreshSome(database: Database): Promise<number> {
  let done = 0
  for (let round = 0; round < MOST_ROUNDS; round++) {
    // Earlier jobs first: later ones hang on them.
    const stale = await database.sequelize.query<Stale>(
      'SELECT id, vehicleId, lastSequence, changes FROM jobs WHERE fresh = 0 ORDER BY id LIMIT ?',
      { replacements: [AT_ONCE], type: QueryTypes.SELECT },
    )
    await refreshJobs(database, stale)
    done += stale.length
    if (stale.length === 0 || stale.length === AT_ONCE) break
  }
  return done
}
const jobsLeft = async ({ sequelize }: Database, most: number): Promise<number> =>
  (
    await sequelize.query('SELECT id FROM jobs WHERE fresh = 0 LIMIT ?', {
      replacements: [most],
      type: QueryTypes.SELECT,
    })
  ).length

/** One round over jobs that are stale, which all who ask at once share; and what whoever shows what is kept waits for. */
export const { round: refreshStale, caughtUp: jobsCaughtUp } = sharedRounds(refreshSome, jobsLeft)

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
  const complaints = state.complaints.map(({ complaint }) => complaint)
  const took = stepsTook(state)
  const putOff = await putOffBefore(database, vehicleId, id)
  const due = dueOf(state, installation, fluidFrom(ofVehicle), putOff)
  const before = await provenBefore(database, vehicleId, id)
  const itself = before.find((job) => job.id === id)
  // A restore has put another shop in its place.
  if (!itself) return
  const provenAt = done ? new Date(state.verdict!.at) : null
  const proof = JSON.stringify([provenAt, provenAt && complaints])
  await inTransaction(database, async (transaction) => {
    const [, changed] = await database.sequelize.query(
      `UPDATE jobs SET outcome = ?, step = ?, standing = ?, onBench = ?, causes = ?, closedAt = ?, provenAt = ?,
        complaints = ?, cameBackOf = ?, work = ?, stepsTook = ?, rules = ?, fresh = 1
      WHERE id = ? AND changes = ?`,
      {
        replacements: [
          outcome,
          JSON.stringify(nextStep(state, stops)),
          state.closed ? 'closed' : stopped ? 'stopped' : done ? 'done' : 'open',
          state.closed ? 0 : 1,
          settled ? JSON.stringify(state.cause!.payload.faults) : null,
          settled ? new Date(state.verdict!.at) : null,
          provenAt,
          JSON.stringify(complaints),
          cameBack({ openedAt: itself.openedAt, complaints }, before),
          JSON.stringify(workOn(state)),
          took.length > 0 ? JSON.stringify(took) : null,
          RULES,
          id,
          changes,
        ],
        type: QueryTypes.UPDATE,
        transaction,
      },
    )
    // Filed into meanwhile: whoever works it out next keeps what is owed, too.
    if (changed === 0) return
    const others = proof !== itself.proof || (await hasPutOffChanged(database, id, due, transaction))
    await keepDue(database, id, vehicleId, due, transaction)
    if (others) await makeOthersStale(database, vehicleId, id, transaction)
  })
}

/** Jobs of a vehicle with when each was opened and proven; the one that is asked for among them. */
async function provenBefore(
  { sequelize }: Database,
  vehicleId: string,
  id: string,
): Promise<(JobBefore & { openedAt: string; proof: string })[]> {
  const rows = await sequelize.query<{
    id: string
    createdAt: Date
    provenAt: Date | null
    complaints: unknown
  }>(
    `SELECT id, createdAt, provenAt, complaints FROM jobs
      WHERE vehicleId = ? AND (id = ? OR provenAt IS NOT NULL)`,
    { replacements: [vehicleId, id], type: QueryTypes.SELECT },
  )
  return rows.map((row) => {
    const complaints = (
      typeof row.complaints === 'string' ? JSON.parse(row.complaints) : (row.complaints ?? [])
    ) as JobBefore['complaints']
    return {
      id: row.id,
      openedAt: row.createdAt.toISOString(),
      provenAt: row.id === id ? null : (row.provenAt?.toISOString() ?? null),
      complaints,
      /** What other jobs hang on, as it was kept. */
      proof: JSON.stringify([row.provenAt, row.provenAt && complaints]),
    }
  })
}

/** Other jobs of a vehicle hang on what this one has put off, and on whether it was proven. */
async function makeOthersStale(
  { sequelize }: Database,
  vehicleId: string,
  jobId: string,
  transaction: Transaction,
): Promise<void> {
  await sequelize.query(
    'UPDATE jobs SET fresh = 0, changes = changes + 1 WHERE vehicleId = ? AND id <> ?',
    { replacements: [vehicleId, jobId], type: QueryTypes.UPDATE, transaction },
  )
}

/** What a job leaves owed. */
async function keepDue(
  { sequelize }: Database,
  jobId: string,
  vehicleId: string,
  due: readonly DueItem[],
  transaction: Transaction,
): Promise<void> {
  await sequelize.query('DELETE FROM due_items WHERE jobId = ?', {
    replacements: [jobId],
    type: QueryTypes.DELETE,
    transaction,
  })
  if (due.length === 0) return
  await sequelize.query(
    `INSERT INTO due_items (jobId, item, vehicleId, kind, due, atKm, payload)
     VALUES ${due.map(() => '(?, ?, ?, ?, ?, ?, ?)').join(', ')}`,
    {
      replacements: due.flatMap(({ id, kind, due: day, atKm, payload }) => [
        jobId,
        id,
        vehicleId,
        kind,
        day,
        atKm === null ? null : Math.round(atKm),
        JSON.stringify(payload),
      ]),
      type: QueryTypes.INSERT,
      transaction,
    },
  )
}

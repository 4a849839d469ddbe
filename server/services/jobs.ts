import { QueryTypes } from 'sequelize'
import type { BenchJob, Job, ListQueryValues, NewJobBody, WithEntries } from '../../contract'
import type { Goal } from '../../core/journal'
import type { Database } from '../database/database'
import type { JobRow } from '../database/models'
import { appendWithin, readEntries } from './entries'
import { notFound, Refusal } from './refusal'

const shownJob = (row: JobRow): Job => ({
  id: row.id,
  vehicleId: row.vehicleId,
  title: row.title,
  kind: row.kind,
  createdAt: row.createdAt.toISOString(),
  lastSequence: row.lastSequence,
})

/** Jobs for the bench, newest first, with what their newest entry and verdict say. */
export async function listJobs(
  { sequelize }: Database,
  { limit = 100, before, vehicle }: ListQueryValues = {},
): Promise<BenchJob[]> {
  const rows = await sequelize.query<{
    id: string
    vehicleId: string
    title: string
    kind: Job['kind']
    createdAt: Date
    lastSequence: number
    vehicleName: string
    lastAt: Date
    lastBy: string
    outcome: BenchJob['outcome']
    freeTravelFound: number
    cycles: string | number
    freeTravelAfter: number
  }>(
    `SELECT j.id, j.vehicleId, j.title, j.kind, j.createdAt, j.lastSequence, v.name AS vehicleName,
            e.at AS lastAt, p.name AS lastBy,
            (SELECT JSON_VALUE(d.payload, '$.outcome') FROM entries d
              WHERE d.jobId = j.id AND d.kind = 'verdict'
                AND NOT EXISTS (SELECT 1 FROM entries w WHERE w.withdraws = d.id
                  AND NOT EXISTS (SELECT 1 FROM entries x WHERE x.withdraws = w.id))
              ORDER BY d.sequence DESC LIMIT 1) AS outcome,
            COALESCE(done.freeTravelFound, 0) AS freeTravelFound,
            COALESCE(done.cycles, 0) AS cycles,
            COALESCE(done.freeTravelAfter, 0) AS freeTravelAfter
       FROM jobs j
       JOIN vehicles v ON v.id = j.vehicleId
       JOIN entries e ON e.jobId = j.id AND e.sequence = j.lastSequence
       JOIN people p ON p.id = e.byId
       LEFT JOIN (
         SELECT d.jobId,
                SUM(d.kind = 'bleedCycle') AS cycles,
                MAX(d.kind = 'measurement' AND JSON_VALUE(d.payload, '$.reading') = 'freeTravel'
                    AND JSON_VALUE(d.payload, '$.phase') = 'asFound') AS freeTravelFound,
                MAX(d.kind = 'measurement' AND JSON_VALUE(d.payload, '$.reading') = 'freeTravel'
                    AND JSON_VALUE(d.payload, '$.phase') = 'after') AS freeTravelAfter
           FROM entries d
           LEFT JOIN entries w ON w.withdraws = d.id
          WHERE w.id IS NULL AND d.kind IN ('bleedCycle', 'measurement')
          GROUP BY d.jobId
       ) done ON done.jobId = j.id
      WHERE (:before IS NULL OR j.id < :before) AND (:vehicle IS NULL OR j.vehicleId = :vehicle)
      ORDER BY j.id DESC LIMIT :limit`,
    {
      type: QueryTypes.SELECT,
      replacements: { before: before ?? null, vehicle: vehicle ?? null, limit },
    },
  )
  return rows.map((row) => ({
    ...row,
    createdAt: row.createdAt.toISOString(),
    lastAt: row.lastAt.toISOString(),
    freeTravelFound: Number(row.freeTravelFound) === 1,
    cycles: Number(row.cycles),
    freeTravelAfter: Number(row.freeTravelAfter) === 1,
  }))
}

/** A job with its first entries, all or nothing; the same again changes nothing. */
export async function addJob(
  database: Database,
  { id, vehicleId, title, entries }: NewJobBody,
): Promise<{ job: Job; created: boolean }> {
  const goal = entries.find((entry) => entry.kind === 'goal')
  if (!goal)
    throw new Refusal(422, 'no-goal', 'A job needs its goal', [
      { path: '/entries', message: 'must hold a goal entry' },
    ])
  const kind = (goal.payload as Goal).jobKind
  return database.sequelize.transaction(async (transaction) => {
    const { Job: jobs, Vehicle: vehicles } = database.models
    if (!(await vehicles.findByPk(vehicleId, { transaction })))
      throw new Refusal(422, 'no-vehicle', 'There is no such vehicle', [
        { path: '/vehicleId', message: 'is no vehicle here' },
      ])
    const known = await jobs.findByPk(id, { transaction })
    if (known && (known.vehicleId !== vehicleId || known.title !== title.trim()))
      throw new Refusal(409, 'taken', 'Another job has this id')
    const row =
      known ?? (await jobs.create({ id, vehicleId, title: title.trim(), kind }, { transaction }))
    const subject = { type: 'job', id } as const
    for (const entry of entries) await appendWithin(database, subject, entry, transaction)
    await row.reload({ transaction })
    return { job: shownJob(row), created: !known }
  })
}

export async function readJob(database: Database, id: string): Promise<WithEntries<Job>> {
  const row = await database.models.Job.findByPk(id)
  if (!row) throw notFound('job')
  return { subject: shownJob(row), entries: await readEntries(database, { type: 'job', id }) }
}

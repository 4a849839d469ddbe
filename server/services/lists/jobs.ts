import { QueryTypes } from 'sequelize'
import type { Job, JobTitleBody, NewJobBody, WithEntries } from '../../../contract'
import type { Goal } from '../../../core/journal'
import type { Database } from '../../database/database'
import type { JobRow } from '../../database/models'
import { inTransaction } from '../../database/transaction'
import { committed } from '../../live/news'
import { appendFirst } from '../journal/append'
import { opened } from '../journal/open'
import { notFound, Refusal } from '../refusal'

export const shownJob = (row: JobRow): Job => ({
  id: row.id,
  vehicleId: row.vehicleId,
  title: row.title,
  kind: row.kind,
  createdAt: row.createdAt.toISOString(),
  lastSequence: row.lastSequence,
})

/** A job with its first entries, all or nothing; the same again changes nothing. */
export async function addJob(
  database: Database,
  { id, vehicleId, title, entries }: NewJobBody,
): Promise<{ job: Job; created: boolean }> {
  const goal = entries.find((entry) => entry.kind === 'goal')
  if (!goal)
    throw new Refusal('no-goal', 'A job needs its goal', [
      { path: '/entries', message: 'must hold a goal entry' },
    ])
  const kind = (goal.payload as Goal).jobKind
  const subject = { type: 'job', id } as const
  const done = await inTransaction(database, async (transaction) => {
    const { Job: jobs, Vehicle: vehicles } = database.models
    if (!(await vehicles.findByPk(vehicleId, { transaction })))
      throw new Refusal('no-vehicle', 'There is no such vehicle', [
        { path: '/vehicleId', message: 'is no vehicle here' },
      ])
    const known = await jobs.findByPk(id, { transaction })
    if (known && (known.vehicleId !== vehicleId || known.title !== title.trim()))
      throw new Refusal('taken', 'Another job has this id')
    const row =
      known ?? (await jobs.create({ id, vehicleId, title: title.trim(), kind }, { transaction }))
    await appendFirst(database, subject, entries, transaction)
    await row.reload({ transaction })
    return { job: shownJob(row), created: !known }
  })
  committed('entries')
  return done
}

/** What a job is called, put right; it is found by that from now on. */
export async function renameJob(database: Database, id: string, { title }: JobTitleBody): Promise<Job> {
  const job = await inTransaction(database, async (transaction) => {
    const row = await database.models.Job.findByPk(id, { transaction })
    if (!row) throw notFound('job')
    await row.update({ title: title.trim() }, { transaction })
    await database.sequelize.query('UPDATE jobs SET searched = 0 WHERE id = ?', {
      replacements: [id],
      type: QueryTypes.UPDATE,
      transaction,
    })
    return shownJob(row)
  })
  committed('entries')
  return job
}

/**
 * A job's row, without its entries.
 * @throws Refusal 404 where there is none
 */
export async function readJobRow({ models }: Database, id: string): Promise<Job> {
  const row = await models.Job.findByPk(id)
  if (!row) throw notFound('job')
  return shownJob(row)
}

/** @param entries all of them, or those that bear its state */
export async function readJob(
  database: Database,
  id: string,
  entries: 'all' | 'state' = 'all',
): Promise<WithEntries<Job>> {
  return opened(database, { type: 'job', id }, await readJobRow(database, id), entries)
}

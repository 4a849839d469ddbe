import { Op, type InferAttributes, type Transaction } from 'sequelize'
import { checkEntry, type EntriesQueryValues } from '../../contract'
import type { Entry, Subject } from '../../core/journal'
import type { Database } from '../database/database'
import type { EntryRow } from '../database/models'
import { notFound, Refusal } from './refusal'

const columnOf = ({ type, id }: Subject) =>
  type === 'job' ? { jobId: id, vehicleId: null } : { jobId: null, vehicleId: id }

export function shownEntry(row: InferAttributes<EntryRow>): Entry {
  const entry = {
    id: row.id,
    subject: row.jobId ? { type: 'job', id: row.jobId } : { type: 'vehicle', id: row.vehicleId },
    kind: row.kind,
    at: row.at.toISOString(),
    by: row.byId,
    payload: typeof row.payload === 'string' ? JSON.parse(row.payload) : row.payload,
    sequence: row.sequence,
    ...(row.corrects && { corrects: row.corrects }),
    ...(row.withdraws && { withdraws: row.withdraws }),
  }
  return entry as Entry
}

/** Entries of a subject in sequence order; all of them unless limited. */
export async function readEntries(
  { models }: Database,
  subject: Subject,
  { after = 0, limit }: EntriesQueryValues = {},
): Promise<Entry[]> {
  const rows = await models.Entry.findAll({
    where: { ...columnOf(subject), sequence: { [Op.gt]: after } },
    order: [['sequence', 'ASC']],
    limit,
    raw: true,
  })
  return rows.map(shownEntry)
}

/**
 * Appends one entry in a transaction of its own. The same entry again changes nothing;
 * the same id with other content is refused.
 */
export async function appendEntry(
  database: Database,
  subject: Subject,
  entry: Entry,
): Promise<{ entry: Entry; created: boolean }> {
  return database.sequelize.transaction((transaction) =>
    appendWithin(database, subject, entry, transaction),
  )
}

/** The same within a transaction that also makes the subject. */
export async function appendWithin(
  { models }: Database,
  subject: Subject,
  entry: Entry,
  transaction: Transaction,
): Promise<{ entry: Entry; created: boolean }> {
  if (entry.subject.type !== subject.type || entry.subject.id !== subject.id)
    throw new Refusal(422, 'wrong-subject', 'The entry names another subject than its address', [
      { path: '/subject/id', message: 'must be the subject that it is posted to' },
    ])
  const problems = checkEntry(entry)
  if (problems[0])
    throw new Refusal(422, 'invalid', `Refused: ${problems[0].path} ${problems[0].message}`, problems)

  // The subject's row is the lock that puts its entries in one order.
  const lock = { transaction, lock: transaction.LOCK.UPDATE }
  const owner =
    subject.type === 'job'
      ? await models.Job.findByPk(subject.id, lock)
      : await models.Vehicle.findByPk(subject.id, lock)
  if (!owner) throw notFound(subject.type)

  const known = await models.Entry.findByPk(entry.id, { transaction })
  if (known) {
    const stored = shownEntry(known)
    if (sameContent(stored, entry)) return { entry: stored, created: false }
    throw new Refusal(409, 'entry-differs', 'An entry with this id and other content is already filed')
  }
  await checkTarget(models.Entry, subject, entry, transaction)
  if (!(await models.Person.findByPk(entry.by, { transaction })))
    throw new Refusal(422, 'nobody', 'Nobody with this id works here: pick a name at the bench', [
      { path: '/by', message: 'is not a person here' },
    ])
  const sequence = owner.lastSequence + 1
  const row = await models.Entry.create(
    {
      id: entry.id,
      ...columnOf(subject),
      sequence,
      kind: entry.kind,
      at: new Date(entry.at),
      byId: entry.by,
      payload: JSON.stringify(entry.payload),
      corrects: entry.corrects ?? null,
      withdraws: entry.withdraws ?? null,
    },
    { transaction },
  )
  const place = [{ lastSequence: sequence }, { where: { id: subject.id }, transaction }] as const
  await (subject.type === 'job' ? models.Job.update(...place) : models.Vehicle.update(...place))
  return { entry: shownEntry(row), created: true }
}

/** A correction or withdrawal acts on an entry of the same subject; a correction keeps its kind. */
async function checkTarget(
  table: Database['models']['Entry'],
  subject: Subject,
  entry: Entry,
  transaction: Transaction,
): Promise<void> {
  const id = entry.corrects ?? entry.withdraws
  if (id === undefined) return
  const path = entry.corrects === undefined ? '/withdraws' : '/corrects'
  const target = await table.findOne({ where: { id, ...columnOf(subject) }, transaction })
  if (!target)
    throw new Refusal(422, 'no-target', 'The entry that this one acts on is not in this history', [
      { path, message: 'names no entry of this subject' },
    ])
  if (entry.corrects !== undefined && target.kind !== entry.kind)
    throw new Refusal(422, 'other-kind', `A ${target.kind} is put right by a ${target.kind}`, [
      { path: '/kind', message: `must be ${target.kind}` },
    ])
}

/** Equal but for what the server adds; the order of fields does not matter. */
function sameContent(stored: Entry, posted: Entry): boolean {
  const { sequence: _, ...rest } = stored
  const asked = { ...posted, at: new Date(posted.at).toISOString() }
  return canonical(rest) === canonical(asked)
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_, inner: unknown) =>
    inner !== null && typeof inner === 'object' && !Array.isArray(inner)
      ? Object.fromEntries(Object.entries(inner).sort(([a], [b]) => (a < b ? -1 : 1)))
      : inner,
  )
}

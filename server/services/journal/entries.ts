import { Op, type InferAttributes, type Transaction } from 'sequelize'
import type { EntriesQueryValues, Page } from '../../../contract'
import { upcast, type Entry, type Subject } from '../../../core/journal'
import type { Database } from '../../database/database'
import type { EntryRow } from '../../database/models'

export const columnOf = ({ type }: Subject): 'jobId' | 'vehicleId' =>
  type === 'job' ? 'jobId' : 'vehicleId'

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
  return upcast(entry as Entry)
}

/** ms by which a device's time and the workshop's may differ before both are told. */
const APART = 60_000
/** With the server's own time where the device's says another: its clock is off, or the entry waited to be sent. */
export const withFiledAt = <E extends Pick<Entry, 'at'>>(entry: E, filedAt: Date | null): E =>
  filedAt && Math.abs(filedAt.getTime() - Date.parse(entry.at)) > APART
    ? { ...entry, filedAt: filedAt.toISOString() }
    : entry

/**
 * Entries of a subject in sequence order; all of them unless limited. With `before`, the newest of those that come
 * before it.
 */
export async function readEntries(
  { models }: Database,
  subject: Subject,
  { after = 0, before, limit }: EntriesQueryValues = {},
  transaction?: Transaction,
): Promise<Entry[]> {
  const backwards = before !== undefined
  const rows = await models.Entry.findAll({
    where: {
      [columnOf(subject)]: subject.id,
      sequence: { [Op.gt]: after, ...(backwards && { [Op.lt]: before }) },
    },
    order: [['sequence', backwards ? 'DESC' : 'ASC']],
    limit,
    raw: true,
    ...(transaction && { transaction }),
  })
  const entries = rows.map((row) => withFiledAt(shownEntry(row), row.filedAt))
  return backwards ? entries.reverse() : entries
}

const MOST = 2000

/** A page of a subject's entries; `next` is the sequence to ask on from, as `after` or as `before`. */
export async function listEntries(
  database: Database,
  subject: Subject,
  { after, before, limit = MOST }: EntriesQueryValues = {},
): Promise<Page<Entry>> {
  const found = await readEntries(database, subject, { after, before, limit: limit + 1 })
  if (found.length <= limit) return { items: found, next: null }
  // One more than asked for was read, at the far end.
  const items = before === undefined ? found.slice(0, limit) : found.slice(1)
  const end = before === undefined ? items.at(-1)! : items[0]!
  return { items, next: String(end.sequence) }
}

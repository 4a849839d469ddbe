import { QueryTypes, type Transaction } from 'sequelize'
import type { Container, ContainerChangeBody, NewContainerBody } from '../../../contract'
import { timeline, type Entry, type Kind, type Subject } from '../../../core/journal'
import type { Database } from '../../database/database'
import type { EntryRow } from '../../database/models'
import { inTransaction } from '../../database/transaction'
import { shownEntry } from '../journal/entries'
import { notFound, Refusal } from '../refusal'

interface ContainerRow {
  id: string
  kind: Container['kind']
  openedAt: Date | string | null
  volume: number
  left: number
  createdAt: Date
}
const shown = ({ id, kind, openedAt, volume, left }: ContainerRow): Container => ({
  id,
  kind,
  openedAt: openedAt === null ? null : new Date(openedAt).toISOString(),
  volume: Number(volume),
  left: Number(left),
})
/** Containers that are looked through; a shop has a shelf of them. */
const MOST = 200

/** Containers with something left in them, the opened first, the longest open before the others. */
export async function listContainers({ sequelize }: Database): Promise<Container[]> {
  const rows = await sequelize.query<ContainerRow>(
    `SELECT * FROM containers WHERE \`left\` > 0
      ORDER BY openedAt IS NULL, openedAt, createdAt, id LIMIT ?`,
    { replacements: [MOST], type: QueryTypes.SELECT },
  )
  return rows.map(shown)
}

async function find(
  { sequelize }: Database,
  id: string,
  transaction: Transaction,
): Promise<ContainerRow | undefined> {
  const [row] = await sequelize.query<ContainerRow>(
    'SELECT * FROM containers WHERE id = ? FOR UPDATE',
    { replacements: [id], type: QueryTypes.SELECT, transaction },
  )
  return row
}

/** Puts a container on the shelf, full; the same again changes nothing. */
export async function addContainer(
  database: Database,
  { id, kind, openedAt, volume }: NewContainerBody,
): Promise<{ container: Container; created: boolean }> {
  return inTransaction(database, async (transaction) => {
    const known = await find(database, id, transaction)
    if (known) {
      if (known.kind === kind && Number(known.volume) === volume)
        return { container: shown(known), created: false }
      throw new Refusal('taken', 'This id belongs to another container')
    }
    await database.sequelize.query(
      'INSERT INTO containers (id, kind, openedAt, volume, `left`, createdAt) VALUES (?, ?, ?, ?, ?, ?)',
      {
        replacements: [id, kind, openedAt ? new Date(openedAt) : null, volume, volume, new Date()],
        type: QueryTypes.INSERT,
        transaction,
      },
    )
    return { container: shown((await find(database, id, transaction))!), created: true }
  })
}

/** Says when it was opened, or that it is gone from the shelf. */
export async function changeContainer(
  database: Database,
  id: string,
  { openedAt, gone }: ContainerChangeBody,
): Promise<Container> {
  return inTransaction(database, async (transaction) => {
    if (!(await find(database, id, transaction))) throw notFound('container')
    await database.sequelize.query(
      `UPDATE containers SET openedAt = ?${gone ? ', volume = volume - `left`, `left` = 0' : ''} WHERE id = ?`,
      {
        replacements: [openedAt === null ? null : new Date(openedAt), id],
        type: QueryTypes.UPDATE,
        transaction,
      },
    )
    return shown((await find(database, id, transaction))!)
  })
}

/** Of these ids, those that are containers here. */
export async function containersKept(
  { sequelize }: Database,
  ids: readonly string[],
  transaction: Transaction,
): Promise<ReadonlySet<string>> {
  if (ids.length === 0) return new Set()
  const rows = await sequelize.query<{ id: string }>('SELECT id FROM containers WHERE id IN (?)', {
    replacements: [ids],
    type: QueryTypes.SELECT,
    transaction,
  })
  return new Set(rows.map(({ id }) => id))
}

/** Containers that entries say were poured from. */
export const containersOf = (entries: readonly Entry[]): string[] =>
  entries.flatMap((entry) => (entry.kind === 'fluidUsed' ? [entry.payload.container] : []))

/** Entries after which it must be counted anew what a job took; taking one back gives the fluid back. */
const COUNTS: ReadonlySet<Kind> = new Set(['fluidUsed', 'withdrawal'])

/** What a job took of each container, by what stands of its history; a container that is poured from has been opened. */
export async function recountContainers(
  { sequelize }: Database,
  { id: jobId }: Subject,
  fresh: readonly Entry[],
  transaction: Transaction,
): Promise<void> {
  if (!fresh.some(({ kind }) => COUNTS.has(kind))) return
  const rows = await sequelize.query<EntryRow>(
    "SELECT * FROM entries WHERE jobId = ? AND kind IN ('fluidUsed', 'withdrawal') ORDER BY sequence",
    { replacements: [jobId], type: QueryTypes.SELECT, transaction },
  )
  const all = rows.map(shownEntry)
  const touched = new Set(containersOf(all))
  if (touched.size === 0) return
  const used = new Map([...touched].map((id) => [id, { volume: 0, at: '' }]))
  for (const { holds } of timeline(all).standing) {
    if (holds.kind !== 'fluidUsed') continue
    const one = used.get(holds.payload.container)!
    one.volume += holds.payload.volume
    if (one.at === '' || holds.at < one.at) one.at = holds.at
  }
  const run = (sql: string, replacements: unknown[]) =>
    sequelize.query(sql, { replacements, type: QueryTypes.UPDATE, transaction })
  for (const [id, { volume, at }] of [...used].sort(([a], [b]) => (a < b ? -1 : 1))) {
    await run(
      `INSERT INTO container_use (containerId, jobId, used) VALUES (?, ?, ?)
       ON DUPLICATE KEY UPDATE used = VALUES(used)`,
      [id, jobId, volume],
    )
    await run(
      `UPDATE containers SET openedAt = COALESCE(openedAt, ?),
          \`left\` = GREATEST(0, volume - (SELECT COALESCE(SUM(used), 0) FROM container_use WHERE containerId = ?))
        WHERE id = ?`,
      [at === '' ? null : new Date(at), id, id],
    )
  }
}

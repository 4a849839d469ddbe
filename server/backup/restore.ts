import { createHash, timingSafeEqual } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { open, stat } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import { createGunzip } from 'node:zlib'
import { NEWEST_MIGRATION } from '../database/migrate'
import type { DatabaseSettings } from '../database/settings'
import {
  cellOf,
  columnsOf,
  connectTo,
  insertOf,
  isKept,
  selectOf,
  valueOf,
  type Connection,
} from './connection'
import {
  BackupRefused,
  headOf,
  HEAD_BYTES,
  KEPT_TABLES,
  MARK,
  type BackupEnd,
  type BackupHead,
  type Cell,
} from './format'
import { writeWhole } from './write'

/** Rows that are put in at once; photographs one by one. */
const AT_ONCE = 200
const DEADLOCK = 1213
const TRIES = 20

/**
 * Puts a backup in the place of all that the database holds. The file is read through and its checksum looked at before the
 * database is touched; then all of it goes in as one transaction, which is read back and compared before it holds.
 * @param copy where all that is taken out is written first: nothing is filed between the two
 * @throws BackupRefused where the file is damaged, newer than this program, or does not go in whole; nothing was changed
 */
export async function restoreBackup(
  settings: DatabaseSettings,
  file: string,
  copy?: string,
): Promise<Record<string, number>> {
  await checkWhole(file)
  const connection = await connectTo(settings)
  try {
    await connection.query('SET SESSION TRANSACTION ISOLATION LEVEL REPEATABLE READ')
    await connection.query('SET foreign_key_checks = 0')
    await connection.beginTransaction()
    try {
      if (copy !== undefined) {
        await stopFiling(connection)
        await writeWhole(connection, copy)
      }
      const rows = await putBack(connection, file)
      // Servers that run look at this now and then, and forget what they have read before.
      await connection.query(
        'INSERT INTO pulse (id, at) VALUES (2, UTC_TIMESTAMP(3)) ON DUPLICATE KEY UPDATE at = VALUES(at)',
      )
      await connection.commit()
      return rows
    } catch (error) {
      await connection.rollback()
      // What the file system says of the copy is told by whoever named it.
      const isFile = typeof (error as { syscall?: unknown }).syscall === 'string'
      if (error instanceof BackupRefused || isFile) throw error
      throw new BackupRefused(
        `The backup does not go in: ${error instanceof Error ? error.message : String(error)}. Nothing was changed.`,
      )
    }
  } finally {
    await connection.end()
  }
}

/** Whoever files waits until the other shop is in its place. */
async function stopFiling(connection: Connection): Promise<void> {
  for (let tried = 1; ; tried++)
    try {
      for (const table of KEPT_TABLES)
        await connection.query(`SELECT COUNT(*) FROM \`${table}\` FOR UPDATE`)
      return
    } catch (error) {
      // Somebody files in another order of tables: he is through, and it is begun anew.
      if ((error as { errno?: number }).errno !== DEADLOCK || tried === TRIES) throw error
      await connection.beginTransaction()
    }
}

/** The checksum of all that follows the first line; one damaged byte anywhere is one that differs. */
export async function checkWhole(file: string): Promise<void> {
  const { size } = await stat(file)
  const damaged = new BackupRefused(
    'The file is damaged: its checksum does not fit. Nothing was changed.',
  )
  if (size <= HEAD_BYTES) throw new BackupRefused('This is no backup of Mellow Anchor.')
  const handle = await open(file)
  const head = Buffer.alloc(HEAD_BYTES)
  await handle.read(head, 0, HEAD_BYTES, 0)
  await handle.close()
  if (!head.toString('latin1').startsWith(MARK))
    throw new BackupRefused('This is no backup of Mellow Anchor.')
  const hash = createHash('sha256')
  for await (const chunk of createReadStream(file, { start: HEAD_BYTES }) as AsyncIterable<Buffer>)
    hash.update(chunk)
  const wanted = Buffer.from(headOf(hash.digest('hex')))
  if (wanted.length !== head.length || !timingSafeEqual(wanted, head)) throw damaged
}

/** What stands after the first line of a backup, a record on each. */
export const linesOf = (file: string) =>
  createInterface({
    input: createReadStream(file, { start: HEAD_BYTES }).pipe(createGunzip()),
    crlfDelay: Infinity,
  })

async function putBack(connection: Connection, file: string): Promise<Record<string, number>> {
  const lines = linesOf(file)
  let head: BackupHead | null = null
  let end: BackupEnd | null = null
  const hashes = new Map<string, ReturnType<typeof createHash>>()
  const counts: Record<string, number> = {}
  let batch: { table: string; rows: ReturnType<typeof valueOf>[][] } = { table: '', rows: [] }
  const flush = async () => {
    const { table, rows } = batch
    if (rows.length === 0) return
    await connection.batch(insertOf(table, columnsIn(head!, table)), rows)
    batch = { table: '', rows: [] }
  }
  for await (const text of lines) {
    const value: unknown = JSON.parse(text)
    if (!head) {
      head = value as BackupHead
      await begin(connection, head)
      for (const { name } of head.tables) {
        hashes.set(name, createHash('sha256'))
        counts[name] = 0
      }
      continue
    }
    if (!Array.isArray(value)) {
      end = value as BackupEnd
      continue
    }
    const [table, cells] = value as [string, Cell[]]
    if (table !== batch.table || batch.rows.length >= AT_ONCE || table === 'files') await flush()
    batch.table = table
    batch.rows.push(cells.map(valueOf))
    hashes.get(table)!.update(`${JSON.stringify(cells)}\n`)
    counts[table]! += 1
  }
  await flush()
  if (!head || !end) throw new BackupRefused('The backup ends too soon. Nothing was changed.')
  for (const { name } of head.tables)
    if (counts[name] !== end.rows[name])
      throw new BackupRefused(`Rows of ${name} are missing. Nothing was changed.`)
  await compare(connection, head, hashes)
  return counts
}

const columnsIn = ({ tables }: BackupHead, table: string): string[] => {
  const known = tables.find(({ name }) => name === table)
  if (!known || !isKept(table)) throw new BackupRefused(`${table} is no table of this shop.`)
  return known.columns
}

/** @throws BackupRefused where the tables of the backup are not those of this version */
export function checkSchema(schema: string): void {
  if (schema > NEWEST_MIGRATION)
    throw new BackupRefused(
      `The backup was made by a newer version (${schema}); this one knows ${NEWEST_MIGRATION}. Update first. Nothing was changed.`,
    )
  if (schema !== NEWEST_MIGRATION)
    throw new BackupRefused(
      `The backup is of an older version (${schema}): put it back with that version, then update. Nothing was changed.`,
    )
}

/** Empties what will be filled, once the backup is known to be of these tables. */
async function begin(connection: Connection, head: BackupHead): Promise<void> {
  checkSchema(head.schema)
  for (const { name, columns } of head.tables) {
    columnsIn(head, name)
    const known = await columnsOf(connection, name)
    const strange = columns.find((one) => !known.includes(one))
    if (strange) throw new BackupRefused(`${name}.${strange} is not known here. Nothing was changed.`)
  }
  for (const name of [...KEPT_TABLES].reverse()) await connection.query(`DELETE FROM \`${name}\``)
}

/** What stands in the tables now, against what the file says. */
async function compare(
  connection: Connection,
  { tables }: BackupHead,
  wanted: ReadonlyMap<string, ReturnType<typeof createHash>>,
): Promise<void> {
  for (const { name, columns } of tables) {
    const hash = createHash('sha256')
    const rows = connection.queryStream(selectOf(name, columns)) as AsyncIterable<unknown[]>
    for await (const row of rows) hash.update(`${JSON.stringify(row.map(cellOf))}\n`)
    if (hash.digest('hex') !== wanted.get(name)!.digest('hex'))
      throw new BackupRefused(`${name} came out otherwise than it went in. Nothing was changed.`)
  }
}

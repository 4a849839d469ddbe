import { createHash } from 'node:crypto'
import { open, rename, rm, type FileHandle } from 'node:fs/promises'
import { createGzip } from 'node:zlib'
import { once } from 'node:events'
import type { DatabaseSettings } from '../database/settings'
import { cellOf, columnsOf, connectTo, newestMigration, selectOf, type Connection } from './connection'
import { headOf, HEAD_BYTES, KEPT_TABLES, type BackupEnd, type BackupHead } from './format'

export interface Written {
  rows: Record<string, number>
  bytes: number
  sha256: string
}

/**
 * Writes the whole shop, photographs included, as it is at one moment: a server that runs goes on. The file appears under
 * its name once it is whole.
 */
export async function writeBackup(settings: DatabaseSettings, file: string): Promise<Written> {
  const connection = await connectTo(settings)
  try {
    await connection.query('SET SESSION TRANSACTION ISOLATION LEVEL REPEATABLE READ')
    await connection.query('START TRANSACTION WITH CONSISTENT SNAPSHOT')
    return await writeWhole(connection, file)
  } finally {
    await connection.end()
  }
}

/** The same within a transaction that somebody else has begun, and ends. */
export async function writeWhole(connection: Connection, file: string): Promise<Written> {
  const part = `${file}.part`
  const out = await open(part, 'w', 0o600)
  try {
    const written = await writeRows(connection, out)
    await out.sync()
    await out.close()
    await rename(part, file)
    return written
  } catch (error) {
    await out.close().catch(() => {})
    await rm(part, { force: true })
    throw error
  }
}

async function writeRows(connection: Connection, out: FileHandle): Promise<Written> {
  const hash = createHash('sha256')
  let at = HEAD_BYTES
  const gzip = createGzip()
  const pumped = (async () => {
    for await (const chunk of gzip as AsyncIterable<Buffer>) {
      hash.update(chunk)
      await out.write(chunk, 0, chunk.length, at)
      at += chunk.length
    }
  })()
  const line = async (value: unknown) => {
    if (!gzip.write(`${JSON.stringify(value)}\n`)) await once(gzip, 'drain')
  }
  const head: BackupHead = {
    schema: await newestMigration(connection),
    at: new Date().toISOString(),
    tables: [],
  }
  for (const name of KEPT_TABLES) {
    const columns = await columnsOf(connection, name)
    // Tables of an older version lack what came later; a backup is of the version that its head names.
    if (columns.length > 0) head.tables.push({ name, columns })
  }
  await line(head)
  const end: BackupEnd = { end: true, rows: {} }
  for (const { name, columns } of head.tables) {
    let count = 0
    // Row by row: photographs of years do not fit into memory.
    const rows = connection.queryStream(selectOf(name, columns)) as AsyncIterable<unknown[]>
    for await (const row of rows) {
      await line([name, row.map(cellOf)])
      count += 1
    }
    end.rows[name] = count
  }
  await line(end)
  gzip.end()
  await pumped
  const sha256 = hash.digest('hex')
  const first = Buffer.from(headOf(sha256))
  await out.write(first, 0, first.length, 0)
  return { rows: end.rows, bytes: at, sha256 }
}

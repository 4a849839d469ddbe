import { QueryTypes, type Transaction } from 'sequelize'
import type { ShelfTable } from '../../contract'
import type { Database } from '../database/database'

export type FileRow = Record<string, string | number | null>

/** Columns of a table that are written, and those of its key; what the database works out by itself is left to it. */
export async function columnsOf(
  { sequelize }: Database,
  table: ShelfTable,
  transaction: Transaction,
): Promise<{ all: string[]; key: string[] }> {
  const rows = await sequelize.query<{ name: string; place: string }>(
    `SELECT COLUMN_NAME AS name, COLUMN_KEY AS place FROM information_schema.COLUMNS
      WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? AND (GENERATION_EXPRESSION IS NULL OR GENERATION_EXPRESSION = '')
      ORDER BY ORDINAL_POSITION`,
    { replacements: [table], type: QueryTypes.SELECT, transaction },
  )
  return {
    all: rows.map(({ name }) => name),
    key: rows.filter(({ place }) => place === 'PRI').map(({ name }) => name),
  }
}

/** Cells as text or numbers: moments as ISO, JSON as its own text, decimals as they are kept. */
const cellOf = (value: unknown): string | number | null => {
  if (value === null || value === undefined) return null
  if (value instanceof Date) return value.toISOString()
  if (typeof value === 'number' || typeof value === 'string') return value
  if (typeof value === 'bigint') return value.toString()
  // A JSON column, read already.
  return JSON.stringify(value)
}

/** Rows that are read together. */
const TOGETHER = 500

/** All rows of a table, in the order of its key. */
export async function* rowsOf(
  database: Database,
  table: ShelfTable,
  transaction: Transaction,
): AsyncGenerator<FileRow> {
  const { all, key } = await columnsOf(database, table, transaction)
  const list = (names: readonly string[]) => names.map((name) => `\`${name}\``).join(', ')
  const past = `WHERE (${list(key)}) > (${key.map(() => '?').join(', ')})`
  for (let last: Record<string, unknown> | undefined, more = true; more;) {
    const rows: Record<string, unknown>[] = await database.sequelize.query(
      `SELECT ${list(all)} FROM \`${table}\` ${last ? past : ''} ORDER BY ${list(key)} LIMIT ?`,
      {
        replacements: [...(last ? key.map((name) => last![name]) : []), TOGETHER],
        type: QueryTypes.SELECT,
        transaction,
      },
    )
    for (const row of rows) yield Object.fromEntries(all.map((name) => [name, cellOf(row[name])]))
    last = rows.at(-1)
    more = rows.length === TOGETHER
  }
}

/** All of them at once. */
export async function allRowsOf(
  database: Database,
  table: ShelfTable,
  transaction: Transaction,
): Promise<FileRow[]> {
  const all: FileRow[] = []
  for await (const row of rowsOf(database, table, transaction)) all.push(row)
  return all
}

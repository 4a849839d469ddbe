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

/** All rows of a table. */
export async function rowsOf(
  database: Database,
  table: ShelfTable,
  transaction: Transaction,
): Promise<FileRow[]> {
  const { all } = await columnsOf(database, table, transaction)
  const rows = await database.sequelize.query<Record<string, unknown>>(
    `SELECT ${all.map((name) => `\`${name}\``).join(', ')} FROM \`${table}\``,
    { type: QueryTypes.SELECT, transaction },
  )
  return rows.map((row) => Object.fromEntries(all.map((name) => [name, cellOf(row[name])])))
}

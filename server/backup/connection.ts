import * as mariadb from 'mariadb'
import type { DatabaseSettings } from '../database/settings'
import { KEPT_TABLES, type Cell } from './format'

/** A connection that gives every value as the database writes it, so that it can be put back to the last digit. */
export function connectTo({ host, port, name, user, password }: DatabaseSettings) {
  return mariadb.createConnection({
    ...{ host, port, user, password, database: name },
    ...{ dateStrings: true, autoJsonMap: false, timezone: 'Z', connectTimeout: 8000 },
    ...{ bigIntAsNumber: false, decimalAsNumber: false, rowsAsArray: true },
  })
}
export type Connection = Awaited<ReturnType<typeof connectTo>>

/** Columns that are written, in their order: what the database works out by itself is left to it. */
export async function columnsOf(connection: Connection, table: string): Promise<string[]> {
  const rows = (await connection.query(
    `SELECT COLUMN_NAME FROM information_schema.COLUMNS
      WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? AND (GENERATION_EXPRESSION IS NULL OR GENERATION_EXPRESSION = '')
      ORDER BY ORDINAL_POSITION`,
    [table],
  )) as string[][]
  return rows.map(([name]) => name!)
}
const quoted = (columns: readonly string[]) => columns.map((one) => `\`${one}\``).join(', ')
/** Rows in one order on every machine: by the first column, which is each table’s key or part of it, then by all others. */
export const selectOf = (table: string, columns: readonly string[]): string =>
  `SELECT ${quoted(columns)} FROM \`${table}\` ORDER BY ${columns.map((_, i) => i + 1).join(', ')}`
export const insertOf = (table: string, columns: readonly string[]): string =>
  `INSERT INTO \`${table}\` (${quoted(columns)}) VALUES (${columns.map(() => '?').join(', ')})`

export async function newestMigration(connection: Connection): Promise<string> {
  const rows = (await connection.query('SELECT MAX(name) FROM migrations')) as (string | null)[][]
  return rows[0]?.[0] ?? ''
}
export const isKept = (table: string): boolean => KEPT_TABLES.some((one) => one === table)

export function cellOf(value: unknown): Cell {
  if (value === null || value === undefined) return null
  if (Buffer.isBuffer(value)) return { b64: value.toString('base64') }
  if (typeof value === 'bigint') return value.toString()
  if (typeof value === 'number' || typeof value === 'string') return value
  throw new Error(`a value of the kind ${typeof value} cannot be kept`)
}
export const valueOf = (cell: Cell): string | number | Buffer | null =>
  cell !== null && typeof cell === 'object' ? Buffer.from(cell.b64, 'base64') : cell

import { SHELF_TABLES } from '../../contract'

/**
 * A backup of the whole shop in one file: a line with a mark and the checksum of all that follows, then a compressed stream of
 * lines. The first names the schema and every table with its columns; then a line for each row, table by table; the last tells
 * how many rows there are of each. Bytes are base64, dates and numbers as the database writes them.
 */
export const MARK = 'mellow-anchor backup 1'
/** Mark, blank, 64 hexadecimal digits, line feed. */
export const HEAD_BYTES = MARK.length + 1 + 64 + 1
export const headOf = (sha256: string): string => `${MARK} ${sha256}\n`

/** Tables that are the shop, each after those that it names. */
export const KEPT_TABLES = [
  'people',
  'vehicles',
  'jobs',
  'entries',
  'files',
  ...SHELF_TABLES,
  'due_items',
  'search_words',
] as const
/** What is of the moment, and what says how the tables are made. */
export const LEFT_OUT = ['cues', 'pulse', 'migrations'] as const

export type Cell = string | number | null | { b64: string }
export interface BackupHead {
  schema: string
  at: string
  tables: { name: string; columns: string[] }[]
}
export interface BackupEnd {
  end: true
  rows: Record<string, number>
}

/** Why a backup is not taken, or not put back; the database is as it was. */
export class BackupRefused extends Error {
  override readonly name = 'BackupRefused'
}

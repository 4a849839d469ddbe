import type { Page } from '../../../contract'
import { Refusal } from '../refusal'

/** A condition with what fills its places. */
export interface Condition {
  sql: string
  values: unknown[]
}

/** The conditions as a WHERE, or nothing where there are none. */
export const whereOf = (conditions: readonly Condition[]): string =>
  conditions.length > 0 ? `WHERE ${conditions.map(({ sql }) => sql).join(' AND ')}` : ''

/** Each word of a search must stand in one of the columns, in whatever case and with or without accents. */
export function matching(search: string | undefined, columns: readonly string[]): Condition[] {
  const words = (search ?? '').split(/\s+/).filter(Boolean)
  return words.map((word) => ({
    sql: `(${columns.map((column) => `${column} LIKE ?`).join(' OR ')})`,
    values: columns.map(() => `%${word.replace(/[\\%_]/g, '\\$&')}%`),
  }))
}

/** Letters fewer than these, and words of this list, are not in the database's index of words. */
const LEAST_LETTERS = 3
const LEFT_OUT = new Set(
  'about are com for from how that the this was what when where who will with und www'.split(' '),
)
export const isIndexed = (word: string): boolean =>
  word.length >= LEAST_LETTERS && !LEFT_OUT.has(word.toLowerCase())

/** What comes after the row that a cursor names, in the order of these columns. */
export function pastCursor(
  cursor: string,
  columns: readonly string[],
  direction: 'ASC' | 'DESC',
): Condition {
  const values = valuesIn(cursor, columns.length)
  const sign = direction === 'ASC' ? '>' : '<'
  const places = columns.map(() => '?').join(', ')
  return { sql: `(${columns.join(', ')}) ${sign} (${places})`, values }
}

function valuesIn(cursor: string, count: number): string[] {
  try {
    const read: unknown = JSON.parse(Buffer.from(cursor, 'base64url').toString('utf8'))
    if (Array.isArray(read) && read.length === count && read.every((one) => typeof one === 'string'))
      return read as string[]
  } catch {
    // Said below.
  }
  throw new Refusal('invalid', 'Refused: /after is not where a page of this list ends', [
    { path: '/after', message: 'must be the `next` of a page with the same sort' },
  ])
}

/** A moment as the database writes it. */
export const asColumn = (at: Date): string => at.toISOString().slice(0, -1).replace('T', ' ')

/** A page of rows of which one more than asked for was read, with the cursor of the next one. */
export function pageOf<R, T>(
  rows: readonly R[],
  limit: number,
  cursorOf: (row: R) => readonly string[],
  shown: (row: R) => T,
): Page<T> {
  const page = rows.slice(0, limit)
  const next =
    rows.length > limit
      ? Buffer.from(JSON.stringify(cursorOf(page.at(-1)!)), 'utf8').toString('base64url')
      : null
  return { items: page.map(shown), next }
}

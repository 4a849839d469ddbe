import { QueryTypes, type Transaction } from 'sequelize'
import { SHELF_TABLES, type ShelfTable, type ShopFile, type ShopFileTold } from '../../contract'
import type { Database } from '../database/database'
import { recountTotal } from '../services/orders/orders'
import { canonical } from './canonical'
import { clash, wrong } from './read'
import { allRowsOf, columnsOf, type FileRow } from './tables'

/** Rows that go in at once. */
export const AT_ONCE = 200

/** Ids of the file whose place something of here takes: a part with the same number, the basket at the same supplier. */
type Stands = ReadonlyMap<string, string>
const idOf = (row: FileRow, name = 'id') => String(row[name])
const standing = (row: FileRow, name: string, stands: Stands): FileRow => {
  const own = typeof row[name] === 'string' ? stands.get(row[name]) : undefined
  return own === undefined ? row : { ...row, [name]: own }
}
const partKey = (row: FileRow) => `${row.supplier} ${row.number}`.toLowerCase()

/**
 * The shop’s own tables, as they are. Of two shops the settings of here stay, a supplier’s number is one part, and what lies in
 * two baskets at one supplier lies in one.
 */
export async function putTables(
  database: Database,
  tables: NonNullable<ShopFile['tables']>,
  kept: ShopFileTold['kept'],
  transaction: Transaction,
): Promise<Record<string, number>> {
  const counts: Record<string, number> = {}
  const put = async (table: ShelfTable, rows: readonly FileRow[]) => {
    counts[table] = await putRows(database, table, rows, transaction)
  }
  const parts = await standsFor(database, 'parts', tables.parts, partKey, transaction)
  const drafts = await standsFor(
    database,
    'orders',
    tables.orders,
    ({ state, supplier }) => (state === 'draft' ? String(supplier).toLowerCase() : null),
    transaction,
  )
  for (const table of SHELF_TABLES) {
    const rows = tables[table] ?? []
    switch (table) {
      case 'shop':
        await put(table, await settingsIfNone(database, rows, kept, transaction))
        break
      case 'parts':
      case 'orders': {
        const stands = table === 'parts' ? parts : drafts
        await put(
          table,
          rows.filter((row) => !stands.has(idOf(row))),
        )
        break
      }
      case 'order_lines':
        await put(
          table,
          rows.map((row) => standing(standing(row, 'partId', parts), 'orderId', drafts)),
        )
        break
      default:
        await put(table, rows)
    }
  }
  for (const own of new Set(drafts.values())) await recountTotal(database, own, transaction)
  if (parts.size > 0) kept.push({ what: 'parts', here: `${parts.size}`, there: `${parts.size}` })
  return counts
}

/** Rows of the file that are here under another id, by what tells them apart; null where a row stands for itself. */
async function standsFor(
  database: Database,
  table: ShelfTable,
  rows: readonly FileRow[],
  keyOf: (row: FileRow) => string | null,
  transaction: Transaction,
): Promise<Stands> {
  const stands = new Map<string, string>()
  if (rows.length === 0) return stands
  const here = await allRowsOf(database, table, transaction)
  const ids = new Set(here.map((row) => idOf(row)))
  const byKey = new Map(here.map((row) => [keyOf(row), idOf(row)]))
  for (const row of rows) {
    const key = keyOf(row)
    const own = key === null ? undefined : byKey.get(key)
    if (own !== undefined && !ids.has(idOf(row))) stands.set(idOf(row), own)
  }
  return stands
}

async function settingsIfNone(
  database: Database,
  rows: readonly FileRow[],
  kept: ShopFileTold['kept'],
  transaction: Transaction,
): Promise<readonly FileRow[]> {
  const [here] = await allRowsOf(database, 'shop', transaction)
  const [there] = rows
  if (!here || !there) return rows
  if (canonical(here) !== canonical(there))
    kept.push({ what: 'shop', here: 'This shop’s settings', there: 'others' })
  return []
}

const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/
const valueOf = (cell: string | number | null): string | number | Date | null =>
  typeof cell === 'string' && MOMENT.test(cell) ? new Date(cell) : cell

/** Rows of one of the shop's own tables, as they are. */
async function putRows(
  database: Database,
  table: ShelfTable,
  rows: readonly FileRow[],
  transaction: Transaction,
): Promise<number> {
  if (rows.length === 0) return 0
  const { all, key } = await columnsOf(database, table, transaction)
  const keyOf = (row: FileRow) => key.map((name) => String(row[name])).join(' ')
  const known = new Map(
    (await allRowsOf(database, table, transaction)).map((row) => [keyOf(row), canonical(row)]),
  )
  const fresh = rows.filter((row, i) => {
    const names = Object.keys(row)
    const strange = names.find((name) => !all.includes(name))
    if (strange) throw wrong(`/tables/${table}/${i}/${strange}`, 'is not known here')
    const missing = all.find((name) => !names.includes(name))
    if (missing) throw wrong(`/tables/${table}/${i}/${missing}`, 'is missing')
    const here = known.get(keyOf(row))
    if (here !== undefined && here !== canonical(row))
      throw clash(table, keyOf(row), 'says something else')
    return here === undefined
  })
  for (let i = 0; i < fresh.length; i += AT_ONCE) {
    const batch = fresh.slice(i, i + AT_ONCE)
    try {
      await database.sequelize.query(
        `INSERT INTO \`${table}\` (${all.map((name) => `\`${name}\``).join(', ')})
         VALUES ${batch.map(() => `(${all.map(() => '?').join(', ')})`).join(', ')}`,
        {
          replacements: batch.flatMap((row) => all.map((name) => valueOf(row[name]!))),
          type: QueryTypes.INSERT,
          transaction,
        },
      )
    } catch (error) {
      throw refusedRow(table, error)
    }
  }
  return fresh.length
}

/** What the database will not take of a row is the file's fault, and no failure. */
function refusedRow(table: ShelfTable, error: unknown): unknown {
  const { errno } = ((error as { original?: object }).original ?? {}) as { errno?: number }
  // Too long, no such value, no number, out of range, names nothing, stands there already, no JSON.
  return errno !== undefined &&
    [1062, 1264, 1265, 1292, 1366, 1406, 1452, 3819, 4025, 1048].includes(errno)
    ? wrong(`/tables/${table}`, 'holds a row that does not fit here')
    : error
}

import { QueryTypes, type Transaction } from 'sequelize'
import type {
  NeedAnswered,
  NeedsAskedBody,
  NewPartBody,
  Page,
  Part,
  PartChangeBody,
  PartsCount,
  PartsCountQueryValues,
  PartsQueryValues,
  SupplierCount,
} from '../../../contract'
import { piecesFor, ranked } from '../../../core/orders'
import type { PartData } from '../../../core/shelf'
import type { Database } from '../../database/database'
import { troubleOf } from '../../database/errors'
import { inTransaction } from '../../database/transaction'
import { isIndexed, matching, whereOf, type Condition } from '../lists/paging'
import { notFound, Refusal } from '../refusal'

export interface PartRow extends Omit<Part, 'data' | 'price' | 'changedAt'> {
  data: unknown
  price: string | number
  changedAt: Date
}
export const COLUMNS =
  'id, number, name, kind, data, supplier, price, currency, stock, leadDays, grade, supersededBy, place, changedAt'

export const shownPart = ({ data, price, changedAt, ...row }: PartRow): Part => ({
  ...row,
  price: Number(price),
  // The connector gives a JSON column as text or read already, as it is set.
  data: (typeof data === 'string' ? JSON.parse(data) : data) as PartData,
  changedAt: changedAt.toISOString(),
})

/** Each word of a search begins a word of number or name, or, where it is too short for that index, stands anywhere in them. */
function wordsIn(search: string | undefined): Condition[] {
  const indexed: string[] = []
  const others: string[] = []
  for (const word of (search ?? '').split(/\s+/).filter(Boolean)) {
    const pieces = word.split(/[^\p{L}\p{N}]+/u).filter(Boolean)
    const whole = pieces.length === 1 && pieces[0] === word
    const usable = pieces.filter(isIndexed)
    indexed.push(...usable)
    if (!whole || usable.length === 0) others.push(word)
  }
  const conditions = matching(others.join(' '), ['number', 'name'])
  if (indexed.length > 0)
    conditions.unshift({
      sql: 'MATCH (number, name) AGAINST (? IN BOOLEAN MODE)',
      values: [indexed.map((word) => `+${word}*`).join(' ')],
    })
  return conditions
}

export function conditionsOf({
  search,
  kind,
  supplier,
  grade,
  inStock,
}: PartsCountQueryValues): Condition[] {
  const conditions = wordsIn(search)
  const equal = (column: string, value: string | undefined) =>
    value !== undefined && conditions.push({ sql: `${column} = ?`, values: [value] })
  equal('kind', kind)
  equal('supplier', supplier)
  equal('grade', grade)
  if (inStock) conditions.push({ sql: 'stock > 0', values: [] })
  return conditions
}

/** The SELECT of one page of the shelf, with what fills its places. */
export function partsStatement(query: PartsQueryValues): { sql: string; replacements: unknown[] } {
  const { limit = 100, after = 0, sort = 'name', direction = 'up' } = query
  const where = conditionsOf(query)
  const way = direction === 'up' ? 'ASC' : 'DESC'
  // The sort is one of a list, each a column's own name.
  const order = `${sort} ${way}, id ${way}`
  const values = where.flatMap(({ values }) => values)
  // Far into the list the index is gone through first, and only the rows of the page are read.
  const sql =
    after > 0
      ? `SELECT ${COLUMNS} FROM parts JOIN
          (SELECT id FROM parts ${whereOf(where)} ORDER BY ${order} LIMIT ? OFFSET ?) page USING (id)
         ORDER BY ${order}`
      : `SELECT ${COLUMNS} FROM parts ${whereOf(where)} ORDER BY ${order} LIMIT ?`
  return { sql, replacements: [...values, limit + 1, ...(after > 0 ? [after] : [])] }
}

/** Parts by number, name or whatever they are sorted by; `next` is the row at which the list goes on. */
export async function listParts(
  { sequelize }: Database,
  query: PartsQueryValues = {},
): Promise<Page<Part>> {
  const { limit = 100, after = 0 } = query
  const { sql, replacements } = partsStatement(query)
  const rows = await sequelize.query<PartRow>(sql, { replacements, type: QueryTypes.SELECT })
  return {
    items: rows.slice(0, limit).map(shownPart),
    next: rows.length > limit ? String(after + limit) : null,
  }
}

export async function countParts(
  { sequelize }: Database,
  query: PartsCountQueryValues,
): Promise<PartsCount> {
  const where = conditionsOf(query)
  const [row] = await sequelize.query<{ count: number }>(
    `SELECT COUNT(*) AS count FROM parts ${whereOf(where)}`,
    { replacements: where.flatMap(({ values }) => values), type: QueryTypes.SELECT },
  )
  return { count: Number(row!.count) }
}

/** Suppliers whose parts are listed, the one with most first. */
export async function suppliersOf({ sequelize }: Database): Promise<SupplierCount[]> {
  const rows = await sequelize.query<{ supplier: string; parts: number }>(
    'SELECT supplier, COUNT(*) AS parts FROM parts GROUP BY supplier ORDER BY parts DESC, supplier LIMIT 100',
    { type: QueryTypes.SELECT },
  )
  return rows.map(({ supplier, parts }) => ({ supplier, parts: Number(parts) }))
}

async function find(
  { sequelize }: Database,
  id: string,
  transaction?: Transaction,
): Promise<Part | null> {
  const [row] = await sequelize.query<PartRow>(`SELECT ${COLUMNS} FROM parts WHERE id = ?`, {
    replacements: [id],
    type: QueryTypes.SELECT,
    ...(transaction && { transaction }),
  })
  return row ? shownPart(row) : null
}
export async function readPart(database: Database, id: string): Promise<Part> {
  const part = await find(database, id)
  if (!part) throw notFound('part')
  return part
}

/** What of a part is written, in the order of its columns from `number` on. */
export const written = (part: PartChangeBody): unknown[] => [
  part.number,
  part.name,
  part.kind,
  JSON.stringify(part.data),
  part.supplier,
  part.price.toFixed(2),
  part.currency,
  part.stock,
  part.leadDays,
  part.grade,
  part.supersededBy,
  part.place,
]
export const WRITTEN =
  'number, name, kind, data, supplier, price, currency, stock, leadDays, grade, supersededBy, place'

const taken = ({ supplier, number }: PartChangeBody) =>
  new Refusal('taken', `${supplier} has a part ${number} on the shelf already: change that one`, [
    { path: '/number', message: 'is on the shelf already' },
  ])

/** Puts a part on the shelf; the same again changes nothing. */
export async function addPart(
  database: Database,
  { id, ...part }: NewPartBody,
): Promise<{ part: Part; created: boolean }> {
  bounded(part)
  const same = async () => {
    const known = await find(database, id)
    if (!known) return null
    if (known.number === part.number && known.supplier === part.supplier)
      return { part: known, created: false }
    throw new Refusal('taken', 'This id belongs to another part')
  }
  const before = await same()
  if (before) return before
  try {
    await database.sequelize.query(
      `INSERT INTO parts (id, ${WRITTEN}, changedAt) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      { replacements: [id, ...written(part), new Date()], type: QueryTypes.INSERT },
    )
  } catch (error) {
    if (troubleOf(error) !== 'taken') throw error
    // The same one may have been sent twice at once.
    const meanwhile = await same()
    if (meanwhile) return meanwhile
    throw taken(part)
  }
  return { part: await readPart(database, id), created: true }
}

export async function changePart(database: Database, id: string, part: PartChangeBody): Promise<Part> {
  bounded(part)
  await readPart(database, id)
  const sets = WRITTEN.split(', ').map((column) => `${column} = ?`)
  try {
    await database.sequelize.query(`UPDATE parts SET ${sets.join(', ')}, changedAt = ? WHERE id = ?`, {
      replacements: [...written(part), new Date(), id],
      type: QueryTypes.UPDATE,
    })
  } catch (error) {
    throw troubleOf(error) === 'taken' ? taken(part) : error
  }
  return readPart(database, id)
}

function bounded({ data: { outer, inner } }: PartChangeBody): void {
  if (outer !== undefined && inner !== undefined && inner >= outer)
    throw new Refusal('invalid', 'Refused: /data/inner must be smaller than the outer diameter', [
      { path: '/data/inner', message: 'must be smaller than the outer diameter' },
    ])
}

/** Takes a part off the shelf; lines that ordered it keep their words. */
export async function removePart(database: Database, id: string): Promise<{ gone: true }> {
  return inTransaction(database, async (transaction) => {
    if (!(await find(database, id, transaction))) throw notFound('part')
    await database.sequelize.query('DELETE FROM parts WHERE id = ?', {
      replacements: [id],
      type: QueryTypes.DELETE,
      transaction,
    })
    return { gone: true }
  })
}

/** Parts looked through for one need: of its kind and bore, the cheapest. */
const LOOKED_THROUGH = 120
/** mm; bores are rounded by as much. */
const SAME_BORE = 0.06
const SHOWN = 6

/** For each need the parts that answer it, the best first. */
export async function partsFor(
  { sequelize }: Database,
  { needs }: NeedsAskedBody,
): Promise<NeedAnswered[]> {
  return Promise.all(
    needs.map(async (need) => {
      const conditions: Condition[] = [
        { sql: 'kind = ?', values: [need.kind] },
        { sql: 'supersededBy IS NULL', values: [] },
        ...matching(need.spec.name, ['name', 'number']),
      ]
      if (need.spec.bore !== undefined)
        conditions.push({
          sql: '(bore IS NULL OR bore BETWEEN ? AND ?)',
          values: [need.spec.bore - SAME_BORE, need.spec.bore + SAME_BORE],
        })
      const rows = await sequelize.query<PartRow>(
        `SELECT ${COLUMNS} FROM parts ${whereOf(conditions)} ORDER BY price, id LIMIT ?`,
        {
          replacements: [...conditions.flatMap(({ values }) => values), LOOKED_THROUGH],
          type: QueryTypes.SELECT,
        },
      )
      const found = ranked(need, rows.map(shownPart))
      return {
        id: need.id,
        found: found
          .slice(0, SHOWN)
          .map(({ part, unsure }) => ({ part, unsure, pieces: piecesFor(need, part) })),
      }
    }),
  )
}

/** Cylinders and pieces with ends, for sizing and chains: of these kinds what has a bore or ends. */
const MOST_CANDIDATES = 200
export async function candidates(
  { sequelize }: Database,
  kind: 'cylinders' | 'pieces',
): Promise<Part[]> {
  const kinds =
    kind === 'cylinders' ? ['masterCylinder', 'slaveCylinder', 'concentricSlave'] : ['adapter']
  const has =
    kind === 'cylinders'
      ? "(bore IS NOT NULL OR JSON_EXISTS(data, '$.outer'))"
      : "JSON_EXISTS(data, '$.ends')"
  const rows = await sequelize.query<PartRow>(
    `SELECT ${COLUMNS} FROM parts WHERE kind IN (?) AND supersededBy IS NULL AND ${has}
      ORDER BY grade = 'low', COALESCE(stock, 0) = 0, price, id LIMIT ?`,
    { replacements: [kinds, MOST_CANDIDATES], type: QueryTypes.SELECT },
  )
  return rows.map(shownPart)
}

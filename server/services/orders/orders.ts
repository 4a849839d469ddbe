import { QueryTypes, type Transaction } from 'sequelize'
import type {
  AwaitedDelivery,
  BasketLinesBody,
  LineChangeBody,
  Order,
  OrdersQueryValues,
} from '../../../contract'
import { openOf } from '../../../core/orders'
import type { Database } from '../../database/database'
import { inTransaction } from '../../database/transaction'
import { readOrders } from './read-orders'
import { notFound, Refusal } from '../refusal'
import { jobsKept } from '../lists/jobs-kept'

/** Orders that are done and still shown. */
const DONE_SHOWN = 40
const OPEN = "('draft', 'placed', 'confirmed', 'partly')"

/** The basket and what is still to come, or those of one job; asked for, also what is done. */
export async function listOrders(
  database: Database,
  { job, show = 'open' }: OrdersQueryValues = {},
): Promise<Order[]> {
  const ofJob = job
    ? 'AND EXISTS (SELECT 1 FROM order_lines l WHERE l.orderId = o.id AND l.jobId = ?)'
    : ''
  const rows = await database.sequelize.query<{ id: string }>(
    `(SELECT o.id FROM orders o WHERE o.state IN ${OPEN} ${ofJob} ORDER BY o.state, o.createdAt, o.id LIMIT 200)
     ${show === 'all' ? `UNION ALL (SELECT o.id FROM orders o WHERE o.state NOT IN ${OPEN} ${ofJob} ORDER BY o.createdAt DESC, o.id LIMIT ${DONE_SHOWN})` : ''}`,
    {
      replacements: job ? (show === 'all' ? [job, job] : [job]) : [],
      type: QueryTypes.SELECT,
    },
  )
  return readOrders(
    database,
    rows.map(({ id }) => id),
  )
}

export async function readOrder(database: Database, id: string): Promise<Order> {
  const [order] = await readOrders(database, [id])
  if (!order) throw notFound('order')
  return order
}

const run = (
  { sequelize }: Database,
  sql: string,
  replacements: unknown[],
  transaction: Transaction,
  type: QueryTypes.INSERT | QueryTypes.UPDATE = QueryTypes.UPDATE,
) =>
  type === QueryTypes.INSERT
    ? sequelize.query(sql, { replacements, type: QueryTypes.INSERT, transaction })
    : sequelize.query(sql, { replacements, type: QueryTypes.UPDATE, transaction })

/** The draft of a supplier, made where there is none; its row is locked. */
async function draftOf(
  database: Database,
  supplier: string,
  id: string,
  transaction: Transaction,
): Promise<string> {
  await run(
    database,
    `INSERT INTO orders (id, supplier, state, total, createdAt) VALUES (?, ?, 'draft', 0, ?)
      ON DUPLICATE KEY UPDATE supplier = supplier`,
    [id, supplier, new Date()],
    transaction,
    QueryTypes.INSERT,
  )
  const [row] = await database.sequelize.query<{ id: string }>(
    "SELECT id FROM orders WHERE supplier = ? AND state = 'draft' FOR UPDATE",
    { replacements: [supplier], type: QueryTypes.SELECT, transaction },
  )
  return row!.id
}

/** The most that an order may come to, in whatever it is paid in: what its column holds. */
const MOST_TOTAL = 9_999_999_999.99

/**
 * What the lines of an order come to.
 * @throws Refusal 422 where that is more than an order may come to
 */
export async function recountTotal(
  database: Database,
  orderId: string,
  transaction: Transaction,
): Promise<void> {
  const [sum] = await database.sequelize.query<{ total: string | number }>(
    'SELECT COALESCE(SUM(quantity * COALESCE(confirmedPrice, price)), 0) AS total FROM order_lines WHERE orderId = ?',
    { replacements: [orderId], type: QueryTypes.SELECT, transaction },
  )
  if (Number(sum!.total) > MOST_TOTAL)
    throw new Refusal(
      'too-much',
      `The order would come to more than ${MOST_TOTAL.toFixed(2)}: order fewer pieces, or check the price`,
      [{ path: '/quantity', message: `must keep the order under ${MOST_TOTAL.toFixed(2)}` }],
    )
  await run(
    database,
    'UPDATE orders SET total = ? WHERE id = ?',
    [Number(sum!.total).toFixed(2), orderId],
    transaction,
  )
}

/** Of these lines, those that are known already, each with the order it stands in. */
async function linesKnown(
  { sequelize }: Database,
  ids: readonly string[],
  transaction: Transaction,
): Promise<ReadonlyMap<string, string>> {
  const rows = await sequelize.query<{ id: string; orderId: string }>(
    'SELECT id, orderId FROM order_lines WHERE id IN (?)',
    { replacements: [[...ids]], type: QueryTypes.SELECT, transaction },
  )
  return new Map(rows.map(({ id, orderId }) => [id, orderId]))
}

/**
 * Puts lines into the basket, each into the draft of its supplier; a line that is there already, by its id, changes nothing.
 * @param newId ids for drafts that have to be made
 */
export async function addToBasket(
  database: Database,
  { lines }: BasketLinesBody,
  newId: () => string,
): Promise<Order[]> {
  const touched = await inTransaction(database, async (transaction) => {
    const jobs = await jobsKept(
      database,
      lines.flatMap(({ jobId }) => jobId ?? []),
      transaction,
    )
    lines.forEach(({ jobId }, i) => {
      if (jobId !== undefined && !jobs.has(jobId))
        throw new Refusal('no-job', 'A line names a job that is not here', [
          { path: `/lines/${i}/jobId`, message: 'names no job here' },
        ])
    })
    const known = await linesKnown(
      database,
      lines.map(({ id }) => id),
      transaction,
    )
    // Sent again, they may have been ordered since: no new draft is begun for them.
    const fresh = lines.filter(({ id }) => !known.has(id))
    const orders = new Set(known.values())
    // In one order of suppliers, so that two baskets do not wait for each other.
    for (const supplier of [...new Set(fresh.map((one) => one.supplier.trim()))].sort()) {
      const orderId = await draftOf(database, supplier, newId(), transaction)
      orders.add(orderId)
      for (const line of fresh.filter((one) => one.supplier.trim() === supplier)) {
        const listed = await numberOf(database, line.partId, transaction)
        await run(
          database,
          `INSERT IGNORE INTO order_lines (id, orderId, partId, number, words, jobId, quantity, price, currency, need)
           VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
          [
            line.id,
            orderId,
            listed === null ? null : (line.partId ?? null),
            listed ?? line.number ?? null,
            line.words,
            line.jobId ?? null,
            line.quantity,
            line.price.toFixed(2),
            line.currency ?? null,
            line.need ?? null,
          ],
          transaction,
          QueryTypes.INSERT,
        )
      }
      await recountTotal(database, orderId, transaction)
    }
    return [...orders]
  })
  return readOrders(database, touched)
}

async function numberOf(
  { sequelize }: Database,
  partId: string | undefined,
  transaction: Transaction,
): Promise<string | null> {
  if (partId === undefined) return null
  const [row] = await sequelize.query<{ number: string }>('SELECT number FROM parts WHERE id = ?', {
    replacements: [partId],
    type: QueryTypes.SELECT,
    transaction,
  })
  return row?.number ?? null
}

/** Another number of pieces of a line that is still in the basket; none takes it out, and an empty draft with it. */
export async function changeLine(
  database: Database,
  lineId: string,
  { quantity }: LineChangeBody,
): Promise<Order[]> {
  const { sequelize } = database
  const orderId = await inTransaction(database, async (transaction) => {
    const [row] = await sequelize.query<{ orderId: string; state: string }>(
      `SELECT l.orderId, o.state FROM order_lines l JOIN orders o ON o.id = l.orderId WHERE l.id = ? FOR UPDATE`,
      { replacements: [lineId], type: QueryTypes.SELECT, transaction },
    )
    if (!row) throw notFound('line')
    if (row.state !== 'draft')
      throw new Refusal('placed', 'It is ordered already: cancel what is not wanted')
    if (quantity > 0)
      await run(
        database,
        'UPDATE order_lines SET quantity = ? WHERE id = ?',
        [quantity, lineId],
        transaction,
      )
    else {
      await run(database, 'DELETE FROM order_lines WHERE id = ?', [lineId], transaction)
      await run(
        database,
        'DELETE FROM orders WHERE id = ? AND NOT EXISTS (SELECT 1 FROM order_lines WHERE orderId = ?)',
        [row.orderId, row.orderId],
        transaction,
      )
    }
    await recountTotal(database, row.orderId, transaction)
    return row.orderId
  })
  return readOrders(database, [orderId])
}

/** What is still to come, by when it is promised: the next first, what has no date last. */
export async function awaited(database: Database): Promise<AwaitedDelivery[]> {
  const orders = (await listOrders(database)).filter(({ state }) => state !== 'draft')
  const byTime = new Map<string, AwaitedDelivery>()
  for (const { supplier, arrives, lines } of orders) {
    const key = arrives ?? ''
    const open = lines.filter((line) => openOf(line.quantity, line.counts) > 0)
    if (open.length === 0) continue
    const one = byTime.get(key) ?? { arrives, suppliers: [], pieces: 0, jobs: [] }
    byTime.set(key, one)
    if (!one.suppliers.includes(supplier)) one.suppliers.push(supplier)
    for (const line of open) {
      one.pieces += openOf(line.quantity, line.counts)
      if (line.jobId === null) continue
      const job = one.jobs.find(({ id }) => id === line.jobId)
      if (job) job.words.push(line.words)
      else
        one.jobs.push({
          id: line.jobId,
          vehicleName: line.vehicleName ?? '',
          title: line.jobTitle ?? '',
          words: [line.words],
        })
    }
  }
  return [...byTime.values()].sort((a, b) =>
    (a.arrives ?? '9') < (b.arrives ?? '9') ? -1 : (a.arrives ?? '9') > (b.arrives ?? '9') ? 1 : 0,
  )
}

/** Days until the last of an order's parts can be handed over, by the shelf; 0 where nothing is known. */
export async function leadDaysOf({ sequelize }: Database, id: string): Promise<number> {
  const [row] = await sequelize.query<{ days: number | null }>(
    'SELECT MAX(p.leadDays) AS days FROM order_lines l JOIN parts p ON p.id = l.partId WHERE l.orderId = ?',
    { replacements: [id], type: QueryTypes.SELECT },
  )
  return Number(row?.days ?? 0)
}

import { QueryTypes, type Transaction } from 'sequelize'
import type { Order, OrderEventsBody, OrderUndoBody, PlaceOrderBody } from '../../../contract'
import type { Entry, Subject } from '../../../core/journal'
import { mostOf, nextDelivery, type DeliveryDay, type OrderHappened } from '../../../core/orders'
import type { Database } from '../../database/database'
import { inTransaction } from '../../database/transaction'
import { committed } from '../../live/news'
import { appendFirst } from '../journal/append'
import { knownPerson } from '../shop/people'
import { readOrders } from './read-orders'
import { readOrder } from './orders'
import { notFound, Refusal } from '../refusal'
import { settleOrder } from './settle-orders'

/** What happens to orders that were placed. A line for a job says so in that job’s history, in the same transaction. */

interface LockedLine {
  id: string
  orderId: string
  jobId: string | null
  words: string
  quantity: number
}

async function lockOrder(
  { sequelize }: Database,
  id: string,
  transaction: Transaction,
): Promise<{ state: Order['state']; supplier: string; arrives: Date | null }> {
  const [row] = await sequelize.query<{
    state: Order['state']
    supplier: string
    arrives: Date | null
  }>('SELECT state, supplier, arrives FROM orders WHERE id = ? FOR UPDATE', {
    replacements: [id],
    type: QueryTypes.SELECT,
    transaction,
  })
  if (!row) throw notFound('order')
  return row
}
const linesOf = (
  { sequelize }: Database,
  id: string,
  transaction: Transaction,
): Promise<LockedLine[]> =>
  sequelize.query<LockedLine>(
    'SELECT id, orderId, jobId, words, quantity FROM order_lines WHERE orderId = ? ORDER BY id',
    { replacements: [id], type: QueryTypes.SELECT, transaction },
  )

/** One thing that happened: kept with the line, and told in the history of its job. */
async function keepEvent(
  database: Database,
  line: LockedLine,
  event: { id: string; happened: OrderHappened; quantity: number; by: string; at: string },
  arrives: Date | null,
  transaction: Transaction,
): Promise<void> {
  const { id, happened, quantity, by, at } = event
  await database.sequelize.query(
    'INSERT INTO order_events (id, lineId, happened, quantity, at, byId) VALUES (?, ?, ?, ?, ?, ?)',
    {
      replacements: [id, line.id, happened, quantity, new Date(at), by],
      type: QueryTypes.INSERT,
      transaction,
    },
  )
  if (line.jobId === null) return
  const subject: Subject = { type: 'job', id: line.jobId }
  const entry: Entry = {
    id,
    subject,
    kind: 'order',
    at,
    by,
    payload: {
      line: line.id,
      happened,
      quantity,
      words: line.words,
      ...(happened === 'placed' && arrives && { arrives: arrives.toISOString() }),
    },
  }
  await appendFirst(database, subject, [entry], transaction)
}

const tellJobs = (lines: readonly LockedLine[]): void => {
  if (lines.some(({ jobId }) => jobId !== null)) committed('entries')
}

/**
 * Places what is in a supplier's draft: from now on it is sent, or rung up, and the jobs that wait for it say so. Placed
 * already, nothing changes.
 */
export async function placeOrder(
  database: Database,
  id: string,
  { by, at }: PlaceOrderBody,
  means: {
    newId: () => string
    wired: string | null
    days: readonly DeliveryDay[]
    leadDays: number
    now: Date
  },
): Promise<Order> {
  const lines = await inTransaction(database, async (transaction) => {
    const { state, supplier } = await lockOrder(database, id, transaction)
    if (state !== 'draft') return []
    await knownPerson(database, by, transaction)
    const own = await linesOf(database, id, transaction)
    const arrives = arrivalOf(means.days, means.now, means.leadDays)
    await database.sequelize.query(
      `UPDATE orders SET state = 'placed', placedAt = ?, arrives = ?, wired = ?, nextTryAt = ? WHERE id = ?`,
      {
        replacements: [
          new Date(at),
          arrives,
          supplier === means.wired ? 1 : 0,
          supplier === means.wired ? means.now : null,
          id,
        ],
        type: QueryTypes.UPDATE,
        transaction,
      },
    )
    for (const line of own)
      await keepEvent(
        database,
        line,
        { id: means.newId(), happened: 'placed', quantity: line.quantity, by, at },
        arrives,
        transaction,
      )
    return own
  })
  tellJobs(lines)
  return readOrder(database, id)
}

/** The moment of the delivery that brings it, by the shop's days and this server's clock; null where none are set. */
export function arrivalOf(days: readonly DeliveryDay[], now: Date, leadDays: number): Date | null {
  const moment = { weekday: now.getDay(), minute: now.getHours() * 60 + now.getMinutes() }
  const next = nextDelivery(days, moment, leadDays)
  if (!next) return null
  const [hours, minutes] = next.arrives.split(':').map(Number) as [number, number]
  return new Date(now.getFullYear(), now.getMonth(), now.getDate() + next.inDays, hours, minutes)
}

/** What came, did not come, came wrong, went back or was cancelled; an event that is there already changes nothing. */
export async function orderHappened(
  database: Database,
  id: string,
  { by, at, happened }: OrderEventsBody,
): Promise<Order> {
  const touched = await inTransaction(database, async (transaction) => {
    const { state, arrives } = await lockOrder(database, id, transaction)
    if (state === 'draft')
      throw new Refusal('draft', 'It is not ordered yet: place it first, or take it out')
    await knownPerson(database, by, transaction)
    const lines = new Map((await linesOf(database, id, transaction)).map((line) => [line.id, line]))
    const [order] = await readOrders(database, [id], transaction)
    const counts = new Map(order!.lines.map((line) => [line.id, { ...line.counts }]))
    const known = await eventsKept(
      database,
      happened.map((one) => one.id),
      transaction,
    )
    const did: LockedLine[] = []
    for (const [i, event] of happened.entries()) {
      const line = lines.get(event.line)
      if (!line) throw lineRefused(i, 'line', 'is no line of this order')
      if (known.has(event.id)) continue
      const has = counts.get(line.id)!
      const most = mostOf(event.happened, line.quantity, has)
      if (event.quantity > most)
        throw lineRefused(
          i,
          'quantity',
          most > 0 ? `must be at most ${most}` : 'has nothing left to happen to',
        )
      has[event.happened] += event.quantity
      await keepEvent(database, line, { ...event, by, at }, arrives, transaction)
      did.push(line)
    }
    await settleOrder(database, id, transaction)
    return did
  })
  tellJobs(touched)
  return readOrder(database, id)
}
const lineRefused = (i: number, field: string, message: string) =>
  new Refusal('invalid', `Refused: /happened/${i}/${field} ${message}`, [
    { path: `/happened/${i}/${field}`, message },
  ])

async function eventsKept(
  { sequelize }: Database,
  ids: readonly string[],
  transaction: Transaction,
): Promise<ReadonlySet<string>> {
  const rows = await sequelize.query<{ id: string }>('SELECT id FROM order_events WHERE id IN (?)', {
    replacements: [[...ids]],
    type: QueryTypes.SELECT,
    transaction,
  })
  return new Set(rows.map(({ id }) => id))
}

/** Takes back what was told of a line; a job’s history has it as a withdrawal. */
export async function undoOrderEvent(
  database: Database,
  orderId: string,
  { by, at, id, event }: OrderUndoBody,
): Promise<Order> {
  const { sequelize } = database
  const job = await inTransaction(database, async (transaction) => {
    await lockOrder(database, orderId, transaction)
    await knownPerson(database, by, transaction)
    const [row] = await sequelize.query<{
      jobId: string | null
      happened: OrderHappened
      takenBack: number
    }>(
      `SELECT l.jobId, e.happened, e.takenBack FROM order_events e JOIN order_lines l ON l.id = e.lineId
        WHERE e.id = ? AND l.orderId = ?`,
      { replacements: [event, orderId], type: QueryTypes.SELECT, transaction },
    )
    if (!row) throw notFound('event')
    if (row.takenBack === 1) return null
    if (row.happened === 'placed')
      throw new Refusal('placed', 'An order that went out is cancelled, not taken back')
    if (row.jobId !== null) {
      const subject: Subject = { type: 'job', id: row.jobId }
      await appendFirst(
        database,
        subject,
        [{ id, subject, kind: 'withdrawal', at, by, payload: {}, withdraws: event } as Entry],
        transaction,
      )
    } else
      await sequelize.query('UPDATE order_events SET takenBack = 1 WHERE id = ?', {
        replacements: [event],
        type: QueryTypes.UPDATE,
        transaction,
      })
    await settleOrder(database, orderId, transaction)
    return row.jobId
  })
  if (job !== null) committed('entries')
  return readOrder(database, orderId)
}

import { QueryTypes, type Transaction } from 'sequelize'
import { timeline, type Entry, type Kind, type Subject } from '../../../core/journal'
import { stateOfLines } from '../../../core/orders'
import type { Database } from '../../database/database'
import type { EntryRow } from '../../database/models'
import { shownEntry } from '../journal/entries'
import { readOrders } from './read-orders'

/** The state of an order after something happened to its lines. */
export async function settleOrder(
  database: Database,
  id: string,
  transaction: Transaction,
): Promise<void> {
  const [order] = await readOrders(database, [id], transaction)
  const lines = order!.lines.map(({ quantity, counts }) => ({ quantity, counts }))
  const promised = order!.lines.every(
    ({ confirmed, quantity }) => confirmed !== null && confirmed >= quantity,
  )
  const short = order!.answeredAt !== null && !promised
  const state = stateOfLines(lines, promised)
  await database.sequelize.query('UPDATE orders SET state = ? WHERE id = ?', {
    replacements: [state === 'placed' && short ? 'partly' : state, id],
    type: QueryTypes.UPDATE,
    transaction,
  })
  for (const { id: line, counts } of order!.lines)
    await database.sequelize.query('UPDATE order_lines SET received = ?, returned = ? WHERE id = ?', {
      replacements: [counts.delivered, counts.returned, line],
      type: QueryTypes.UPDATE,
      transaction,
    })
}

/** Entries after which it must be looked at anew which events of a job's lines stand. */
const COUNTS: ReadonlySet<Kind> = new Set(['withdrawal'])

/** Taking back, in a job's history, what was told of its lines takes it back with the order as well. */
export async function recountOrders(
  database: Database,
  { id: jobId }: Subject,
  fresh: readonly Entry[],
  transaction: Transaction,
): Promise<void> {
  if (!fresh.some(({ kind }) => COUNTS.has(kind))) return
  const { sequelize } = database
  const rows = await sequelize.query<EntryRow>(
    "SELECT * FROM entries WHERE jobId = ? AND kind IN ('order', 'withdrawal') ORDER BY sequence",
    { replacements: [jobId], type: QueryTypes.SELECT, transaction },
  )
  const all = rows.map(shownEntry)
  const told = all.filter(({ kind }) => kind === 'order').map(({ id }) => id)
  if (told.length === 0) return
  const stands = new Set(timeline(all).standing.map(({ origin }) => origin.id))
  const kept = await sequelize.query<{ id: string; takenBack: number; orderId: string }>(
    `SELECT e.id, e.takenBack, l.orderId FROM order_events e JOIN order_lines l ON l.id = e.lineId
      WHERE e.id IN (?) AND e.happened <> 'placed' FOR UPDATE`,
    { replacements: [told], type: QueryTypes.SELECT, transaction },
  )
  const changed = kept.filter(({ id, takenBack }) => stands.has(id) === (takenBack === 1))
  for (const { id } of changed)
    await sequelize.query('UPDATE order_events SET takenBack = ? WHERE id = ?', {
      replacements: [stands.has(id) ? 0 : 1, id],
      type: QueryTypes.UPDATE,
      transaction,
    })
  for (const orderId of new Set(changed.map((one) => one.orderId)))
    await settleOrder(database, orderId, transaction)
}

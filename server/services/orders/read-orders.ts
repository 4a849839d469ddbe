import { QueryTypes, type Transaction } from 'sequelize'
import type { Order, OrderEvent, OrderLine } from '../../../contract'
import { countsOf } from '../../../core/orders'
import type { Database } from '../../database/database'

interface OrderRow {
  id: string
  supplier: string
  state: Order['state']
  placedAt: Date | null
  arrives: Date | null
  total: string | number
  wired: number
  answeredAt: Date | null
  trouble: string | null
  tries: number
}
interface LineRow {
  id: string
  orderId: string
  partId: string | null
  number: string | null
  words: string
  jobId: string | null
  jobTitle: string | null
  vehicleName: string | null
  quantity: number
  price: string | number
  currency: string | null
  confirmed: number | null
  confirmedPrice: string | number | null
  received: number
  returned: number
  need: string | null
}
interface EventRow {
  id: string
  lineId: string
  happened: OrderEvent['happened']
  quantity: number
  at: Date
  byId: string
}

const instant = (at: Date | null): string | null => (at === null ? null : at.toISOString())

/** Orders with their lines and what happened to them, in the order of the ids. */
export async function readOrders(
  { sequelize }: Database,
  ids: readonly string[],
  transaction?: Transaction,
): Promise<Order[]> {
  if (ids.length === 0) return []
  const select = <R extends object>(sql: string, values: readonly string[]): Promise<R[]> =>
    values.length === 0
      ? Promise.resolve([])
      : sequelize.query<R>(sql, {
          replacements: [values],
          type: QueryTypes.SELECT,
          ...(transaction && { transaction }),
        })
  const orders = await select<OrderRow>('SELECT * FROM orders WHERE id IN (?)', ids)
  const lines = await select<LineRow>(
    `SELECT l.*, j.title AS jobTitle, v.name AS vehicleName
       FROM order_lines l LEFT JOIN jobs j ON j.id = l.jobId LEFT JOIN vehicles v ON v.id = j.vehicleId
      WHERE l.orderId IN (?) ORDER BY l.id`,
    ids,
  )
  const events = await select<EventRow>(
    'SELECT * FROM order_events WHERE lineId IN (?) AND takenBack = 0 ORDER BY id',
    lines.map(({ id }) => id),
  )
  const byLine = new Map<string, OrderEvent[]>()
  for (const { id, lineId, happened, quantity, at, byId } of events) {
    const list = byLine.get(lineId) ?? []
    byLine.set(lineId, list)
    list.push({ id, happened, quantity, at: at.toISOString(), by: byId })
  }
  const shownLine = (row: LineRow): OrderLine => {
    const happened = byLine.get(row.id) ?? []
    const { orderId: _, currency: _currency, ...line } = row
    return {
      ...line,
      price: Number(row.price),
      confirmedPrice: row.confirmedPrice === null ? null : Number(row.confirmedPrice),
      counts: countsOf(happened),
      events: happened,
    }
  }
  const byId = new Map(orders.map((row) => [row.id, row]))
  return ids.flatMap((id): Order[] => {
    const row = byId.get(id)
    if (!row) return []
    const own = lines.filter(({ orderId }) => orderId === id)
    const currencies = new Set(own.map(({ currency }) => currency))
    return [
      {
        id,
        supplier: row.supplier,
        state: row.state,
        placedAt: instant(row.placedAt),
        arrives: instant(row.arrives),
        total: Number(row.total),
        currency: currencies.size > 1 ? 'mixed' : ([...currencies][0] ?? null),
        wired: row.wired === 1,
        answeredAt: instant(row.answeredAt),
        trouble: row.trouble,
        tries: row.tries,
        lines: own.map(shownLine),
      },
    ]
  })
}

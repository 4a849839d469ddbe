import ical from 'ical-generator'
import { openOf } from '../../../core/orders'
import type { Database } from '../../database/database'
import { listOrders } from './orders'

/** ms that a delivery takes to be looked through. */
const LOOKED_THROUGH = 30 * 60_000

/** One event for each order that is promised and not all here; an order keeps its event when it is asked for again. */
export async function deliveryCalendar(database: Database): Promise<string> {
  const calendar = ical({
    name: 'Deliveries',
    prodId: { company: 'Mellow Anchor', product: 'deliveries' },
  })
  for (const { id, supplier, arrives, lines } of await listOrders(database)) {
    const open = lines.filter((line) => openOf(line.quantity, line.counts) > 0)
    if (arrives === null || open.length === 0) continue
    const start = new Date(arrives)
    calendar.createEvent({
      id: `${id}@mellow-anchor`,
      start,
      end: new Date(start.getTime() + LOOKED_THROUGH),
      summary: `${supplier}: ${open.length} ${open.length === 1 ? 'line' : 'lines'}`,
      description: open
        .map(
          (line) =>
            `${openOf(line.quantity, line.counts)} x ${line.words}${line.vehicleName ? ` for ${line.vehicleName}` : ''}`,
        )
        .join('\n'),
    })
  }
  return calendar.toString()
}

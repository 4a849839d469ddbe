import ical from 'ical-generator'
import { formatOf } from '../../../core/quantity'
import type { Database } from '../../database/database'
import { listDue } from './due'

/** Days that are told; a calendar shows no more. */
const MOST = 200
const DAY = 24 * 3600 * 1000

/** One event of a day for each thing that is owed on a day; it keeps its event when it is asked for again. */
export async function dueCalendar(database: Database): Promise<string> {
  const calendar = ical({
    name: 'Due',
    prodId: { company: 'Mellow Anchor', product: 'due' },
  })
  const format = formatOf('metric')
  const { items } = await listDue(database, { limit: MOST })
  for (const item of items) {
    if (item.due === null) continue
    const start = new Date(`${item.due}T00:00:00Z`)
    calendar.createEvent({
      id: `${item.jobId}-${item.id}@mellow-anchor`,
      start,
      end: new Date(start.getTime() + DAY),
      allDay: true,
      summary: `${item.vehicleName}: ${item.words}`,
      description: [
        item.title,
        ...(item.plate ? [`Plate ${item.plate}`] : []),
        ...(item.atKm === null ? [] : [`or at ${format.figure(item.atKm, 'km')}`]),
      ].join('\n'),
    })
  }
  return calendar.toString()
}

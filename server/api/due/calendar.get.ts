import { setResponseHeader } from 'h3'
import { route } from '../../http/route'
import { dueCalendar } from '../../services/lists/due-calendar'

/** What is due to the shop's vehicles, as a feed that any calendar can follow. */
export default route(async ({ database, event }) => {
  const calendar = await dueCalendar(database)
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setResponseHeader(event, 'content-disposition', 'inline; filename="due.ics"')
  return calendar
})

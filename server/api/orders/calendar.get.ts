import { setResponseHeader } from 'h3'
import { route } from '../../http/route'
import { deliveryCalendar } from '../../services/orders/delivery-calendar'

/** Deliveries that are awaited, for any calendar. */
export default route(async ({ database, event }) => {
  const calendar = await deliveryCalendar(database)
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="deliveries.ics"')
  return calendar
})

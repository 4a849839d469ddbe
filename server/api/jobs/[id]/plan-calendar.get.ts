import { setResponseHeader } from 'h3'
import { IdPath, PlanCalendarQuery } from '../../../../contract'
import { route } from '../../../http/route'
import { planCalendar } from '../../../services/papers/plan-calendar'
import { planAsked } from '../../../services/papers/plan-of-job'
import { checker } from '../../../services/validate'
import { ask } from '../../../threads/pool'

const checkPath = checker(IdPath)
const checkQuery = checker(PlanCalendarQuery, 'query')

/** What is still to be done, for any calendar. */
export default route(async ({ database, params, query, event }) => {
  const { start } = checkQuery(query)
  const planned = await ask('plan', await planAsked(database, checkPath(params).id))
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="plan.ics"')
  return planCalendar(planned, new Date(start))
})

import { setResponseHeader } from 'h3'
import { IdPath, PlanSheetQuery } from '../../../../contract'
import { route } from '../../../http/route'
import { measurementsOf } from '../../../services/lists/measurements'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const checkQuery = checker(PlanSheetQuery, 'query')

/** What was measured on a vehicle, in all its jobs, as a table. */
export default route(async ({ database, params, query, event }) => {
  const { units } = checkQuery(query)
  const text = await measurementsOf(database, checkPath(params).id, units ?? 'metric')
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8; header=present')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="measurements.csv"')
  return text
})

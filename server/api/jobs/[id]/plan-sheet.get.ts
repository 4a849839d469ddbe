import { setResponseHeader } from 'h3'
import { IdPath, PlanSheetQuery } from '../../../../contract'
import { route } from '../../../http/route'
import { pdfOf } from '../../../services/pdf'
import { plannedJob } from '../../../services/plan-of-job'
import { planSheet } from '../../../services/plan-sheet'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const checkQuery = checker(PlanSheetQuery, 'query')

/** The job sheet on paper: every step, tool and caution, in order. */
export default route(async ({ database, params, query, event }) => {
  const { units } = checkQuery(query)
  const planned = await plannedJob(database, checkPath(params).id)
  const bytes = await pdfOf(planSheet(planned, units ?? 'metric', new Date()))
  setResponseHeader(event, 'content-type', 'application/pdf')
  setResponseHeader(event, 'content-disposition', 'inline; filename="job-sheet.pdf"')
  return bytes
})

import { setResponseHeader } from 'h3'
import { IdPath, PlanSheetQuery } from '../../../../contract'
import { route } from '../../../http/route'
import { fontBytes } from '../../../printing/fonts'
import { planAsked } from '../../../services/papers/plan-of-job'
import { checker } from '../../../services/validate'
import { ask } from '../../../threads/pool'

const checkPath = checker(IdPath)
const checkQuery = checker(PlanSheetQuery, 'query')

/** The job sheet on paper: every step, tool and caution, in order. */
export default route(async ({ database, params, query, event }) => {
  const { units } = checkQuery(query)
  const asked = await planAsked(database, checkPath(params).id)
  const [now, fonts] = [new Date(), await fontBytes()]
  const bytes = await ask('planSheet', { asked, units: units ?? 'metric', now, fonts })
  setResponseHeader(event, 'content-type', 'application/pdf')
  setResponseHeader(event, 'content-disposition', 'inline; filename="job-sheet.pdf"')
  return Buffer.from(bytes)
})

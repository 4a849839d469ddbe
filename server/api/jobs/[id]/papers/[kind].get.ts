import { setResponseHeader } from 'h3'
import { PaperPath, PlanSheetQuery } from '../../../../../contract'
import { route } from '../../../../http/route'
import { fontBytes } from '../../../../printing/fonts'
import { paperAsked } from '../../../../services/papers/papers'
import { checker } from '../../../../services/validate'
import { ask } from '../../../../threads/pool'

const checkPath = checker(PaperPath)
const checkQuery = checker(PlanSheetQuery, 'query')

/** A paper of a job as a PDF: its card, its verdict, or what the customer takes home. */
export default route(async ({ database, params, query, event }) => {
  const { id, kind } = checkPath(params)
  const { units } = checkQuery(query)
  const asked = await paperAsked(database, id, kind, units ?? 'metric', new Date())
  const bytes = await ask('paper', { asked, fonts: await fontBytes() })
  setResponseHeader(event, 'content-type', 'application/pdf')
  setResponseHeader(event, 'content-disposition', `inline; filename="${kind}.pdf"`)
  return Buffer.from(bytes)
})

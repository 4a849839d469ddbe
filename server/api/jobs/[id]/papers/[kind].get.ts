import { setResponseHeader } from 'h3'
import { PaperPath, PlanSheetQuery } from '../../../../../contract'
import { route } from '../../../../http/route'
import { paperPdf } from '../../../../services/papers'
import { pdfOf } from '../../../../services/pdf'
import { checker } from '../../../../services/validate'

const checkPath = checker(PaperPath)
const checkQuery = checker(PlanSheetQuery, 'query')

/** A paper of a job as a PDF: its card, its verdict, or what the customer takes home. */
export default route(async ({ database, params, query, event }) => {
  const { id, kind } = checkPath(params)
  const { units } = checkQuery(query)
  const bytes = await pdfOf(await paperPdf(database, id, kind, units ?? 'metric', new Date()))
  setResponseHeader(event, 'content-type', 'application/pdf')
  setResponseHeader(event, 'content-disposition', `inline; filename="${kind}.pdf"`)
  return bytes
})

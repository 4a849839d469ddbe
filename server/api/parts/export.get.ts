import { setResponseHeader } from 'h3'
import { PartsCountQuery } from '../../../contract'
import { laidAside } from '../../http/laid-aside'
import { route } from '../../http/route'
import { exportParts } from '../../services/shelf/export-parts'
import { checker } from '../../services/validate'

const check = checker(PartsCountQuery, 'query')

export default route(async ({ database, event, query }) => {
  const asked = check(query)
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8; header=present')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="parts.csv"')
  return laidAside(event, exportParts(database, asked))
})

import { setResponseHeader } from 'h3'
import { FileQuery, IdPath } from '../../../contract'
import { route } from '../../http/route'
import { readFile } from '../../services/journal/files'
import { checker } from '../../services/validate'

const checkPath = checker(IdPath)
const checkQuery = checker(FileQuery, 'query')

export default route(async ({ database, event, params, query }) => {
  const { size = 'full' } = checkQuery(query)
  const { type, content } = await readFile(database, checkPath(params).id, size)
  setResponseHeader(event, 'content-type', type)
  // The id is made from the content: it never changes.
  setResponseHeader(event, 'cache-control', 'private, max-age=31536000, immutable')
  return content
})

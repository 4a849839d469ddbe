import { IdPath, OpenQuery } from '../../../../contract'
import { route } from '../../../http/route'
import { readJob } from '../../../services/lists/jobs'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const checkQuery = checker(OpenQuery, 'query')

export default route(({ database, params, query }) =>
  readJob(database, checkPath(params).id, checkQuery(query).entries),
)

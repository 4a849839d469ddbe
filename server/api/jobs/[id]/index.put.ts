import { IdPath, JobTitle } from '../../../../contract'
import { route } from '../../../http/route'
import { renameJob } from '../../../services/lists/jobs'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const check = checker(JobTitle)

export default route(async ({ database, params, body }) =>
  renameJob(database, checkPath(params).id, check(await body())),
)

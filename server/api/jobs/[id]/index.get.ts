import { IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { readJob } from '../../../services/jobs'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)

export default route(({ database, params }) => readJob(database, checkPath(params).id))

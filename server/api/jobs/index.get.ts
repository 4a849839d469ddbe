import { JobsQuery } from '../../../contract'
import { route } from '../../http/route'
import { listJobs } from '../../services/lists/bench'
import { checker } from '../../services/validate'

const check = checker(JobsQuery, 'query')

export default route(({ database, query }) => listJobs(database, check(query)))

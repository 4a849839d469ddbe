import { DueQuery } from '../../../contract'
import { route } from '../../http/route'
import { listDue } from '../../services/lists/due'
import { checker } from '../../services/validate'

const check = checker(DueQuery, 'query')

export default route(({ database, query }) => listDue(database, check(query)))

import { PartsQuery } from '../../../contract'
import { route } from '../../http/route'
import { listParts } from '../../services/shelf/parts'
import { checker } from '../../services/validate'

const check = checker(PartsQuery, 'query')

export default route(({ database, query }) => listParts(database, check(query)))

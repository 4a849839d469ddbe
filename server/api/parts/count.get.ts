import { PartsCountQuery } from '../../../contract'
import { route } from '../../http/route'
import { countParts } from '../../services/shelf/parts'
import { checker } from '../../services/validate'

const check = checker(PartsCountQuery, 'query')

export default route(({ database, query }) => countParts(database, check(query)))

import { IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { lookAhead } from '../../../services/lists/look'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)

export default route(({ database, params }) => lookAhead(database, checkPath(params).id))

import { IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { removePart } from '../../../services/shelf/parts'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)

export default route(({ database, params }) => removePart(database, checkPath(params).id))

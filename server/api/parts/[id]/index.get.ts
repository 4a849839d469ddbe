import { IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { readPart } from '../../../services/shelf/parts'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)

export default route(({ database, params }) => readPart(database, checkPath(params).id))

import { IdPath, PartChange } from '../../../../contract'
import { route } from '../../../http/route'
import { changePart } from '../../../services/shelf/parts'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const check = checker(PartChange)

export default route(async ({ database, params, body }) =>
  changePart(database, checkPath(params).id, check(await body())),
)

import { IdPath, LineChange } from '../../../../contract'
import { route } from '../../../http/route'
import { changeLine } from '../../../services/orders/orders'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const check = checker(LineChange)

export default route(async ({ database, params, body }) =>
  changeLine(database, checkPath(params).id, check(await body())),
)

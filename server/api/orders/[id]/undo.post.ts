import { IdPath, OrderUndo } from '../../../../contract'
import { route } from '../../../http/route'
import { undoOrderEvent } from '../../../services/orders/order-events'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const check = checker(OrderUndo)

export default route(async ({ database, params, body }) =>
  undoOrderEvent(database, checkPath(params).id, check(await body())),
)

import { IdPath, OrderEvents } from '../../../../contract'
import { route } from '../../../http/route'
import { orderHappened } from '../../../services/orders/order-events'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const check = checker(OrderEvents)

export default route(async ({ database, params, body }) =>
  orderHappened(database, checkPath(params).id, check(await body())),
)

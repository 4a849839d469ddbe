import { monotonicFactory } from 'ulid'
import { IdPath, PlaceOrder } from '../../../../contract'
import { route } from '../../../http/route'
import { leadDaysOf } from '../../../services/orders/orders'
import { placeOrder } from '../../../services/orders/order-events'
import { deliveryDays } from '../../../services/shop/shop'
import { checker } from '../../../services/validate'
import { supplierState } from '../../../supplier/current'
import { sendNow } from '../../../supplier/running'

const checkPath = checker(IdPath)
const check = checker(PlaceOrder)
const newId = monotonicFactory()

export default route(async ({ database, params, body }) => {
  const { id } = checkPath(params)
  const placed = check(await body())
  const order = await placeOrder(database, id, placed, {
    newId: () => newId(),
    wired: supplierState().name,
    days: await deliveryDays(database),
    leadDays: await leadDaysOf(database, id),
    now: new Date(),
  })
  sendNow()
  return order
})

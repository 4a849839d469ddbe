import { OrdersQuery } from '../../../contract'
import { route } from '../../http/route'
import { listOrders } from '../../services/orders/orders'
import { checker } from '../../services/validate'

const check = checker(OrdersQuery, 'query')

export default route(async ({ database, query }) => ({
  items: await listOrders(database, check(query)),
  next: null,
}))

import { monotonicFactory } from 'ulid'
import { BasketLines } from '../../../contract'
import { route } from '../../http/route'
import { addToBasket } from '../../services/orders/orders'
import { checker } from '../../services/validate'

const check = checker(BasketLines)
const newId = monotonicFactory()

/** Lines for the basket. */
export default route(async ({ database, body }) =>
  addToBasket(database, check(await body()), () => newId()),
)

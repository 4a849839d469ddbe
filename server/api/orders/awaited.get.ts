import { route } from '../../http/route'
import { awaited } from '../../services/orders/orders'

export default route(({ database }) => awaited(database))

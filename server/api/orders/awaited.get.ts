import { route } from '../../http/route'
import { awaited } from '../../services/orders'

export default route(({ database }) => awaited(database))

import { route } from '../../http/route'
import { readShop } from '../../services/shop'

export default route(({ database }) => readShop(database))

import { route } from '../../http/route'
import { readShop } from '../../services/shop/shop'

export default route(({ database }) => readShop(database))

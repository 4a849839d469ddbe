import { ShopSettings } from '../../../contract'
import { route } from '../../http/route'
import { setShop } from '../../services/shop/shop'
import { checker } from '../../services/validate'

const check = checker(ShopSettings)

export default route(async ({ database, body }) => setShop(database, check(await body())))

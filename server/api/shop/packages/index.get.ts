import { route } from '../../../http/route'
import { listPackages } from '../../../services/shop/packages'

export default route(({ database }) => listPackages(database))

import { route } from '../../../http/route'
import { listPackages } from '../../../services/packages'

export default route(({ database }) => listPackages(database))

import { PackagePath } from '../../../../contract'
import { route } from '../../../http/route'
import { dropPackage } from '../../../services/shop/packages'
import { checker } from '../../../services/validate'

const checkPath = checker(PackagePath)

export default route(({ database, params }) => dropPackage(database, checkPath(params).id))

import { PackageFileSchema, PackagePath } from '../../../../contract'
import { route } from '../../../http/route'
import { keepPackage } from '../../../services/shop/packages'
import { checker } from '../../../services/validate'

const checkPath = checker(PackagePath)
const check = checker(PackageFileSchema)

export default route(async ({ database, params, body }) =>
  keepPackage(database, checkPath(params).id, check(await body())),
)

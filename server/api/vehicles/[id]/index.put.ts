import { IdPath, VehicleNames } from '../../../../contract'
import { route } from '../../../http/route'
import { checker } from '../../../services/validate'
import { renameVehicle } from '../../../services/lists/vehicles'

const checkPath = checker(IdPath)
const check = checker(VehicleNames)

export default route(async ({ database, params, body }) =>
  renameVehicle(database, checkPath(params).id, check(await body())),
)

import { IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { checker } from '../../../services/validate'
import { readVehicle } from '../../../services/vehicles'

const checkPath = checker(IdPath)

export default route(({ database, params }) => readVehicle(database, checkPath(params).id))

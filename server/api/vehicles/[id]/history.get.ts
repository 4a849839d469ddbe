import { IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { historyOfVehicle } from '../../../services/lists/vehicle-history'
import { checker } from '../../../services/validate'

const check = checker(IdPath)

export default route(({ database, params }) => historyOfVehicle(database, check(params).id))

import { VehiclesQuery } from '../../../contract'
import { route } from '../../http/route'
import { listVehicles } from '../../services/lists/vehicles'
import { checker } from '../../services/validate'

const check = checker(VehiclesQuery, 'query')

export default route(({ database, query }) => listVehicles(database, check(query)))

import { ListQuery } from '../../../contract'
import { route } from '../../http/route'
import { checker } from '../../services/validate'
import { listVehicles } from '../../services/vehicles'

const check = checker(ListQuery, 'query')

export default route(({ database, query }) => listVehicles(database, check(query)))

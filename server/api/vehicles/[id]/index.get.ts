import { IdPath, OpenQuery } from '../../../../contract'
import { route } from '../../../http/route'
import { readVehicle } from '../../../services/lists/vehicles'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const checkQuery = checker(OpenQuery, 'query')

export default route(({ database, params, query }) =>
  readVehicle(database, checkPath(params).id, checkQuery(query).entries),
)

import { IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { readOrder } from '../../../services/orders/orders'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)

export default route(({ database, params }) => readOrder(database, checkPath(params).id))

import { route } from '../../http/route'
import { suppliersOf } from '../../services/parts'

export default route(({ database }) => suppliersOf(database))

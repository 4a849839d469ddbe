import { route } from '../../http/route'
import { suppliersOf } from '../../services/shelf/parts'

export default route(({ database }) => suppliersOf(database))

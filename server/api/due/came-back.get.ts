import { route } from '../../http/route'
import { listCameBack } from '../../services/lists/due'

export default route(({ database }) => listCameBack(database))

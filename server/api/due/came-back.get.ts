import { route } from '../../http/route'
import { listCameBack } from '../../services/due'

export default route(({ database }) => listCameBack(database))

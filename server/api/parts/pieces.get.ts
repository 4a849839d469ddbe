import { route } from '../../http/route'
import { candidates } from '../../services/parts'

export default route(({ database }) => candidates(database, 'pieces'))

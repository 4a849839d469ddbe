import { route } from '../../http/route'
import { candidates } from '../../services/shelf/parts'

export default route(({ database }) => candidates(database, 'pieces'))

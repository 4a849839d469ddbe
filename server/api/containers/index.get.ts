import { route } from '../../http/route'
import { listContainers } from '../../services/shelf/containers'

export default route(({ database }) => listContainers(database))

import { route } from '../../http/route'
import { listContainers } from '../../services/containers'

export default route(({ database }) => listContainers(database))

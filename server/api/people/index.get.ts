import { route } from '../../http/route'
import { listPeople } from '../../services/people'

export default route(({ database }) => listPeople(database))

import { route } from '../../http/route'
import { whatIsLearnt } from '../../services/learnt'

export default route(({ database }) => whatIsLearnt(database))

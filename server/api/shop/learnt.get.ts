import { route } from '../../http/route'
import { whatIsLearnt } from '../../services/shop/learnt'

export default route(({ database }) => whatIsLearnt(database))

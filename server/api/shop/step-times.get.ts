import { route } from '../../http/route'
import { stepTimes } from '../../services/shop/step-times'

export default route(({ database }) => stepTimes(database))

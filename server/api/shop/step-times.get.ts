import { route } from '../../http/route'
import { stepTimes } from '../../services/step-times'

export default route(({ database }) => stepTimes(database))

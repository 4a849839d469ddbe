import { route } from '../../http/route'
import { bleedOutcomes } from '../../services/bleed-outcomes'

export default route(({ database }) => bleedOutcomes(database))

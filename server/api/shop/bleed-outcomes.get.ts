import { route } from '../../http/route'
import { bleedOutcomes } from '../../services/shop/bleed-outcomes'

export default route(({ database }) => bleedOutcomes(database))

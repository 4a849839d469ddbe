import { NeedsAsked } from '../../../contract'
import { route } from '../../http/route'
import { partsFor } from '../../services/shelf/parts'
import { checker } from '../../services/validate'

const check = checker(NeedsAsked)

export default route(async ({ database, body }) => partsFor(database, check(await body())))

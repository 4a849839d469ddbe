import { HashPath } from '../../../../contract'
import { route } from '../../../http/route'
import { keptMapping } from '../../../services/shelf/import-parts'
import { checker } from '../../../services/validate'

const checkPath = checker(HashPath)

export default route(async ({ database, params }) => ({
  kept: await keptMapping(database, checkPath(params).hash),
}))

import { IdPath, PersonSettings } from '../../../../contract'
import { route } from '../../../http/route'
import { setPerson } from '../../../services/shop/people'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const check = checker(PersonSettings)

export default route(async ({ database, params, body }) =>
  setPerson(database, checkPath(params).id, check(await body())),
)

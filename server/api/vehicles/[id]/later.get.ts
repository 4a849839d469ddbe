import { IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { putOffOn } from '../../../services/journal/later'
import { checker } from '../../../services/validate'

const check = checker(IdPath)

export default route(({ database, params }) => putOffOn(database, check(params).id))

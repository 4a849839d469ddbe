import { ContainerChange, IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { changeContainer } from '../../../services/shelf/containers'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const check = checker(ContainerChange)

export default route(async ({ database, params, body }) =>
  changeContainer(database, checkPath(params).id, check(await body())),
)

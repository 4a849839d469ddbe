import { CueSchema, IdPath } from '../../../../contract'
import { route } from '../../../http/route'
import { leaveCue } from '../../../live/cues'
import { checker } from '../../../services/validate'

const checkPath = checker(IdPath)
const check = checker(CueSchema)

export default route(async ({ database, params, body, status }) => {
  const { id } = checkPath(params)
  const number = await leaveCue(database, id, check(await body()))
  status(202)
  return { number }
})

import { NewPart } from '../../../contract'
import { route } from '../../http/route'
import { addPart } from '../../services/shelf/parts'
import { checker } from '../../services/validate'

const check = checker(NewPart)

export default route(async ({ database, body, created }) => {
  const done = await addPart(database, check(await body()))
  created(done.created)
  return done.part
})

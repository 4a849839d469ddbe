import { NewContainer } from '../../../contract'
import { route } from '../../http/route'
import { addContainer } from '../../services/shelf/containers'
import { checker } from '../../services/validate'

const check = checker(NewContainer)

export default route(async ({ database, body, created }) => {
  const done = await addContainer(database, check(await body()))
  created(done.created)
  return done.container
})

import { NewJob } from '../../../contract'
import { route } from '../../http/route'
import { addJob } from '../../services/lists/jobs'
import { checker } from '../../services/validate'

const check = checker(NewJob)

export default route(async ({ database, body, created }) => {
  const done = await addJob(database, check(await body()))
  created(done.created)
  return done.job
})

import { NewPerson } from '../../../contract'
import { route } from '../../http/route'
import { addPerson } from '../../services/shop/people'
import { checker } from '../../services/validate'

const check = checker(NewPerson)

export default route(async ({ database, body, created }) => {
  const done = await addPerson(database, check(await body()))
  created(done.created)
  return done.person
})

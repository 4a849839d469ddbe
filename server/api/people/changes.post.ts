import { NewPeopleChange } from '../../../contract'
import { route } from '../../http/route'
import { changePeople } from '../../services/shop/people-changes'
import { checker } from '../../services/validate'

const check = checker(NewPeopleChange)

export default route(async ({ database, body, created }) => {
  const done = await changePeople(database, check(await body()))
  created(done.created)
  return done.change
})

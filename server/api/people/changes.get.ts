import { PeopleChangesQuery } from '../../../contract'
import { route } from '../../http/route'
import { listPeopleChanges } from '../../services/shop/people-changes'
import { checker } from '../../services/validate'

const check = checker(PeopleChangesQuery, 'query')

export default route(({ database, query }) => listPeopleChanges(database, check(query)))

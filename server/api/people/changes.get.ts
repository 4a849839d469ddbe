import { PeopleQuery } from '../../../contract'
import { route } from '../../http/route'
import { listPeopleChanges } from '../../services/people-changes'
import { checker } from '../../services/validate'

const check = checker(PeopleQuery, 'query')

export default route(({ database, query }) => listPeopleChanges(database, check(query)))

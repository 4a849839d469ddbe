import { PeopleQuery } from '../../../contract'
import { route } from '../../http/route'
import { listPeople } from '../../services/shop/people'
import { checker } from '../../services/validate'

const check = checker(PeopleQuery, 'query')

export default route(({ database, query }) => listPeople(database, check(query)))

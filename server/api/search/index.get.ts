import { SearchQuery } from '../../../contract'
import { route } from '../../http/route'
import { searchEverything } from '../../services/lists/search'
import { checker } from '../../services/validate'

const check = checker(SearchQuery, 'query')

export default route(({ database, query }) => searchEverything(database, check(query)))

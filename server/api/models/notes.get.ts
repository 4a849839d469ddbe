import { ModelQuery } from '../../../contract'
import { route } from '../../http/route'
import { notesOfModel } from '../../services/lists/of-model'
import { checker } from '../../services/validate'

const check = checker(ModelQuery, 'query')

export default route(({ database, query }) => notesOfModel(database, check(query).model))

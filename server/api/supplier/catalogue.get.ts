import { CatalogueQuery, type CatalogueAnswer } from '../../../contract'
import { route } from '../../http/route'
import { checker } from '../../services/validate'
import { asked } from '../../supplier/asked'

const check = checker(CatalogueQuery, 'query')

export default route(async ({ query }): Promise<CatalogueAnswer> => {
  const { q } = check(query)
  const { supplier, answer } = await asked((client) => client.catalogue(q))
  return { supplier, items: answer, at: new Date().toISOString() }
})

import { route } from '../http/route'
import { notFound } from '../services/refusal'

/** What no other route took: said as problem details, not as a page. */
export default route(async () => {
  throw notFound('address')
})

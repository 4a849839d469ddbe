import { IdPath, type DeliveryNote } from '../../../../contract'
import { route } from '../../../http/route'
import { readOrder } from '../../../services/orders/orders'
import { checker } from '../../../services/validate'
import { asked } from '../../../supplier/asked'

const checkPath = checker(IdPath)

/** What the supplier says that it has sent; null where it says nothing. */
export default route(async ({ database, params }): Promise<DeliveryNote> => {
  const { id, wired } = await readOrder(database, checkPath(params).id)
  const { supplier, answer } = await asked((client) =>
    wired ? client.find(id) : Promise.resolve(null),
  )
  const lines =
    answer?.lines.map(({ number, sent, sentQuantity }) => ({ number, sent, quantity: sentQuantity })) ??
    null
  return { supplier, lines }
})

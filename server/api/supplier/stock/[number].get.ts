import { getRouterParams } from 'h3'
import { NumberPath, type StockAnswer } from '../../../../contract'
import { route } from '../../../http/route'
import { checker } from '../../../services/validate'
import { asked } from '../../../supplier/asked'

const check = checker(NumberPath)

export default route(async ({ event }): Promise<StockAnswer> => {
  const { number } = check(getRouterParams(event, { decode: true }))
  const { supplier, answer } = await asked((client) => client.stock(number))
  return { supplier, stock: answer, at: new Date().toISOString() }
})

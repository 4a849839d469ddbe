import type { ShopCosts } from '../diagnosis'
import type { Installation } from '../installation'
import type { OperationPrices } from '../work'
import { needsOf, type Need } from './needs'

/** A line of a basket or an order, as far as its money goes. */
export interface PricedLine {
  need?: string | null
  quantity: number
  price: number
  confirmedPrice?: number | null
}
/** What answers a need on the shelf, the best first. */
export interface NeedFound {
  id: string
  found: readonly { unsure: readonly string[]; pieces: number; part: { price: number } }[]
}
export type PartPrices = Required<Pick<ShopCosts, 'prices' | 'kits'>>
type Asked = Pick<Need, 'id' | 'kind' | 'quantity' | 'spec'>

const PRICED = ['master', 'slave', 'concentric', 'hose'] as const
const REBUILT = ['master', 'slave'] as const

/** Whatever could be weighed in a decision: each cylinder, its kit, and the hose. */
export function needsPriced(installation: Installation): Asked[] {
  const slave = installation.circuit.slave.type === 'concentric' ? 'concentric' : 'slave'
  const all = (way: 'replace' | 'rebuild') =>
    needsOf({
      ...{ installation, way, casualties: [], fluid: null },
      repairs: ['master', slave, 'hose'],
    }).filter(({ operation }) => operation !== undefined)
  const both = [...all('replace'), ...all('rebuild').filter(({ rebuild }) => rebuild)]
  return both.map(({ id, kind, quantity, spec }) => ({ id, kind, quantity, spec }))
}

/** Money of a need: of its own lines, where there are any; else of the best that is sure on the shelf; else nobody knows. */
export function priceOf(
  need: string,
  lines: readonly PricedLine[],
  found: readonly NeedFound[],
): number | undefined {
  const own = lines.filter((line) => line.need === need)
  if (own.length > 0)
    return own.reduce(
      (sum, { quantity, price, confirmedPrice }) => sum + quantity * (confirmedPrice ?? price),
      0,
    )
  const best = found.find(({ id }) => id === need)?.found.find(({ unsure }) => unsure.length === 0)
  return best && best.part.price * best.pieces
}

/** Prices of a job that has a basket; null where it has none: then the usual ones serve. */
export function pricesOf(lines: readonly PricedLine[], found: readonly NeedFound[]): PartPrices | null {
  if (lines.length === 0) return null
  const prices: { -readonly [K in keyof OperationPrices]: OperationPrices[K] } = {}
  for (const id of PRICED) {
    const price = priceOf(id, lines, found)
    if (price !== undefined) prices[id] = price
  }
  const kits: PartPrices['kits'] = {}
  for (const id of REBUILT) {
    const price = priceOf(`${id}.kit`, lines, found)
    if (price !== undefined) kits[id] = price
  }
  return { prices, kits }
}

import { setTimeout as wait } from 'node:timers/promises'
import { Breaker } from './breaker'

/** What the supplier's service says; every field is looked at before it is used. */
export interface SupplierItem {
  number: string
  name: string
  kind: string
  price: number
  stock: number
  leadDays: number
}
export interface SupplierOrder {
  id: string
  lines: {
    number: string
    quantity: number
    confirmed: number
    price: number
    sent: string
    sentQuantity: number
  }[]
}

export interface ClientSettings {
  /** ms that one try may take. */
  timeout: number
  /** ms before the second and the third try. */
  waits: readonly number[]
}
export const USUAL_CLIENT: ClientSettings = { timeout: 5000, waits: [400, 1600] }

/** It did not answer, or not with what was asked for. */
export class SupplierAway extends Error {
  override readonly name = 'SupplierAway'
}

/**
 * The supplier's service: each question has five seconds and is asked up to three times, with growing waits; while it keeps
 * failing it is left alone for a while, and that is said at once.
 */
export class SupplierClient {
  constructor(
    private readonly url: string,
    readonly breaker: Breaker = new Breaker(),
    private readonly settings: ClientSettings = USUAL_CLIENT,
  ) {}

  async catalogue(words: string): Promise<SupplierItem[]> {
    const { items } = objectIn(await this.ask(`/catalogue?q=${encodeURIComponent(words)}`))
    if (!Array.isArray(items)) throw new SupplierAway('its list cannot be read')
    return items.slice(0, 200).map(itemIn)
  }
  async stock(number: string): Promise<number> {
    return countIn(objectIn(await this.ask(`/stock/${encodeURIComponent(number)}`)).stock)
  }
  /** Orders under an id of ours: sent again, it is the same order. */
  async order(
    id: string,
    lines: readonly { number: string; quantity: number }[],
  ): Promise<SupplierOrder> {
    return orderIn(await this.ask('/orders', { id, lines }), id)
  }
  /** What became of an order there; null where it never came. */
  async find(id: string): Promise<SupplierOrder | null> {
    const found = await this.ask(`/orders/${encodeURIComponent(id)}`)
    return found === null ? null : orderIn(found, id)
  }

  private async ask(path: string, body?: unknown): Promise<unknown> {
    for (let tried = 0; ; tried++) {
      if (!this.breaker.lets()) throw new SupplierAway('it is left alone for a moment')
      try {
        const answer = await this.once(path, body)
        this.breaker.answered()
        return answer
      } catch (error) {
        this.breaker.failed()
        const pause = this.settings.waits[tried]
        if (pause === undefined)
          throw new SupplierAway(error instanceof Error ? error.message : 'no answer')
        await wait(pause)
      }
    }
  }

  /** Null where there is no such thing there: an answer like any other. */
  private async once(path: string, body?: unknown): Promise<unknown> {
    const response = await fetch(`${this.url}${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      ...(body !== undefined && { body: JSON.stringify(body) }),
      redirect: 'error',
      signal: AbortSignal.timeout(this.settings.timeout),
    })
    if (response.status === 404) return null
    if (!response.ok) throw new Error(`it answered ${response.status}`)
    return await response.json()
  }
}

function objectIn(value: unknown): Record<string, unknown> {
  if (value === null || typeof value !== 'object' || Array.isArray(value))
    throw new SupplierAway('its answer cannot be read')
  return value as Record<string, unknown>
}
const textIn = (value: unknown): string => {
  if (typeof value !== 'string') throw new SupplierAway('its answer cannot be read')
  return value.slice(0, 200)
}
const numberIn = (value: unknown): number => {
  if (typeof value !== 'number' || !(value >= 0 && value < 1e8))
    throw new SupplierAway('its answer cannot be read')
  return value
}
const countIn = (value: unknown): number => Math.floor(numberIn(value))

function itemIn(value: unknown): SupplierItem {
  const { number, name, kind, price, stock, leadDays } = objectIn(value)
  return {
    number: textIn(number),
    name: textIn(name),
    kind: textIn(kind),
    price: numberIn(price),
    stock: countIn(stock),
    leadDays: Math.min(365, countIn(leadDays)),
  }
}
function orderIn(value: unknown, wanted: string): SupplierOrder {
  const { id, lines } = objectIn(value)
  if (id !== wanted || !Array.isArray(lines)) throw new SupplierAway('it answers for another order')
  return {
    id,
    lines: lines.map((one) => {
      const { number, quantity, confirmed, price, sent, sentQuantity } = objectIn(one)
      return {
        number: textIn(number),
        quantity: countIn(quantity),
        confirmed: countIn(confirmed),
        price: numberIn(price),
        sent: textIn(sent),
        sentQuantity: countIn(sentQuantity),
      }
    }),
  }
}

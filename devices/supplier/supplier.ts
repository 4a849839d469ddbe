import { CATALOGUE } from './catalogue'

/** What goes wrong with suppliers, by choice. */
export interface Control {
  /** ms before anything is answered. */
  latencyMs: number
  /** Share of requests answered with an error. */
  failShare: number
  /** Nothing is answered: connections are cut. */
  down: boolean
  /** Says that it has four more than it has. */
  lieStock: boolean
  /** On the price as it is confirmed. */
  priceFactor: number
  /** One piece less than confirmed is sent. */
  partly: boolean
  /** Another part is sent in place of the first line's. */
  wrong: boolean
}
export const WELL: Control = {
  latencyMs: 0,
  failShare: 0,
  down: false,
  lieStock: false,
  priceFactor: 1,
  partly: false,
  wrong: false,
}

export interface OrderedAt {
  id: string
  lines: {
    number: string
    quantity: number
    /** Promised; less where it has less. */
    confirmed: number
    price: number
    /** What went into the box. */
    sent: string
    sentQuantity: number
  }[]
}

export class BadRequest extends Error {}

/** Another number in its place, as a picker's hand slips. */
const NEIGHBOUR = (number: string): string => {
  const at = CATALOGUE.findIndex((one) => one.number === number)
  return CATALOGUE[(at + 1) % CATALOGUE.length]!.number
}
const LIE = 4

/** A supplier that keeps its orders by their ids: the same order again is the same order. */
export class Supplier {
  control: Control = { ...WELL }
  private readonly orders = new Map<string, OrderedAt>()
  private readonly sold = new Map<string, number>()
  /** Requests so far, by which some are made to fail. */
  private requests = 0
  /** How often an order came that was there already. */
  repeats = 0

  /** Forgets every order, as a supplier that was set up anew. */
  reset(): void {
    this.orders.clear()
    this.sold.clear()
    this.repeats = 0
  }

  /** Whether this request fails, so that the share holds over any hundred of them. */
  fails(): boolean {
    this.requests += 1
    const { failShare } = this.control
    return Math.floor(this.requests * failShare) > Math.floor((this.requests - 1) * failShare)
  }

  catalogue(words: string) {
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
    return CATALOGUE.filter(({ number, name }) =>
      wanted.every((word) => `${number} ${name}`.toLowerCase().includes(word)),
    ).map((one) => ({ ...one, stock: this.stockTold(one.number) }))
  }

  private left(number: string): number {
    const has = CATALOGUE.find((one) => one.number === number)?.stock ?? 0
    return Math.max(0, has - (this.sold.get(number) ?? 0))
  }
  stockTold(number: string): number {
    return this.left(number) + (this.control.lieStock ? LIE : 0)
  }

  order(id: string, lines: readonly { number: string; quantity: number }[]): OrderedAt {
    const known = this.orders.get(id)
    if (known) {
      this.repeats += 1
      return known
    }
    const { priceFactor, partly, wrong } = this.control
    const made: OrderedAt = {
      id,
      lines: lines.map(({ number, quantity }, i) => {
        const item = CATALOGUE.find((one) => one.number === number)
        const confirmed = item ? Math.min(quantity, this.left(number)) : 0
        this.sold.set(number, (this.sold.get(number) ?? 0) + confirmed)
        return {
          number,
          quantity,
          confirmed,
          price: Math.round((item?.price ?? 0) * priceFactor * 100) / 100,
          sent: wrong && i === 0 ? NEIGHBOUR(number) : number,
          sentQuantity: partly ? Math.max(0, confirmed - 1) : confirmed,
        }
      }),
    }
    this.orders.set(id, made)
    return made
  }
  find(id: string): OrderedAt | null {
    return this.orders.get(id) ?? null
  }
  get count(): number {
    return this.orders.size
  }
}

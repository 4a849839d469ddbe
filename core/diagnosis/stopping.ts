import { addBack, partsOf } from './comeback'
import type { Knowledge } from './knowledge'
import { priceOf, REPAIRS, repairOf, type Repair, type ShopCosts } from './repairs'

/** Repairs that would be done now, and what that is expected to cost. */
export interface Decision {
  repairs: readonly Repair[]
  /** Money: parts, hands, and what comes back times its chance. */
  expectedCost: number
  /** Of it, parts and hands. */
  price: number
  /** Chance that it comes back for a fault that these repairs do not cure. */
  comebackRisk: number
}

/** What repairs cost under chances of the likely sets, as often as they are asked of. */
export interface Stopping {
  /** Best decision under these chances of the likely sets, in their order. */
  best(chances: Float64Array): Decision
  /** What one decision is expected to cost. */
  weigh(chances: Float64Array, repairs: readonly Repair[]): Decision
  /**
   * Expected cost of the best decision once an answer is learnt, among the decisions that are worth a thought now.
   * @param answered chance of each answer under each likely set, row by row.
   */
  after(chances: Float64Array, answered: Float64Array, answers: number): number
}

/** Repairs of so many likeliest combinations are weighed, and of so many likeliest repairs one after the other. */
const COMBINATIONS = 16
const GROWING = 5
/** A combination of repairs less likely than this is no decision of its own while looks are weighed. */
const LEAST_NEED = 0.002

const bitOf = new Map(REPAIRS.map((repair, i) => [repair, 1 << i]))
const repairsIn = (bits: number): Repair[] => REPAIRS.filter((_, i) => bits & (1 << i))

/** Sets that need the same repairs, together: what is risked by leaving part of them stands from `first` on. */
interface Need {
  bits: number
  /** One bit per repair, in rising order. */
  repairs: readonly number[]
  first: number
  /** Place of the whole need among needs. */
  at: number
}

/**
 * Made once for the sets that matter, so that a ranking of looks may ask it of hundreds of answers.
 * @param likely sets that matter, most likely first; what is in none of them explains nothing.
 * @param unnoticed chance that a fault comes back that nothing noted speaks for; the usual one unless given.
 */
export function stoppingOf(
  { faults, sets }: Knowledge,
  likely: Int32Array,
  costs: ShopCosts,
  unnoticed?: number,
): Stopping {
  const bitOfFault = Int32Array.from(faults, ({ id }) => bitOf.get(repairOf(id))!)
  const rowOf = new Map(Array.from(likely, (s, row) => [s, row]))
  const needs = new Map<number, Need>()
  let places = 0

  // Sets without some of their faults are asked for by their row: −1 where they are not among the likely ones.
  const rows = Array.from(likely, (s) => {
    const { repairs, without, unnoticed: quiet } = partsOf(sets, s, bitOfFault, unnoticed)
    const bits = repairs.reduce((all, bit) => all | bit, 0)
    let need = needs.get(bits)
    if (!need) {
      need = { bits, repairs, first: places, at: needs.size }
      needs.set(bits, need)
      places += without.length
    }
    return {
      need,
      prior: sets.prior[s]!,
      without: without.map((t) => rowOf.get(t) ?? -1),
      unnoticed: quiet,
    }
  })

  const explains = new Float64Array(rows.length)
  /** Chance of each need, and that it comes back by the part that is left; and the chance of all. */
  function ledger(chances: Float64Array) {
    const back = new Float64Array(places)
    const each = new Float64Array(needs.size)
    let mass = 0
    for (let row = 0; row < rows.length; row++) explains[row] = chances[row]! / rows[row]!.prior
    for (let row = 0; row < rows.length; row++) {
      const chance = chances[row]!
      if (chance === 0) continue
      const one = rows[row]!
      mass += chance
      each[one.need.at]! += chance
      addBack(one, chance, explains[row]!, explains, back, one.need.first)
    }
    return { back, each, mass }
  }

  const prices = new Map<number, number>([[0, 0]])
  const price = (bits: number): number => {
    const known = prices.get(bits)
    if (known !== undefined) return known
    const made = priceOf(repairsIn(bits), costs)
    prices.set(bits, made)
    return made
  }
  /** Of a decision: where in the ledger each need that it leaves open stands, and what that then costs. */
  const opened = new Map<number, { at: Int32Array; cost: Float64Array }>()
  function leaves(done: number) {
    const known = opened.get(done)
    if (known) return known
    const at: number[] = []
    const cost: number[] = []
    for (const { bits, repairs, first } of needs.values()) {
      const left = bits & ~done
      if (left === 0) continue
      let part = 0
      for (let k = 0; k < repairs.length; k++) if (left & repairs[k]!) part |= 1 << k
      at.push(first + part)
      cost.push(costs.comeback + price(left))
    }
    const made = { at: Int32Array.from(at), cost: Float64Array.from(cost) }
    opened.set(done, made)
    return made
  }
  function expected(done: number, back: Float64Array, mass: number): number {
    const { at, cost } = leaves(done)
    let sum = 0
    for (let i = 0; i < at.length; i++) sum += back[at[i]!]! * cost[i]!
    return price(done) * mass + sum
  }
  function decision(done: number, { back, mass }: ReturnType<typeof ledger>): Decision {
    let risk = 0
    for (const place of leaves(done).at) risk += back[place]!
    return {
      repairs: repairsIn(done),
      price: price(done),
      expectedCost: expected(done, back, mass) / mass,
      // Rounding may carry a sum of chances past one.
      comebackRisk: Math.min(1, risk / mass),
    }
  }
  /** Nothing, what the likeliest sets need, and the likeliest repairs one after the other. */
  function candidates(
    { each, mass }: ReturnType<typeof ledger>,
    least: number,
    most: number,
  ): number[] {
    const list = [...needs.values()].sort((a, b) => each[b.at]! - each[a.at]!)
    const set = new Set([0])
    for (const { bits, at } of list.slice(0, most)) if (each[at]! >= least * mass) set.add(bits)
    const single = REPAIRS.map((_, i): [number, number] => {
      let chance = 0
      for (const { bits, at } of list) if (bits & (1 << i)) chance += each[at]!
      return [1 << i, chance]
    }).sort((a, b) => b[1] - a[1])
    let growing = 0
    for (const [bit] of single.slice(0, GROWING)) {
      growing |= bit
      set.add(growing)
    }
    return [...set]
  }
  function cheapest(list: readonly number[], { back, mass }: ReturnType<typeof ledger>) {
    let best = 0
    let least = Infinity
    for (const done of list) {
      const cost = expected(done, back, mass)
      if (cost < least) {
        least = cost
        best = done
      }
    }
    return { best, least }
  }

  let weighed: { chances: Float64Array; list: number[] } | null = null
  return {
    weigh: (chances, repairs) =>
      decision(
        repairs.reduce((bits, repair) => bits | bitOf.get(repair)!, 0),
        ledger(chances),
      ),
    best(chances) {
      const now = ledger(chances)
      return decision(cheapest(candidates(now, 0, COMBINATIONS), now).best, now)
    },
    after(chances, answered, answers) {
      if (weighed?.chances !== chances)
        weighed = { chances, list: candidates(ledger(chances), LEAST_NEED, Infinity) }
      const then = new Float64Array(chances.length)
      let sum = 0
      let mass = 0
      for (let answer = 0; answer < answers; answer++) {
        let any = 0
        for (let row = 0; row < chances.length; row++) {
          then[row] = chances[row]! * answered[row * answers + answer]!
          any += then[row]!
        }
        if (any < LEAST_ANSWER) continue
        const now = ledger(then)
        mass += now.mass
        sum += cheapest(weighed.list, now).least
      }
      return sum / mass
    },
  }
}

/** An answer that hardly occurs is left out. */
const LEAST_ANSWER = 0.002

/** Chances of the likely sets, in their order. */
export const chancesOf = (likely: Int32Array, sets: Float64Array): Float64Array =>
  Float64Array.from(likely, (s) => sets[s]!)

import { comebackOf } from './comeback'
import type { Knowledge } from './knowledge'
import { likelySets, outcomes, type Look } from './next-look'
import type { Posterior } from './posterior'
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

/** Look on, or stop looking and act. */
export interface Advice {
  /** True where acting now costs no more than the best next look and acting then. */
  decide: boolean
  now: Decision
  /**
   * The first look in order that pays, else the one that comes nearest to it; with the expected cost after it, itself
   * included. Null where none can be taken.
   */
  after: { look: Look; expectedCost: number } | null
}

/** Looks whose worth in money is worked out: those that teach most a minute, and most of all. */
const CONSIDERED = 6
/** Repairs of so many likeliest combinations are weighed, and of so many likeliest repairs one after the other. */
const COMBINATIONS = 16
const GROWING = 5

/**
 * Stop looking when the expected cost of the best decision now is no more than after the best next look with that look.
 * A fault that is left costs a comeback and its own repair later, if it comes back.
 */
export function advise(
  knowledge: Knowledge,
  found: Posterior,
  looks: readonly Look[],
  costs: ShopCosts,
): Advice {
  const till = tillOf(knowledge, costs)
  const likely = likelySets(found)
  const now = till.best(likely, found.sets)
  const byBits = [...looks].sort((a, b) => b.bits - a.bits).slice(0, CONSIDERED)
  const after = [...new Set([...looks.slice(0, CONSIDERED), ...byBits])].map((look) => {
    let expectedCost = (look.minutes / 60) * costs.hourlyRate
    for (const { chance, sets } of outcomes(knowledge, look, found, likely))
      expectedCost += chance * till.best(likely, sets).expectedCost
    return { look, expectedCost }
  })
  const pays = after.find(({ expectedCost }) => expectedCost < now.expectedCost)
  const nearest = [...after].sort((a, b) => a.expectedCost - b.expectedCost)[0]
  return { decide: pays === undefined, now, after: pays ?? nearest ?? null }
}

/** Repairs as bits of a number, and what each combination of them costs at a shop's rates. */
export interface Till {
  /** Best decision under chances of the likely sets. */
  best(likely: Int32Array, weights: Float64Array): Decision
  /** What one decision is expected to cost. */
  weigh(likely: Int32Array, weights: Float64Array, repairs: readonly Repair[]): Decision
}

/** Sets of faults that need the same repairs, together. */
interface RepairNeed {
  bits: number
  repairs: readonly number[]
  chance: number
  /** Chance of it, and that it comes back when that part of the repairs is left. */
  back: Float64Array
}

const bitOf = new Map(REPAIRS.map((repair, i) => [repair, 1 << i]))
const repairsIn = (bits: number): Repair[] => REPAIRS.filter((_, i) => bits & (1 << i))

export function tillOf({ faults, sets }: Knowledge, costs: ShopCosts): Till {
  const bitOfFault = Int32Array.from(faults, ({ id }) => bitOf.get(repairOf(id))!)
  const prices = new Map<number, number>([[0, 0]])
  const price = (bits: number): number => {
    const known = prices.get(bits)
    if (known !== undefined) return known
    const made = priceOf(repairsIn(bits), costs)
    prices.set(bits, made)
    return made
  }
  /** What each combination of repairs is needed for, likeliest first. */
  function needs(likely: Int32Array, weights: Float64Array): RepairNeed[] {
    const byBits = new Map<number, RepairNeed>()
    let mass = 0
    for (const s of likely) {
      const weight = weights[s]!
      if (weight === 0) continue
      mass += weight
      const { repairs, back } = comebackOf(sets, s, weights, bitOfFault)
      const bits = repairs.reduce((all, bit) => all | bit, 0)
      const need = byBits.get(bits) ?? { bits, repairs, chance: 0, back: new Float64Array(back.length) }
      byBits.set(bits, need)
      need.chance += weight
      back.forEach((chance, part) => (need.back[part]! += weight * chance))
    }
    for (const need of byBits.values()) {
      need.chance /= mass
      need.back.forEach((chance, part) => (need.back[part] = chance / mass))
    }
    return [...byBits.values()].sort((a, b) => b.chance - a.chance)
  }
  function cost(done: number, list: readonly RepairNeed[]) {
    let expectedCost = price(done)
    let comebackRisk = 0
    for (const { bits, repairs, back } of list) {
      const left = bits & ~done
      if (left === 0) continue
      let part = 0
      for (let k = 0; k < repairs.length; k++) if (left & repairs[k]!) part |= 1 << k
      comebackRisk += back[part]!
      expectedCost += back[part]! * (costs.comeback + price(left))
    }
    // Rounding may carry a sum of chances past one.
    return { expectedCost, comebackRisk: Math.min(1, comebackRisk) }
  }
  const decision = (done: number, list: readonly RepairNeed[]): Decision => ({
    repairs: repairsIn(done),
    price: price(done),
    ...cost(done, list),
  })
  return {
    weigh: (likely, weights, repairs) =>
      decision(
        repairs.reduce((bits, repair) => bits | bitOf.get(repair)!, 0),
        needs(likely, weights),
      ),
    best(likely, weights) {
      const list = needs(likely, weights)
      let best = 0
      let least = Infinity
      for (const done of candidates(list)) {
        const { expectedCost } = cost(done, list)
        if (expectedCost < least) {
          least = expectedCost
          best = done
        }
      }
      return decision(best, list)
    },
  }
}

/** Nothing, what the likeliest sets need, and the likeliest repairs one after the other. */
function candidates(list: readonly RepairNeed[]): Set<number> {
  const set = new Set([0, ...list.slice(0, COMBINATIONS).map(({ bits }) => bits)])
  const each = REPAIRS.map((_, i): [number, number] => {
    let chance = 0
    for (const need of list) if (need.bits & (1 << i)) chance += need.chance
    return [1 << i, chance]
  }).sort((a, b) => b[1] - a[1])
  let growing = 0
  for (const [bit] of each.slice(0, GROWING)) {
    growing |= bit
    set.add(growing)
  }
  return set
}

import { likelySets } from './answers'
import type { Knowledge } from './knowledge'
import type { Look } from './next-look'
import type { Posterior } from './posterior'
import type { ShopCosts } from './repairs'
import { chancesOf, stoppingOf, type Decision } from './stopping'

/** Look on, or stop looking and act. */
export interface Advice {
  /** True where acting now costs no more than the best next look and acting then. */
  decide: boolean
  now: Decision
  /**
   * The first look in order that pays, else the one that comes nearest to it; with the expected cost after it, itself
   * included, and what it is worth beside that because it may show what stops work. Null where none can be taken.
   */
  after: { look: Look; expectedCost: number; stops: number } | null
}

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
  const likely = likelySets(found)
  const now = stoppingOf(knowledge, likely, costs).best(chancesOf(likely, found.sets))
  const after = looks.map((look) => ({
    look,
    expectedCost: now.expectedCost + (look.spent / 60) * costs.hourlyRate - look.saves,
    stops: look.stops,
  }))
  type After = (typeof after)[number]
  const left = ({ expectedCost, stops }: After) => expectedCost - stops
  const pays = after.find((one) => left(one) < now.expectedCost)
  const nearest = [...after].sort((a, b) => left(a) - left(b))[0]
  return { decide: pays === undefined, now, after: pays ?? nearest ?? null }
}

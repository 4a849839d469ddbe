import { knownOf, type Item } from './evidence'
import type { FaultId } from './faults'
import type { Knowledge } from './knowledge'
import { isLostTravel } from './lost-travel'
import { chanceAbsent, marginalsOf, posterior, type Posterior } from './posterior'

/** How far one thing that is known speaks for a fault, given all else that is known. */
export interface Reason {
  item: Item
  /** Natural logarithm of the likelihood ratio: over 0 for, under 0 against. */
  weight: number
}

const logit = (p: number): number => Math.log(p) - Math.log1p(-p)
const bounded = (p: number): number => Math.min(1 - 1e-12, Math.max(1e-12, p))

/**
 * For each fault the log-likelihood ratio of each known thing: log odds with it less log odds without it. Strongest first.
 */
export function reasonsFor(
  knowledge: Knowledge,
  items: readonly Item[],
  found: Posterior,
): Map<FaultId, Reason[]> {
  const { faults } = knowledge
  const reasons = new Map<FaultId, Reason[]>(faults.map(({ id }) => [id, []]))
  for (const item of items) {
    const without = marginalsWithout(knowledge, items, item, found)
    faults.forEach(({ id }, i) => {
      const weight = logit(bounded(found.marginals[i]!)) - logit(bounded(without[i]!))
      reasons.get(id)!.push({ item, weight })
    })
  }
  for (const list of reasons.values()) list.sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight))
  return reasons
}

/** Chance of each fault if one thing were not known. */
function marginalsWithout(
  knowledge: Knowledge,
  items: readonly Item[],
  item: Item,
  found: Posterior,
): Float64Array {
  const { ready, sets, faults, place } = knowledge
  if (item.kind === 'reading' || isLostTravel(item.id)) {
    const others = items.filter((other) => other !== item)
    return posterior(ready, knownOf(knowledge, others)).marginals
  }
  // A yes or no is taken out again by dividing by its chance.
  const finding = place.get(item.id)!
  const gone = item.kind === 'finding' && item.state === 'absent'
  const weights = new Float64Array(sets.count)
  let total = 0
  for (let s = 0; s < sets.count; s++) {
    if (found.sets[s] === 0) continue
    const absent = chanceAbsent(ready, finding, s)
    weights[s] = found.sets[s]! / (gone ? absent : 1 - absent)
    total += weights[s]!
  }
  for (let s = 0; s < sets.count; s++) weights[s]! /= total
  return marginalsOf(sets, weights, faults.length)
}

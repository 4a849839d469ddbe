import type { Knowledge } from './knowledge'
import { isLostTravel, type LostTravel } from './lost-travel'
import { chanceAbsent, type Posterior } from './posterior'

/** Of each set asked for, the chance that something is absent, its severities weighted as they are known. */
export function absences(
  knowledge: Knowledge,
  found: Pick<Posterior, 'way' | 'sums'>,
  what: string,
  list: ArrayLike<number>,
): Float64Array {
  const { ready, place, sets } = knowledge
  const absent = new Float64Array(list.length)
  if (!isLostTravel(what)) {
    const finding = place.get(what)!
    for (let row = 0; row < list.length; row++) absent[row] = chanceAbsent(ready, finding, list[row]!)
    return absent
  }
  const byGroup = new Map<number, number>()
  const { present, kind } = knowledge.expected.showing(what)
  for (let row = 0; row < list.length; row++) {
    const g = sets.group[list[row]!]!
    let mean = byGroup.get(g)
    if (mean === undefined) {
      mean = 0
      for (let k = sets.ways[g]!; k < sets.ways[g + 1]!; k++)
        mean += found.way(k) * (1 - present[kind[k]!]!)
      mean /= found.sums[g]!
      byGroup.set(g, mean)
    }
    absent[row] = mean
  }
  return absent
}

/**
 * How strongly each member of a set and what is in no table pull toward something, as −ln(1 − chance): three members, then
 * the background. In a noisy-OR each causes it in proportion to that.
 */
export type Pulls = (s: number) => ArrayLike<number>

export function pullsOf(
  knowledge: Knowledge,
  found: Pick<Posterior, 'way' | 'sums'>,
  what: string,
): Pulls {
  const { ready, place, sets, faults } = knowledge
  const finding = place.get(what)!
  if (isLostTravel(what)) return pullsOfLoss(knowledge, found, what)
  const background = -Math.log1p(-ready.network.findings[finding]!.background)
  const row = finding * faults.length
  const pulls = new Float64Array(4)
  return (s) => {
    for (let m = 0; m < 3; m++) {
      const fault = sets.members[3 * s + m]!
      pulls[m] = fault < 0 ? 0 : -Math.log(ready.spared[row + fault]!)
    }
    pulls[3] = background
    return pulls
  }
}

function pullsOfLoss(
  { expected, sets }: Knowledge,
  found: Pick<Posterior, 'way' | 'sums'>,
  what: LostTravel,
): Pulls {
  const { pulls: each, background } = expected.showing(what)
  const byWay = each()
  const byGroup = new Map<number, Float64Array>()
  const ofGroup = (g: number): Float64Array => {
    const known = byGroup.get(g)
    if (known) return known
    const made = new Float64Array(3)
    for (let k = sets.ways[g]!; k < sets.ways[g + 1]!; k++) {
      const share = found.way(k) / found.sums[g]!
      made[0]! += share * byWay[3 * k]!
      made[1]! += share * byWay[3 * k + 1]!
      made[2]! += share * byWay[3 * k + 2]!
    }
    byGroup.set(g, made)
    return made
  }
  const pulls = new Float64Array(4)
  return (s) => {
    const g = sets.group[s]!
    const graded = ofGroup(g)
    const first = 3 * sets.ways[g]!
    // The grades of a group stand in the order of its members; those without grades pull nothing.
    let next = 0
    for (let m = 0; m < 3; m++) {
      const fault = sets.members[3 * s + m]!
      const grade = next < 3 ? sets.graded[first + next]! : -1
      const own = fault >= 0 && grade >= 0 && sets.grades[grade]!.fault === fault
      pulls[m] = own ? graded[next++]! : 0
    }
    pulls[3] = background
    return pulls
  }
}

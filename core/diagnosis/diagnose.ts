import { advise, type Advice } from './advice'
import { USUAL_CONDITIONS, type Conditions } from './conditions'
import { causeChances } from './causes'
import { contradictions, type Contradiction } from './contradictions'
import { itemsOf, knownOf, type Evidence, type Item } from './evidence'
import type { Fault, FaultId } from './faults'
import type { FindingId } from './findings'
import type { Knowledge } from './knowledge'
import { answersTo, likelySets, type Answer } from './answers'
import { nextLooks, type Look } from './next-look'
import { posterior, type Posterior } from './posterior'
import { reasonsFor, type Reason } from './reasons'
import { SHOP_COSTS, type ShopCosts } from './repairs'

/** A fault that may be there, with what speaks for it and against. */
export interface Suspect {
  fault: Fault
  /** Chance that it is present. */
  chance: number
  /** How severe it is if it is there: the likeliest class and its chance; null where it has none. */
  severity: { label: string; chance: number } | null
  reasons: readonly Reason[]
}

/** What all that is known adds up to. */
export interface Diagnosis {
  items: readonly Item[]
  found: Posterior
  suspects: readonly Suspect[]
  /** Leading sets of faults, likeliest first. */
  sets: readonly { faults: readonly FaultId[]; chance: number }[]
  /** Chance that nothing of the table is wrong. */
  nothing: number
  /**
   * Chance that what is complained of and found comes from a hydraulic part or the fluid; null where there is nothing to
   * explain.
   */
  hydraulic: number | null
  /** The same of what is no hydraulic part and no fluid. */
  notHydraulic: number | null
  /** The same of what is in no table. */
  unexplained: number | null
  /** Share of it that each fault explains. */
  causes: ReadonlyMap<FaultId, number>
  contradictions: readonly Contradiction[]
  /** Prior mass of more than three faults at once, left out. */
  leftOut: number
}

/** Chance from which on it is said plainly that it is not the hydraulics. */
export const SAID_PLAINLY = 0.8
const SETS_SHOWN = 8

/** Infers what is wrong from what is said, found and measured. What is contradicted still counts; it is named. */
export function diagnose(knowledge: Knowledge, evidence: Evidence): Diagnosis {
  const { faults, ready, sets } = knowledge
  const items = itemsOf(knowledge, evidence)
  const found = posterior(ready, knownOf(knowledge, items))
  const reasons = reasonsFor(knowledge, items, found)
  const severities = severitiesOf(knowledge, found)
  const suspects = faults
    .map((fault, i) => ({
      fault,
      chance: found.marginals[i]!,
      severity: severities[i]!,
      reasons: reasons.get(fault.id)!,
    }))
    .sort((a, b) => b.chance - a.chance)
  const nothing = found.sets[0]!
  const cause = causeChances(knowledge, items, found)
  const shared = (of: boolean) =>
    cause
      ? faults.reduce((sum, { hydraulic }, i) => (hydraulic === of ? sum + cause[i]! : sum), 0)
      : null
  const causes = faults.map(({ id }, i): [FaultId, number] => [id, cause?.[i] ?? 0])
  return {
    items,
    found,
    suspects,
    sets: Array.from(likelySets(found).slice(0, SETS_SHOWN), (s) => ({
      faults: membersOf(knowledge, s).map((fault) => faults[fault]!.id),
      chance: found.sets[s]!,
    })),
    nothing,
    hydraulic: shared(true),
    notHydraulic: cause ? shared(false)! + cause[faults.length]! : null,
    unexplained: cause ? cause[faults.length + 1]! : null,
    causes: new Map(causes),
    contradictions: contradictions(knowledge, evidence),
    leftOut: sets.leftOut,
  }
}

const membersOf = ({ sets }: Knowledge, s: number): number[] =>
  Array.from(sets.members.subarray(3 * s, 3 * s + 3)).filter((fault) => fault >= 0)

/** A group of sets this unlikely says nothing of how severe a fault is. */
const LEAST_GROUP = 1e-7

/** For each fault the likeliest of its severities, over all sets in which it is present. */
function severitiesOf({ faults, sets }: Knowledge, found: Posterior): Suspect['severity'][] {
  const sums = faults.map(({ severities }) => new Float64Array(severities?.length ?? 0))
  const byGroup = new Float64Array(sets.groupCount)
  for (let s = 0; s < sets.count; s++) byGroup[sets.group[s]!]! += found.sets[s]!
  for (let g = 0; g < sets.groupCount; g++) {
    if (byGroup[g]! < LEAST_GROUP) continue
    for (let k = sets.ways[g]!; k < sets.ways[g + 1]!; k++) {
      const weight = (byGroup[g]! * found.way(k)) / found.sums[g]!
      for (let m = 3 * k; m < 3 * k + 3 && sets.graded[m]! >= 0; m++) {
        const { fault, severity } = sets.grades[sets.graded[m]!]!
        sums[fault]![severity]! += weight
      }
    }
  }
  return sums.map((weights, i) => {
    const total = weights.reduce((sum, weight) => sum + weight, 0)
    if (total <= 0) return null
    let best = 0
    weights.forEach((weight, k) => {
      if (weight > weights[best]!) best = k
    })
    return { label: faults[i]!.severities![best]!.label, chance: weights[best]! / total }
  })
}

/** Where to go on from here. */
export interface NextMove {
  looks: readonly Look[]
  /** What each answer to the first looks would change. */
  answers: readonly (readonly Answer[])[]
  /** The look that best tells whether it is the hydraulics; null where that is plain, or none tells. */
  decides: Look | null
  advice: Advice
}

/** A look that tells less of which side it is decides nothing, bits. */
const LEAST_SIDES = 0.03

/** Looks whose answers are played through. */
const PLAYED = 3

/** Ranks the looks that can be taken, and says whether to go on looking. */
export function nextMove(
  knowledge: Knowledge,
  evidence: Evidence,
  { found, items, hydraulic, notHydraulic }: Diagnosis,
  {
    conditions = USUAL_CONDITIONS,
    stops = [],
    costs = SHOP_COSTS,
  }: { conditions?: Conditions; stops?: readonly FindingId[]; costs?: ShopCosts } = {},
): NextMove {
  const looks = nextLooks(knowledge, evidence, items, found, conditions, stops, costs)
  return {
    looks,
    decides: plain(hydraulic) || plain(notHydraulic) ? null : telling(looks),
    answers: looks.slice(0, PLAYED).map((look) => answersTo(knowledge, look, found)),
    advice: advise(knowledge, found, looks, costs),
  }
}

const plain = (chance: number | null): boolean => chance === null || chance >= SAID_PLAINLY

function telling(looks: readonly Look[]): Look | null {
  const each = ({ sides, spent }: Look) => sides / spent
  const [best] = looks.filter(({ sides }) => sides >= LEAST_SIDES).sort((a, b) => each(b) - each(a))
  return best ?? null
}

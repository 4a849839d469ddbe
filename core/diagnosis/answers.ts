import { normalShare } from '../chance'
import { absences } from './chances'
import type { TellingReading } from './expectations'
import type { FaultId } from './faults'
import type { Knowledge } from './knowledge'
import type { Look } from './next-look'
import { likelihoodOf, marginalsOf, MISREAD, type Figure, type Posterior } from './posterior'
import { readingKind } from './readings'

/** What one answer to a look would make of the suspects. */
export interface Answer {
  /** A finding's state, or the middle of a span of figures, in the reading's unit. */
  says: 'present' | 'absent' | number
  /** Chance of this answer, as far as is known now. */
  chance: number
  /** Leading fault then, and its chance; null where nothing would be the leading one. */
  leads: FaultId | null
  chanceThen: number
}

/** The worth of a look is worked out over the likeliest sets: all but this share of the chance, and no more than so many. */
const TAIL = 0.02
const MOST_SETS = 800
/** Spans in which a figure may fall. */
export const SPANS = 12
/** A way of being severe less likely than this within its group is left out of where a figure would fall. */
const LEAST_WAY = 1e-3

const known = new WeakMap<Float64Array, Int32Array>()

/** Sets that matter, most likely first, as their places; worked out once for each posterior. */
export function likelySets({ sets }: Pick<Posterior, 'sets'>): Int32Array {
  const there = known.get(sets)
  if (there) return there
  const made = sorted(sets)
  known.set(sets, made)
  return made
}

function sorted(sets: Float64Array): Int32Array {
  const order = sets.slice().sort()
  let sum = 0
  let at = order.length
  const stop = Math.max(0, order.length - MOST_SETS)
  while (at > stop && sum < 1 - TAIL) sum += order[--at]!
  const least = Math.max(order[at]!, Number.MIN_VALUE)
  const list: number[] = []
  for (let s = 0; s < sets.length; s++) if (sets[s]! >= least) list.push(s)
  return Int32Array.from(list.sort((a, b) => sets[b]! - sets[a]!))
}

/** For each likely set the chances that something is absent, and present. */
export function stateChances(
  knowledge: Knowledge,
  what: string,
  found: Posterior,
  likely: Int32Array,
): Float64Array {
  const absent = absences(knowledge, found, what, likely)
  const chances = new Float64Array(2 * likely.length)
  for (let row = 0; row < likely.length; row++) {
    chances[2 * row] = absent[row]!
    chances[2 * row + 1] = 1 - absent[row]!
  }
  return chances
}

export interface Spans {
  /** Edges between the spans, in the reading's unit. */
  edges: number[]
  /** Chance of each span under each likely set, row by row. */
  chances: Float64Array
  /** Chance of each span with nothing wrong. */
  sound: Float64Array
}

/** The normal share to three places, from a table: it is asked a hundred thousand times for one ranking. */
const STEP = 0.005
const REACH = 4
const SHARES = Float64Array.from({ length: (2 * REACH) / STEP + 1 }, (_, i) =>
  normalShare(i * STEP - REACH),
)
const shareBelow = (z: number): number =>
  z >= REACH ? 1 : z <= -REACH ? 0 : SHARES[Math.round((z + REACH) / STEP)]!

/**
 * Where a figure would fall under each likely set, its severities weighted as they are known.
 * @param before the same figure read once already: read again it falls near the first, if that was read right.
 */
export function answerSpans(
  { sets, expected }: Knowledge,
  name: TellingReading,
  found: Posterior,
  likely: Int32Array,
  before?: Figure,
): Spans {
  const { mean, sigma, kind } = expected.of(name)
  const { group, ways } = sets
  const first = before && likelihoodOf(before).chance
  const wrong = (i: number) => (before && first ? MISREAD / before.span / first[i]! : 1)
  const again = readingKind(name).error[0] * Math.SQRT2
  const rows = new Map(Array.from(likely, (s) => [group[s]!, new Float64Array(SPANS)]))
  let low = before ? before.value - 2 * again : Infinity
  let high = before ? before.value + 2 * again : -Infinity
  for (const g of rows.keys())
    for (let k = ways[g]!; k < ways[g + 1]!; k++) {
      if (found.way(k) < LEAST_WAY * found.sums[g]!) continue
      const i = kind[k]!
      low = Math.min(low, mean[i]! - 2 * sigma[i]!)
      high = Math.max(high, mean[i]! + 2 * sigma[i]!)
    }
  const width = (high - low) / SPANS
  const edges = Array.from({ length: SPANS - 1 }, (_, i) => low + (i + 1) * width)
  const near = new Float64Array(SPANS)
  if (before) spread(near, 0, edges, before.value, again)
  const byKind = new Float64Array(mean.length * SPANS)
  const done = new Uint8Array(mean.length)
  for (const [g, spans] of rows) {
    let whole = 0
    for (let k = ways[g]!; k < ways[g + 1]!; k++) {
      const weight = found.way(k)
      if (weight < LEAST_WAY * found.sums[g]!) continue
      whole += weight
      const at = kind[k]!
      if (done[at] === 0) {
        spread(byKind, at * SPANS, edges, mean[at]!, sigma[at]!)
        done[at] = 1
      }
      const misread = wrong(at)
      for (let i = 0; i < SPANS; i++)
        spans[i]! += weight * (misread * byKind[at * SPANS + i]! + (1 - misread) * near[i]!)
    }
    for (let i = 0; i < SPANS; i++) spans[i]! /= whole
  }
  const chances = new Float64Array(likely.length * SPANS)
  likely.forEach((s, row) => chances.set(rows.get(group[s]!)!, row * SPANS))
  const sound = new Float64Array(SPANS)
  const nothing = kind[0]!
  spread(sound, 0, edges, mean[nothing]!, sigma[nothing]!)
  return { edges, chances, sound }
}

/** Chance of each span under one mean and spread. */
function spread(
  into: Float64Array,
  from: number,
  edges: readonly number[],
  mean: number,
  sigma: number,
): void {
  let below = 0
  for (let i = 0; i < SPANS; i++) {
    const upTo = i === SPANS - 1 ? 1 : shareBelow((edges[i]! - mean) / sigma)
    into[from + i] = upTo - below
    below = upTo
  }
}

/** What each answer to a look would make of the suspects; answers that hardly occur are left out. */
export function answersTo(
  knowledge: Knowledge,
  { look, before }: Pick<Look, 'look' | 'before'>,
  found: Posterior,
): Answer[] {
  const { faults, sets } = knowledge
  const likely = likelySets(found)
  let says: Answer['says'][] = ['absent', 'present']
  let chances: Float64Array
  if (look.kind === 'finding') chances = stateChances(knowledge, look.id, found, likely)
  else {
    const spans = answerSpans(knowledge, look.id, found, likely, before)
    const { edges } = spans
    const width = edges[1]! - edges[0]!
    says = [edges[0]! - width / 2, ...edges.map((edge) => edge + width / 2)]
    chances = spans.chances
  }
  const answers = says.flatMap((say, answer): Answer[] => {
    const weights = new Float64Array(sets.count)
    let chance = 0
    likely.forEach((s, row) => {
      weights[s] = found.sets[s]! * chances[row * says.length + answer]!
      chance += weights[s]!
    })
    if (chance < 0.005) return []
    for (const s of likely) weights[s]! /= chance
    const marginals = marginalsOf(sets, weights, faults.length)
    let best = -1
    marginals.forEach((value, i) => {
      if (best < 0 || value > marginals[best]!) best = i
    })
    const nothing = weights[0]!
    return best < 0 || nothing > marginals[best]!
      ? [{ says: say, chance, leads: null, chanceThen: nothing }]
      : [{ says: say, chance, leads: faults[best]!.id, chanceThen: marginals[best]! }]
  })
  const total = answers.reduce((sum, { chance }) => sum + chance, 0)
  return answers
    .map((one) => ({ ...one, chance: one.chance / total }))
    .sort((a, b) => (a.says === 'present' ? -1 : b.says === 'present' ? 1 : 0))
}

import { normalShare } from '../chance'
import { causesOf } from './causes'
import { safeConditions, unmet, type Conditions } from './conditions'
import type { Evidence, Item } from './evidence'
import { TELLING_READINGS, type TellingReading } from './expectations'
import type { FaultId } from './faults'
import { FINDINGS, type FindingId } from './findings'
import { fits, type Knowledge } from './knowledge'
import { chanceAbsent, marginalsOf, type Posterior, type Ready } from './posterior'
import { readingKind } from './readings'

/** What one answer to a look would make of the suspects. */
export interface Answer {
  /** A finding's state, or the middle of a span of figures, mm. */
  says: 'present' | 'absent' | number
  /** Chance of this answer, as far as is known now. */
  chance: number
  /** Leading fault then, and its chance; null where nothing would be the leading one. */
  leads: FaultId | null
  chanceThen: number
}

/** A look that can be taken now, and what it is worth. */
export interface Look {
  look: { kind: 'finding'; id: FindingId } | { kind: 'reading'; id: TellingReading }
  minutes: number
  /** Expected fall of the entropy of what causes each thing that is to be explained, bits. */
  bits: number
  /** The same per minute: what looks are ordered by. */
  bitsPerMinute: number
}

/** The worth of a look is worked out over the likeliest sets: all but this share of the chance, and no more than so many. */
const TAIL = 0.02
const MOST_SETS = 800
/** Spans in which a figure may fall. */
const SPANS = 12
/** A way of being severe less likely than this within its group is left out of where a figure would fall. */
const LEAST_WAY = 1e-3
/** A look that would teach less is not proposed, bits. */
const LEAST_BITS = 0.01

/** Sets that matter, most likely first, as their places. */
export function likelySets({ sets }: Pick<Posterior, 'sets'>, tail = TAIL): Int32Array {
  const order = sets.slice().sort()
  let sum = 0
  let at = order.length
  const stop = Math.max(0, order.length - MOST_SETS)
  while (at > stop && sum < 1 - tail) sum += order[--at]!
  const least = Math.max(order[at]!, Number.MIN_VALUE)
  const list: number[] = []
  for (let s = 0; s < sets.length; s++) if (sets[s]! >= least) list.push(s)
  return Int32Array.from(list.sort((a, b) => sets[b]! - sets[a]!))
}

/**
 * Looks not yet taken whose preconditions hold and that no open stop-work finding forbids, by what they teach a minute.
 * @param stops stop-work findings that are present and not taken over.
 */
export function nextLooks(
  knowledge: Knowledge,
  evidence: Evidence,
  items: readonly Item[],
  found: Posterior,
  conditions: Conditions,
  stops: readonly FindingId[] = [],
): Look[] {
  const safe = safeConditions(conditions, stops)
  const likely = likelySets(found)
  const causes = causesOf(knowledge, items, found, likely)
  const looks: Look[] = []
  const add = (look: Look['look'], minutes: number, nats: number) => {
    const bits = Math.max(0, nats) / Math.LN2
    if (bits >= LEAST_BITS) looks.push({ look, minutes, bits, bitsPerMinute: bits / minutes })
  }
  const chances = new Float64Array(likely.length * 2)
  for (const kind of FINDINGS) {
    if (kind.proveOnly || evidence.findings[kind.id] || !knowledge.place.has(kind.id)) continue
    if (unmet(kind.needs, safe) || measuredInstead(kind.id, evidence)) continue
    if (kind.after && evidence.findings[kind.after] !== 'present') continue
    absences(knowledge.ready, knowledge.place.get(kind.id)!, likely, chances)
    add({ kind: 'finding', id: kind.id }, kind.minutes, causes.worth(chances, 2))
  }
  for (const name of TELLING_READINGS) {
    const kind = readingKind(name)
    if (evidence.readings[name] || unmet(kind.needs, safe)) continue
    if (name === 'rodStroke' && !fits('external', knowledge.installation)) continue
    const spans = answerSpans(knowledge, name, found, likely)
    add({ kind: 'reading', id: name }, kind.minutes, causes.worth(spans.chances, SPANS))
  }
  return looks.sort((a, b) => b.bitsPerMinute - a.bitsPerMinute)
}

const measuredInstead = (id: FindingId, { readings }: Evidence): boolean =>
  TELLING_READINGS.some((name) => readingKind(name).insteadOf === id && readings[name] !== undefined)

/** For each likely set the chances that a finding is absent, and present. */
function absences(ready: Ready, finding: number, likely: Int32Array, chances: Float64Array): void {
  for (let row = 0; row < likely.length; row++) {
    const absent = chanceAbsent(ready, finding, likely[row]!)
    chances[2 * row] = absent
    chances[2 * row + 1] = 1 - absent
  }
}

interface Spans {
  /** Edges between the spans, mm. */
  edges: number[]
  /** Chance of each span under each likely set, row by row. */
  chances: Float64Array
}

/** The normal share to three places, from a table: it is asked a hundred thousand times for one ranking. */
const STEP = 0.005
const REACH = 4
const SHARES = Float64Array.from({ length: (2 * REACH) / STEP + 1 }, (_, i) =>
  normalShare(i * STEP - REACH),
)
const shareBelow = (z: number): number =>
  z >= REACH ? 1 : z <= -REACH ? 0 : SHARES[Math.round((z + REACH) / STEP)]!

/** Where a figure would fall under each likely set, its severities weighted as they are known. */
function answerSpans(
  { sets, expected }: Knowledge,
  name: TellingReading,
  found: Posterior,
  likely: Int32Array,
): Spans {
  const { mean, sigma, kind } = expected.of(name)
  const { group, ways } = sets
  const rows = new Map(Array.from(likely, (s) => [group[s]!, new Float64Array(SPANS)]))
  let low = Infinity
  let high = -Infinity
  for (const g of rows.keys())
    for (let k = ways[g]!; k < ways[g + 1]!; k++) {
      if (found.way(k) < LEAST_WAY * found.sums[g]!) continue
      const i = kind[k]!
      low = Math.min(low, mean[i]! - 2 * sigma[i]!)
      high = Math.max(high, mean[i]! + 2 * sigma[i]!)
    }
  const width = (high - low) / SPANS
  const edges = Array.from({ length: SPANS - 1 }, (_, i) => low + (i + 1) * width)
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
      for (let i = 0; i < SPANS; i++) spans[i]! += weight * byKind[at * SPANS + i]!
    }
    for (let i = 0; i < SPANS; i++) spans[i]! /= whole
  }
  const chances = new Float64Array(likely.length * SPANS)
  likely.forEach((s, row) => chances.set(rows.get(group[s]!)!, row * SPANS))
  return { edges, chances }
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

/** Each answer to a look with its chance and the chances of the sets then; spans that hardly occur are left out. */
export function outcomes(
  knowledge: Knowledge,
  { look }: Pick<Look, 'look'>,
  found: Posterior,
  likely = likelySets(found),
): { says: Answer['says']; chance: number; sets: Float64Array }[] {
  const { ready, sets, place } = knowledge
  const list: { says: Answer['says']; chance: number; sets: Float64Array }[] = []
  const add = (says: Answer['says'], likelihood: (s: number, row: number) => number) => {
    const weights = new Float64Array(sets.count)
    let chance = 0
    likely.forEach((s, row) => {
      weights[s] = found.sets[s]! * likelihood(s, row)
      chance += weights[s]!
    })
    if (chance < 0.005) return
    for (const s of likely) weights[s]! /= chance
    list.push({ says, chance, sets: weights })
  }
  if (look.kind === 'finding') {
    const finding = place.get(look.id)!
    add('present', (s) => 1 - chanceAbsent(ready, finding, s))
    add('absent', (s) => chanceAbsent(ready, finding, s))
  } else {
    const { edges, chances } = answerSpans(knowledge, look.id, found, likely)
    const width = edges[1]! - edges[0]!
    for (let i = 0; i < SPANS; i++) {
      const middle = i === 0 ? edges[0]! - width / 2 : edges[i - 1]! + width / 2
      add(middle, (_, row) => chances[row * SPANS + i]!)
    }
  }
  const total = list.reduce((sum, { chance }) => sum + chance, 0)
  return list.map((one) => ({ ...one, chance: one.chance / total }))
}

/** What each answer to a look would make of the suspects. */
export function answersTo(knowledge: Knowledge, look: Pick<Look, 'look'>, found: Posterior): Answer[] {
  const { faults, sets } = knowledge
  return outcomes(knowledge, look, found).map(({ says, chance, sets: weights }) => {
    const marginals = marginalsOf(sets, weights, faults.length)
    let best = -1
    marginals.forEach((value, i) => {
      if (best < 0 || value > marginals[best]!) best = i
    })
    const nothing = weights[0]!
    return best < 0 || nothing > marginals[best]!
      ? { says, chance, leads: null, chanceThen: nothing }
      : { says, chance, leads: faults[best]!.id, chanceThen: marginals[best]! }
  })
}

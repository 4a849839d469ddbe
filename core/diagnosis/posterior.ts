import type { Network, Sets } from './network'

/** What a reading should show: mean and standard deviation in the reading’s unit, of each kind of way in which it can be severe. */
export interface Expected {
  mean: Float64Array
  sigma: Float64Array
  /** Kind of each way: ways that differ only in what the reading does not show share one. */
  kind: Uint16Array
}

/** A figure that was read, beside what each way of being severe makes one expect of it. */
export interface Figure {
  value: number
  expected: Expected
  /** Span of what could be read at all, in the same unit: a misreading lies anywhere in it. */
  span: number
}

/** Chance of something that was learnt, for each kind of way of being severe. */
export interface Likelihood {
  chance: Float64Array
  /** Kind of each way. */
  kind: Uint16Array
}

/** What is known: findings by their place in the network, figures, and what else depends on the severities. */
export interface Observed {
  present: readonly number[]
  absent: readonly number[]
  figures: readonly Figure[]
  graded?: readonly Likelihood[]
}

/**
 * Chance that a figure is misread, noted wrongly or taken of another thing: it keeps one figure from outvoting all else.
 * Engineering judgement.
 */
export const MISREAD = 0.01

export interface Posterior {
  /** Chance of each set given what is known; they sum to 1. */
  readonly sets: Float64Array
  /** Chance that each fault is present. */
  readonly marginals: Float64Array
  /** Natural logarithm of the chance of all that is known, under the sets that are enumerated. */
  readonly logEvidence: number
  /** Weight of way k, given the figures; those of group g sum to `sums[g]`. */
  readonly way: (k: number) => number
  readonly sums: Float64Array
}

/** A network made ready to be asked. */
export interface Ready {
  readonly network: Network
  readonly sets: Sets
  /** 1 − q of finding j for fault i at j·faults + i. */
  readonly spared: Float64Array
}

export function makeReady(network: Network, sets: Sets): Ready {
  const n = network.faults.length
  const spared = new Float64Array(network.findings.length * n).fill(1)
  network.findings.forEach(({ causes }, j) => {
    for (const [fault, chance] of causes) spared[j * n + fault] = 1 - chance
  })
  return { network, sets, spared }
}

/**
 * Chance of each set of up to three faults given what is known, by enumeration: noisy-OR for findings, the severities of
 * each set summed over for figures. In whatever order it is learnt, the same.
 * @throws RangeError where what is known cannot be at all.
 */
export function posterior(ready: Ready, known: Observed): Posterior {
  const { sets, network } = ready
  const n = network.faults.length
  const figures = weighWays(sets, [...known.figures.map(likelihoodOf), ...(known.graded ?? [])])
  const none = known.absent.reduce((product, j) => product * (1 - network.findings[j]!.background), 1)
  const absent = absentFactors(ready, known.absent)
  const weights = weighSets(ready, known.present, absent, figures.sums)
  let total = 0
  for (let s = 0; s < sets.count; s++) total += weights[s]!
  if (!(total > 0)) throw new RangeError('no set of up to three faults can be, given what is known')
  for (let s = 0; s < sets.count; s++) weights[s]! /= total
  return {
    sets: weights,
    marginals: marginalsOf(sets, weights, n),
    logEvidence: Math.log(total) + Math.log(none),
    way: figures.way,
    sums: figures.sums,
  }
}

/**
 * Prior times likelihood of each set. Sets come in the order in which they are enumerated, so that what two members leave
 * of each finding is worked out once for all their thirds.
 */
function weighSets(
  { sets, spared, network }: Ready,
  present: readonly number[],
  absent: Float64Array,
  figures: Float64Array,
): Float64Array {
  const { members, prior, group, count } = sets
  const n = network.faults.length
  const weights = new Float64Array(count)
  const quiet = present.map((j) => 1 - network.findings[j]!.background)
  const left = new Float64Array(present.length)
  let first = -2
  let second = -2
  let factor = 1
  for (let s = 0; s < count; s++) {
    const a = members[3 * s]!
    const b = members[3 * s + 1]!
    const c = members[3 * s + 2]!
    // The last member of a set is the one that changes.
    const last = c >= 0 ? c : b >= 0 ? b : a
    const one = c >= 0 || b >= 0 ? a : -1
    const two = c >= 0 ? b : -1
    if (one !== first || two !== second) {
      first = one
      second = two
      factor = (one >= 0 ? absent[one]! : 1) * (two >= 0 ? absent[two]! : 1)
      for (let p = 0; p < left.length; p++) {
        const row = present[p]! * n
        left[p] = quiet[p]! * (one >= 0 ? spared[row + one]! : 1) * (two >= 0 ? spared[row + two]! : 1)
      }
    }
    let weight = prior[s]! * figures[group[s]!]! * factor
    if (last >= 0) weight *= absent[last]!
    for (let p = 0; p < left.length; p++)
      weight *= 1 - (last >= 0 ? left[p]! * spared[present[p]! * n + last]! : left[p]!)
    weights[s] = weight
  }
  return weights
}

/** For each fault the product of its 1 − q over all findings that are absent. */
function absentFactors({ network, spared }: Ready, absent: readonly number[]): Float64Array {
  const n = network.faults.length
  const factors = new Float64Array(n).fill(1)
  for (const j of absent) for (let i = 0; i < n; i++) factors[i]! *= spared[j * n + i]!
  return factors
}

/** What was learnt of each way of being severe; asked way by way, for most are never asked of. */
interface Weighed {
  /** Weight of way k, given the figures. */
  way: (k: number) => number
  /** The same summed over each group. */
  sums: Float64Array
}

/** Likelihood of all that depends on severities, summed over the ways of each group. */
function weighWays({ groupCount, ways, weight }: Sets, learnt: readonly Likelihood[]): Weighed {
  const sums = new Float64Array(groupCount).fill(1)
  if (learnt.length === 0) return { way: (k) => weight[k]!, sums }
  const likelihoods = learnt.map(({ chance }) => chance)
  const kinds = learnt.map(({ kind }) => kind)
  const [first, second] = likelihoods as [Float64Array, Float64Array?]
  const [firstKind, secondKind] = kinds as [Uint16Array, Uint16Array?]
  let whole: Float64Array | null = null
  function multiplied(): Float64Array {
    const all = weight.slice()
    likelihoods.forEach((likelihood, f) => {
      const kind = kinds[f]!
      for (let k = 0; k < all.length; k++) all[k]! *= likelihood[kind[k]!]!
    })
    return all
  }
  // One thing and two are the usual cases, and asked with every tap: each has its own plain loop.
  if (learnt.length === 1) {
    for (let g = 0; g < groupCount; g++) {
      let sum = 0
      for (let k = ways[g]!; k < ways[g + 1]!; k++) sum += weight[k]! * first[firstKind[k]!]!
      sums[g] = sum
    }
  } else if (learnt.length === 2) {
    for (let g = 0; g < groupCount; g++) {
      let sum = 0
      for (let k = ways[g]!; k < ways[g + 1]!; k++)
        sum += weight[k]! * first[firstKind[k]!]! * second![secondKind![k]!]!
      sums[g] = sum
    }
  } else {
    const all = multiplied()
    whole = all
    for (let g = 0; g < groupCount; g++) {
      let sum = 0
      for (let k = ways[g]!; k < ways[g + 1]!; k++) sum += all[k]!
      sums[g] = sum
    }
  }
  // Of one figure or two nobody has multiplied all ways yet: done once, when the first is asked for.
  let made: Float64Array | null = whole
  const way = (k: number) => {
    made ??= multiplied()
    return made[k]!
  }
  return { way, sums }
}

const ROOT_TAU = Math.sqrt(2 * Math.PI)
/** Beyond this many standard deviations the normal adds nothing to a misreading. */
const FAR = 8

/** For each kind of way: normal around what is expected, and a little anywhere for a misreading. */
export function likelihoodOf({ value, expected: { mean, sigma, kind }, span }: Figure): Likelihood {
  const misread = MISREAD / span
  const whole = (1 - MISREAD) / ROOT_TAU
  const likelihood = new Float64Array(mean.length)
  for (let i = 0; i < mean.length; i++) {
    const off = (value - mean[i]!) / sigma[i]!
    likelihood[i] =
      off < FAR && off > -FAR ? misread + (whole / sigma[i]!) * Math.exp(-0.5 * off * off) : misread
  }
  return { chance: likelihood, kind }
}

export function marginalsOf({ members, count }: Sets, weights: Float64Array, n: number): Float64Array {
  const marginals = new Float64Array(n)
  for (let s = 0; s < count; s++) {
    const weight = weights[s]!
    for (let m = 3 * s; m < 3 * s + 3; m++) {
      const fault = members[m]!
      if (fault >= 0) marginals[fault]! += weight
    }
  }
  return marginals
}

/** Chance that a finding is absent if the faults of set s, and only they, are present. */
export function chanceAbsent({ network, sets, spared }: Ready, finding: number, s: number): number {
  const n = network.faults.length
  let chance = 1 - network.findings[finding]!.background
  for (let m = 3 * s; m < 3 * s + 3; m++) {
    const fault = sets.members[m]!
    if (fault >= 0) chance *= spared[finding * n + fault]!
  }
  return chance
}

import { evenDraws } from '../chance'
import type { PlannedStep } from './compose'
import { walkBetween } from './order'

/** Points of a step's distribution that are worked out once; between them it is a straight line. */
const POINTS = 256

type Minutes = readonly [low: number, likely: number, high: number]

/**
 * Quantiles of a PERT beta distribution: low and high are its ends, its mode is the likely time, and its mean (low + 4 likely +
 * high) / 6.
 * @returns minutes at probabilities 0, 1/256, … 1
 */
export function pertQuantiles([low, likely, high]: Minutes): Float64Array {
  const table = new Float64Array(POINTS + 1)
  const span = high - low
  if (span <= 0) return table.fill(low)
  const alpha = 1 + (4 * (likely - low)) / span
  const beta = 1 + (4 * (high - likely)) / span
  const cells = 2048
  const density = (x: number) => x ** (alpha - 1) * (1 - x) ** (beta - 1)
  const sums = new Float64Array(cells + 1)
  for (let i = 1; i <= cells; i++) sums[i] = sums[i - 1]! + density((i - 0.5) / cells)
  const total = sums[cells]!
  let at = 0
  for (let p = 0; p <= POINTS; p++) {
    const wanted = (p / POINTS) * total
    while (at < cells && sums[at + 1]! < wanted) at += 1
    const inside = sums[at + 1]! - sums[at]!
    const share = inside > 0 ? Math.min(1, Math.max(0, (wanted - sums[at]!) / inside)) : 0
    table[p] = low + (span * (at + share)) / cells
  }
  table[0] = low
  table[POINTS] = high
  return table
}

export interface TimeRange {
  p10: number
  p50: number
  p90: number
}

/**
 * How long a sequence takes, with its walks and waits: each step drawn by itself.
 * @param waits minutes that nobody can work
 */
export function timeOf(
  steps: readonly Pick<PlannedStep, 'minutes' | 'place'>[],
  waits: number,
  draws: number,
  seed: number,
): TimeRange {
  const draw = evenDraws(seed)
  const tables = new Map<string, Float64Array>()
  const own = steps.map(({ minutes }) => {
    const key = minutes.join()
    const known = tables.get(key) ?? pertQuantiles(minutes)
    tables.set(key, known)
    return known
  })
  const fixed = waits + walks(steps)
  const totals = Float64Array.from({ length: draws }, () => {
    let sum = fixed
    for (const table of own) {
      const at = draw() * POINTS
      const cell = Math.floor(at)
      sum += table[cell]! + (at - cell) * (table[cell + 1]! - table[cell]!)
    }
    return sum
  }).sort()
  const quantile = (p: number) => totals[Math.min(draws - 1, Math.floor(p * draws))] ?? fixed
  return { p10: quantile(0.1), p50: quantile(0.5), p90: quantile(0.9) }
}

export const walks = (steps: readonly Pick<PlannedStep, 'place'>[]): number =>
  steps.reduce((sum, { place }, i) => sum + (i === 0 ? 0 : walkBetween(steps[i - 1]!.place, place)), 0)

/** For each step the steps before it in this order that it hangs on. */
export function hangsOn(steps: readonly PlannedStep[]): number[][] {
  return steps.map((step, j) => {
    const on = new Set<number>()
    for (let i = 0; i < j; i++) {
      const other = steps[i]!
      if (step.after.includes(other.key)) on.add(i)
      if (step.takes.some((state) => other.needs.includes(state))) on.add(i)
      if (step.puts.some((state) => other.forbids.includes(state))) on.add(i)
      if (step.forbids.some((state) => other.takes.includes(state))) on.add(i)
    }
    for (const state of [...step.needs, ...(step.place === 'under' ? ['onStands', 'chocked'] : [])])
      for (let i = j - 1; i >= 0; i--)
        if (steps[i]!.puts.includes(state)) {
          on.add(i)
          break
        }
    return [...on]
  })
}

/** The chain of steps that decides how long it takes, by their likely minutes, where hands are no bound. */
export function criticalPath(steps: readonly PlannedStep[]): string[] {
  const on = hangsOn(steps)
  const ends: number[] = []
  const from: number[] = []
  steps.forEach((step, j) => {
    let best = -1
    for (const i of on[j]!) if (best < 0 || ends[i]! > ends[best]!) best = i
    from[j] = best
    ends[j] = (best < 0 ? 0 : ends[best]!) + step.minutes[1]
  })
  let at = ends.reduce((best, end, i) => (end > (ends[best] ?? -1) ? i : best), 0)
  const path: string[] = []
  for (; at >= 0 && steps[at]; at = from[at]!) path.unshift(steps[at]!.id)
  return path
}

/** Likely minutes with two pairs of hands, each doing what is ready in the plan's order; a step for two takes both. */
export function withTwo(steps: readonly PlannedStep[]): number {
  const on = hangsOn(steps)
  const end: number[] = []
  const hands = [0, 0]
  steps.forEach((step, j) => {
    const ready = Math.max(0, ...on[j]!.map((i) => end[i]!))
    const both = step.people > 1
    const who = hands[0]! <= hands[1]! ? 0 : 1
    const start = Math.max(ready, both ? Math.max(...hands) : hands[who]!)
    end[j] = start + step.minutes[1]
    if (both) hands[0] = hands[1] = end[j]!
    else hands[who] = end[j]!
  })
  return Math.max(0, ...end)
}

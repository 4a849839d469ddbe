import type { Branch, Case, Cases } from './cases'

/**
 * Where draws are made within one branch: a normal distribution in z that readings and bounds, taken as linear
 * at its centre, leave of the prior.
 */
export interface Proposal {
  /** Index of its branch. */
  branch: number
  centre: Float64Array
  /** How each reading and each bound changes with z, and its error; a bound that is kept asks for nothing, and has no slope. */
  rows: Row[]
  /** The same with the slopes of all bounds, for those who begin here. */
  slopes: Row[]
  /** What carries a draw from the prior over to the posterior; one for each row. */
  gain: Float64Array[]
  /** Half the log of how much narrower than the prior it is. */
  narrower: number
  /** Log of how much of the posterior lies about here, but for a constant: Laplace's approximation. */
  evidence: number
}
interface Row {
  slope: Float64Array
  sigma: number
}

/** Drawn wider than the readings ask, so that no region of some weight is missed. */
const WIDER = 2
const STEP = 0.2
/** Further than this from the middle in any one quantity no proposal is centred. */
const FURTHEST = 4

/**
 * Gauss-Newton steps from a case to the most likely one near it, with the slopes at the start; then the distribution with
 * the slopes there (Tarantola, Inverse Problem Theory, 2005, section 3.2). Hands back every case it asks for.
 */
export function* proposalNear(
  cases: Cases,
  branch: number,
  start: ArrayLike<number>,
  steps: number,
  slopesAtStart?: readonly Row[],
): Generator<void, Proposal> {
  const choice = cases.branches[branch]!
  let centre: Float64Array = Float64Array.from(start)
  let here = cases.at(centre, choice)
  yield
  let slopes = slopesAtStart ?? (yield* slopesAt(cases, choice, centre, here))
  for (let step = 0; step < steps; step++) {
    centre = stepped(cases, slopes, centre, here)
    here = cases.at(centre, choice)
    yield
  }
  slopes = yield* slopesAt(cases, choice, centre, here)
  const last = stepped(cases, slopes, centre, here)
  const there = cases.at(last, choice)
  yield
  if (posterior(there, last) >= posterior(here, centre)) [centre, here] = [last, there]
  const values = valuesOf(here)
  const rows = slopes.map((row, j) =>
    asks(cases, values, j) ? row : { ...row, slope: row.slope.map(() => 0) },
  )
  const gain = gainOf(rows, WIDER)
  const narrower = logDeterminant(rows, WIDER) / 2
  return {
    branch,
    centre,
    rows,
    slopes: [...slopes],
    gain,
    narrower,
    evidence: Math.log(choice.share) + posterior(here, centre) - logDeterminant(rows, 1) / 2,
  }
}

/** A draw: z from independent standard normal z0 and one more for each row. */
export function drawFrom(
  { centre, rows, gain }: Proposal,
  z0: ArrayLike<number>,
  errors: ArrayLike<number>,
): Float64Array {
  const z = Float64Array.from(centre, (middle, k) => middle + z0[k]!)
  rows.forEach(({ slope, sigma }, j) => {
    const off = dot(slope, z0) + Math.sqrt(WIDER) * sigma * errors[j]!
    const row = gain[j]!
    for (let k = 0; k < z.length; k++) z[k]! -= row[k]! * off
  })
  return z
}

/** A step from z that leaves the proposal as it is: `length` of it new, the rest what z was. */
export function steppedBy(
  proposal: Proposal,
  z: ArrayLike<number>,
  length: number,
  z0: ArrayLike<number>,
  errors: ArrayLike<number>,
): Float64Array {
  const fresh = drawFrom(proposal, z0, errors)
  const still = Math.sqrt(1 - length * length)
  return proposal.centre.map(
    (middle, k) => middle + still * (z[k]! - middle) + length * (fresh[k]! - middle),
  )
}

/** Log density at z, against that of the standard normal at 0. */
export function logDensity({ centre, rows, narrower }: Proposal, z: ArrayLike<number>): number {
  const away = Float64Array.from(centre, (middle, k) => z[k]! - middle)
  let sum = squared(away)
  for (const { slope, sigma } of rows) sum += dot(slope, away) ** 2 / (WIDER * sigma * sigma)
  return narrower - sum / 2
}

/** Log of the posterior at z, but for a constant. */
const posterior = (one: Case, z: ArrayLike<number>) => one.logWeight - squared(z) / 2

/** Slopes of all readings at a case, and of the bounds that it is near or beyond. */
function* slopesAt(cases: Cases, choice: Branch, at: Float64Array, here: Case): Generator<void, Row[]> {
  const rows = [...cases.observed, ...cases.bounds].map(({ sigma }) => ({
    slope: new Float64Array(at.length),
    sigma,
  }))
  const base = valuesOf(here)
  for (let k = 0; k < at.length; k++) {
    const beside = Float64Array.from(at)
    // Outwards: a range may be wider on one side of the usual figure.
    const step = at[k]! < 0 ? -STEP : STEP
    beside[k]! += step
    const values = valuesOf(cases.at(beside, choice))
    yield
    rows.forEach(({ slope }, j) => (slope[k] = (values[j]! - base[j]!) / step))
  }
  return rows
}

/** Readings first, bounds after them. */
const valuesOf = ({ shows, inside }: Case): number[] => [...shows, ...inside]

/** A bound that is kept asks for nothing. */
function asks({ observed, bounds }: Cases, values: readonly number[], j: number): boolean {
  return j < observed.length || values[j]! < bounds[j - observed.length]!.wanted
}

/** One step: the most likely z if all were linear as here. */
function stepped(cases: Cases, slopes: readonly Row[], from: Float64Array, here: Case): Float64Array {
  const { observed, bounds } = cases
  const values = valuesOf(here)
  const asking: Row[] = []
  // y − g(m) + G·m, so that each step starts from the prior and not from the last one's answer.
  const off: number[] = []
  slopes.forEach((row, j) => {
    if (!asks(cases, values, j)) return
    const wanted = j < observed.length ? observed[j]!.read : bounds[j - observed.length]!.wanted
    asking.push(row)
    off.push(wanted - values[j]! + dot(row.slope, from))
  })
  const gain = gainOf(asking, 1)
  return Float64Array.from(from, (_, k) => {
    const z = off.reduce((sum, by, j) => sum + gain[j]![k]! * by, 0)
    return Math.max(-FURTHEST, Math.min(FURTHEST, z))
  })
}

/** K = Gᵀ(GGᵀ + wR)⁻¹, one row of z for each row. */
function gainOf(rows: readonly Row[], wider: number): Float64Array[] {
  const square = rows.map((a, i) =>
    rows.map((b, j) => dot(a.slope, b.slope) + (i === j ? wider * a.sigma ** 2 : 0)),
  )
  const inverse = inverted(square)
  return inverse.map((weights) => {
    const out = new Float64Array(rows[0]!.slope.length)
    weights.forEach((weight, i) => rows[i]!.slope.forEach((s, k) => (out[k]! += weight * s)))
    return out
  })
}

/** Log of det(I + GᵀG / wR), from its smaller twin det(I + GGᵀ / wR). */
function logDeterminant(rows: readonly Row[], wider: number): number {
  const scale = rows.map(({ sigma }) => Math.sqrt(wider) * sigma)
  const square = rows.map((a, i) =>
    rows.map((b, j) => dot(a.slope, b.slope) / (scale[i]! * scale[j]!) + (i === j ? 1 : 0)),
  )
  let sum = 0
  for (let i = 0; i < square.length; i++) {
    const pivot = square[i]![i]!
    sum += Math.log(pivot)
    for (let r = i + 1; r < square.length; r++) {
      const factor = square[r]![i]! / pivot
      for (let c = i; c < square.length; c++) square[r]![c]! -= factor * square[i]![c]!
    }
  }
  return sum
}

/** Inverse of a small symmetric positive definite matrix by Gauss-Jordan; its diagonal is never 0. */
function inverted(square: number[][]): number[][] {
  const n = square.length
  const work = square.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))])
  for (let i = 0; i < n; i++) {
    const pivot = work[i]![i]!
    for (let j = 0; j < 2 * n; j++) work[i]![j]! /= pivot
    for (let r = 0; r < n; r++) {
      if (r === i) continue
      const factor = work[r]![i]!
      for (let j = 0; j < 2 * n; j++) work[r]![j]! -= factor * work[i]![j]!
    }
  }
  return work.map((row) => row.slice(n))
}

const squared = (a: ArrayLike<number>): number => dot(a, a)

function dot(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!
  return sum
}

/** A reading as it depends on standard normal quantities z: what it would be, what was read, and its error. */
export interface Observed {
  read: number
  sigma: number
}

/** Where in z the weight most likely lies, and how it is spread: the proposal for importance sampling. */
export interface Proposal {
  /** Centre. */
  centre: Float64Array
  /** A draw: z from independent standard normal z0 and one more for each reading. */
  draw: (z0: ArrayLike<number>, error: ArrayLike<number>) => Float64Array
  /** Log density at z, but for a constant. */
  logDensity: (z: ArrayLike<number>) => number
}

/** The proposal is drawn wider than the readings ask, so that no region of some weight is missed. */
const WIDER = 2
const ROUNDS = 4
const STEP = 0.1

/**
 * Gauss-Newton from the prior mean to the most likely z, then the normal distribution that the readings, taken as linear
 * there, leave: centre m and covariance I − KG (Tarantola, Inverse Problem Theory, 2005, section 3.2).
 * @param model the readings that z would give.
 */
export function proposalFor(
  dimensions: number,
  observed: readonly Observed[],
  model: (z: Float64Array) => readonly number[],
): Proposal {
  let centre = new Float64Array(dimensions)
  let slopes: Float64Array[] = []
  for (let round = 0; round < (observed.length > 0 ? ROUNDS : 0); round++) {
    const here = model(centre)
    slopes = slopesAt(dimensions, observed.length, centre, model)
    const back = gain(slopes, observed, 1)
    // y − g(m) + G·m, so that each round starts from the prior and not from the last one's answer.
    const left = observed.map(({ read }, j) => read - here[j]! + dot(slopes[j]!, centre))
    centre = Float64Array.from({ length: dimensions }, (_, k) =>
      back.reduce((sum, row, j) => sum + row[k]! * left[j]!, 0),
    )
  }
  const spread = gain(slopes, observed, WIDER)
  return {
    centre,
    draw(z0, error) {
      const off = observed.map(
        ({ sigma }, j) => dot(slopes[j]!, z0) + Math.sqrt(WIDER) * sigma * error[j]!,
      )
      return Float64Array.from({ length: dimensions }, (_, k) =>
        spread.reduce((sum, row, j) => sum - row[k]! * off[j]!, centre[k]! + z0[k]!),
      )
    },
    logDensity(z) {
      let sum = 0
      const away = Float64Array.from(centre, (m, k) => z[k]! - m)
      for (const d of away) sum += d * d
      observed.forEach(({ sigma }, j) => {
        sum += dot(slopes[j]!, away) ** 2 / (WIDER * sigma * sigma)
      })
      return -sum / 2
    },
  }
}

function slopesAt(
  dimensions: number,
  count: number,
  at: Float64Array,
  model: (z: Float64Array) => readonly number[],
): Float64Array[] {
  const slopes = Array.from({ length: count }, () => new Float64Array(dimensions))
  for (let k = 0; k < dimensions; k++) {
    const above = Float64Array.from(at)
    const below = Float64Array.from(at)
    above[k]! += STEP
    below[k]! -= STEP
    const [high, low] = [model(above), model(below)]
    for (let j = 0; j < count; j++) slopes[j]![k] = (high[j]! - low[j]!) / (2 * STEP)
  }
  return slopes
}

/** K = Gᵀ(GGᵀ + wR)⁻¹, one row of z for each reading. */
function gain(slopes: Float64Array[], observed: readonly Observed[], wider: number): Float64Array[] {
  const square = slopes.map((a, i) =>
    slopes.map((b, j) => dot(a, b) + (i === j ? wider * observed[i]!.sigma ** 2 : 0)),
  )
  const inverse = inverted(square)
  return inverse.map((row) => {
    const out = new Float64Array(slopes[0]?.length ?? 0)
    row.forEach((weight, i) => slopes[i]!.forEach((slope, k) => (out[k]! += weight * slope)))
    return out
  })
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

function dot(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!
  return sum
}

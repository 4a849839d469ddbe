import { evenDraws, weightedMean, weightedQuantiles, weightedVariance } from '../chance'
import { fieldAt, measuredUncertainty, peakForce } from '../circuit'
import type { Installation } from '../installation'
import { whole, type Run } from '../run'
import { Cases, type Case, type Known } from './cases'
import { Draws, type Drawn } from './draws'
import { predicted, READING_ERROR, TAPE_READINGS, type TapeReading } from './readings'
import { ShownByKind } from './shown'

/** A figure as far as it is known: nine cases in ten lie between low and high. */
export interface Estimated {
  low: number
  middle: number
  high: number
}

/** A reading not yet taken, and how wide the answer would be with it. */
export interface NextReading {
  /** A tape reading, or the path of a field that is only assumed. */
  name: TapeReading | (string & {})
  /** Width of the 90 % range of the air once it is taken, on average, mm³. */
  width: number
  /** That, as a share of the width now. */
  share: number
}

export interface Estimate {
  air: Estimated
  /** mm at the pad. */
  reserve: Estimated
  /** Largest force at the pad until the disc is free, N. */
  padForce: Estimated
  /** Pad travel at which the disc is just free, mm. */
  pedalTravelAtRelease: Estimated
  releases: number
  draws: number
  /** How many equally weighted draws these are worth. */
  effective: number
  /** Share of the spread of the air that comes from what is assumed, 0 … 1, and where it comes from, largest first. */
  guess: { share: number; from: { name: string; share: number }[] }
  /** The reading that would narrow the air most comes first. */
  next: NextReading[]
}

export interface EstimateOptions {
  draws?: number
  seed?: number
}

export const ESTIMATE_DRAWS = 4000
/** Fewer than this, and the ranges are those of a handful of draws: then none is said. */
export const LEAST_EFFECTIVE = 200

/** Readings that no vehicle of the kind shows, in words. */
export interface NoEstimate {
  implausible: string
}

/**
 * What tape readings say of an unknown vehicle: circuits drawn from the ranges of its kind and from around where the
 * readings point, each weighted by prior, likelihood and what could have drawn it (importance sampling with a defensive
 * mixture). Where the readings cannot be of this kind of vehicle, that is said, and no range.
 * @param options draws of the first round; more follow until enough of them count.
 */
export function estimateRun(known: Known, options: EstimateOptions = {}): Run<Estimate | NoEstimate> {
  const { draws = ESTIMATE_DRAWS, seed = 1 } = options
  const cases = new Cases(known)
  const drawn = new Draws(cases, draws, evenDraws(seed))
  const kind = new ShownByKind(known, seed)
  return {
    get total() {
      return kind.total + drawn.total
    },
    step(count) {
      const first = Math.min(count, kind.total - kind.done)
      kind.step(first)
      // What no vehicle of the kind shows is not looked for among them.
      if (kind.done === kind.total && kind.impossible() !== null) drawn.total = drawn.done
      else if (count > first) drawn.step(count - first)
      return kind.done + drawn.done
    },
    result() {
      const implausible = kind.impossible()
      return implausible === null ? summary(known, cases, drawn) : { implausible }
    },
  }
}

/** The whole of it at once. */
export const estimate = (known: Known, options: EstimateOptions = {}): Estimate | NoEstimate =>
  whole(estimateRun(known, options))

/** Draws of less weight than this against the greatest change no figure. */
const NOTHING = 1e-15

const DO_NOT_FIT =
  'These readings do not fit this kind of vehicle: measure again, or choose another kind.'

/**
 * Chains reach a corner of the prior too in which no vehicle is: there draws enough count, and mean nothing. Vehicles drawn
 * from their kind lie under 10 (ninety were tried), readings that contradict each other over 30.
 */
const MOST_MISFIT = 20

/**
 * How much further from the middle of the kind, and from the readings, the draws are than its own vehicles: squared
 * standard deviations, over one for each dimension, which any vehicle has.
 */
function misfitOf(cases: Cases, drawn: readonly Drawn[], weights: readonly number[]): number {
  const squares = drawn.map(({ z, one }) => {
    let sum = 0
    for (const value of z) sum += value * value
    cases.observed.forEach(({ read, sigma }, j) => (sum += ((read - one.shows[j]!) / sigma) ** 2))
    return sum
  })
  return weightedMean(squares, weights) - cases.dimensions
}

function summary(known: Known, cases: Cases, draws: Draws): Estimate | NoEstimate {
  const { drawn: all, weights: every, effective } = draws.outcome()
  const drawn = all.filter((_, i) => every[i]! > NOTHING)
  const weights = every.filter((weight) => weight > NOTHING)
  if (!(effective >= Math.min(LEAST_EFFECTIVE, draws.all.length / 2)))
    return { implausible: DO_NOT_FIT }
  if (misfitOf(cases, drawn, weights) > MOST_MISFIT) return { implausible: DO_NOT_FIT }
  const of = (figure: (one: Case) => number) => drawn.map(({ one }) => figure(one))
  const range = (values: number[]): Estimated => {
    const [low, middle, high] = weightedQuantiles(values, weights, [0.05, 0.5, 0.95])
    return { low: low!, middle: middle!, high: high! }
  }
  const air = of(({ circuit }) => circuit.air)
  const found = range(air)
  return {
    air: found,
    reserve: range(of(({ solution }) => solution.reserve)),
    padForce: range(of(({ circuit }) => peakForce(circuit))),
    pedalTravelAtRelease: range(of(({ solution }) => solution.pedalTravelAtRelease)),
    releases: weightedMean(
      of(({ solution }) => (solution.releases ? 1 : 0)),
      weights,
    ),
    draws: draws.all.length,
    effective,
    guess: guessOf(known.installation, cases, drawn, weights, air),
    next: nextReadings(known, cases, drawn, weights, air, found.high - found.low),
  }
}

/**
 * What of the air's spread would be gone if every assumed figure were known: one less what the readings' and the
 * measured figures' own errors leave, to first order about the middle of what is found.
 */
function guessOf(
  { assumed }: Installation,
  cases: Cases,
  drawn: readonly Drawn[],
  weights: readonly number[],
  air: readonly number[],
): Estimate['guess'] {
  const total = weightedVariance(air, weights)
  if (total === 0) return { share: 0, from: [] }
  const z = (k: number) => drawn.map((one) => one.z[k]!)
  const mean = Float64Array.from({ length: cases.dimensions }, (_, k) => weightedMean(z(k), weights))
  const branch = cases.branches[heaviest(drawn, weights)]!
  /** Change of the air with one standard deviation of a quantity, over one to either side. */
  const slope = (k: number): number => {
    const at = (by: number) => {
      const beside = Float64Array.from(mean)
      beside[k]! += by
      return cases.at(beside, branch).circuit.air
    }
    return (at(1) - at(-1)) / 2
  }
  let known = 0
  const from: { name: string; share: number }[] = []
  for (let k = 0; k < cases.dimensions; k++) {
    const name = cases.quantities[k]?.name
    const variance = slope(k) ** 2
    if (name === undefined || !assumed.includes(name)) known += variance
    else from.push({ name, share: (variance * weightedVariance(z(k), weights)) / total })
  }
  // Of a bore that comes in sizes: what of the air goes with it.
  cases.bores.forEach(({ name }, b) => {
    const by = drawn.map((one) => cases.branches[one.branch]!.by[b]!)
    const variance = weightedVariance(by, weights)
    if (variance > 0) from.push({ name, share: covariance(by, air, weights) ** 2 / (variance * total) })
  })
  // What is assumed hangs together once readings are in, so its parts are shares of the guess, not of the whole.
  const share = from.length === 0 ? 0 : Math.min(1, Math.max(0, 1 - known / total))
  const sum = from.reduce((all, one) => all + one.share, 0)
  from.sort((a, b) => b.share - a.share)
  return {
    share,
    from: from.slice(0, 6).map((one) => ({ ...one, share: sum > 0 ? (share * one.share) / sum : 0 })),
  }
}

/** The branch of most weight. */
function heaviest(drawn: readonly Drawn[], weights: readonly number[]): number {
  const held = new Map<number, number>()
  drawn.forEach(({ branch }, i) => held.set(branch, (held.get(branch) ?? 0) + weights[i]!))
  return [...held].sort((a, b) => b[1] - a[1])[0]![0]
}

/**
 * How much each reading would narrow the air on average: the linear part of what it tells (Goldstein and Wooff, Bayes
 * Linear Statistics, 2007, chapter 3), its own error counted.
 */
function nextReadings(
  { installation, readings }: Known,
  cases: Cases,
  drawn: readonly Drawn[],
  weights: readonly number[],
  air: readonly number[],
  width: number,
): NextReading[] {
  const total = weightedVariance(air, weights)
  const external = installation.circuit.slave.type === 'external'
  const candidates: { name: string; values: number[]; sigma: number }[] = []
  for (const name of TAPE_READINGS) {
    if (readings[name] !== undefined || (name === 'rodStroke' && !external)) continue
    const values = drawn.map(({ one }) => predicted(name, one.circuit, one.solution))
    candidates.push({ name, values, sigma: READING_ERROR[name].sigma })
  }
  const errors = new Map(
    measuredUncertainty(installation.circuit).map(({ name, sigma }) => [name, sigma]),
  )
  const assumed = (name: string, values: number[]) => {
    // Only what a technician can put a tape or rule to: a load curve or a hose's swell is no reading.
    if (!installation.assumed.includes(name) || !fieldAt(name)) return
    const own = Math.sqrt(weightedVariance(values, weights)) / 20
    candidates.push({ name, values, sigma: errors.get(name) ?? own })
  }
  cases.quantities.forEach(({ name }, k) =>
    assumed(
      name,
      drawn.map(({ one }) => one.by[k]!),
    ),
  )
  cases.bores.forEach(({ name }, b) =>
    assumed(
      name,
      drawn.map(({ branch }) => cases.branches[branch]!.by[b]!),
    ),
  )
  return candidates
    .map(({ name, values, sigma }) => {
      const spread = weightedVariance(values, weights) + sigma ** 2
      const told = spread > 0 ? covariance(values, air, weights) ** 2 / spread : 0
      const share = total > 0 ? Math.sqrt(Math.max(0, 1 - told / total)) : 1
      return { name, width: width * share, share }
    })
    .sort((a, b) => a.width - b.width)
}

function covariance(a: readonly number[], b: readonly number[], weights: readonly number[]): number {
  const [meanA, meanB] = [weightedMean(a, weights), weightedMean(b, weights)]
  return weightedMean(
    a.map((value, i) => (value - meanA) * (b[i]! - meanB)),
    weights,
  )
}

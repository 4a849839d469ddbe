import {
  effectiveSize,
  evenDraws,
  latinHypercube,
  normalQuantile,
  weightedMean,
  weightedQuantiles,
  weightedVariance,
} from '../chance'
import { fieldAt, measuredUncertainty, peakForce } from '../circuit'
import type { Installation } from '../installation'
import { whole, type Run } from '../run'
import { Cases, type Case, type Known } from './cases'
import { proposalFor, type Proposal } from './gaussian'
import { predicted, READING_ERROR, TAPE_READINGS, type TapeReading } from './readings'

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
/** A round in which fewer than this share of the draws count is followed by another, at most so many in all. */
const THIN = 0.1
const MOST_ROUNDS = 4
/** Fewer than this, and the ranges are those of a handful of draws. */
export const LEAST_EFFECTIVE = 50

/**
 * What three or four tape readings say of an unknown vehicle: circuits drawn by a Latin hypercube from the ranges of its
 * kind, around where the readings point, each weighted by prior, likelihood and proposal (importance sampling). Null where no
 * draw can lie behind the readings: geometry or readings are wrong.
 */
export function estimateRun(known: Known, options: EstimateOptions = {}): Run<Estimate | null> {
  const { draws = ESTIMATE_DRAWS, seed = 1 } = options
  const cases = new Cases(known)
  const { dimensions, observed } = cases
  const proposal = proposalFor(dimensions, observed, (z) => cases.at(z).shows)
  const chance = evenDraws(seed)
  let cube = latinHypercube(draws, dimensions + observed.length, chance)
  let rounds = 1
  const drawn: WeighedCase[] = []

  function drawOne(i: number): void {
    const normals = cube.map((column) => normalQuantile(column[i % draws]!))
    const z = proposal.draw(normals.slice(0, dimensions), normals.slice(dimensions))
    const one = cases.at(z)
    let logWeight = one.logWeight - proposal.logDensity(z)
    for (const value of z) logWeight -= (value * value) / 2
    drawn.push({ z, one, logWeight })
  }

  /** Another round where too few of the draws so far count for anything. */
  function goOn(): void {
    if (rounds === MOST_ROUNDS || effectiveSize(weightsOf(drawn)) >= THIN * draws) return
    rounds += 1
    cube = latinHypercube(draws, dimensions + observed.length, chance)
  }

  return {
    get total() {
      return draws * rounds
    },
    step(count) {
      const end = Math.min(draws * rounds, drawn.length + count)
      while (drawn.length < end) drawOne(drawn.length)
      if (drawn.length === draws * rounds) goOn()
      return drawn.length
    },
    result: () => summary(known, cases, proposal, drawn),
  }
}

/** The whole of it at once. */
export const estimate = (known: Known, options: EstimateOptions = {}): Estimate | null =>
  whole(estimateRun(known, options))

/** Draws of less weight than this against the greatest change no figure. */
const NOTHING = 1e-15

interface WeighedCase {
  z: Float64Array
  one: Case
  logWeight: number
}

/** Weights against the greatest of them. */
function weightsOf(drawn: readonly WeighedCase[]): number[] {
  const highest = drawn.reduce((most, { logWeight }) => Math.max(most, logWeight), -Infinity)
  return drawn.map(({ logWeight }) => (highest === -Infinity ? 0 : Math.exp(logWeight - highest)))
}

function summary(known: Known, cases: Cases, proposal: Proposal, all: WeighedCase[]): Estimate | null {
  const every = weightsOf(all)
  const drawn = all.filter((_, i) => every[i]! > NOTHING)
  if (drawn.length === 0) return null
  const weights = every.filter((weight) => weight > NOTHING)
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
    draws: all.length,
    effective: effectiveSize(weights),
    guess: guessOf(known.installation, cases, proposal, drawn, weights, air),
    next: nextReadings(known, cases, drawn, weights, air, found.high - found.low),
  }
}

/**
 * What of the air's spread would be gone if every assumed figure were known: one less what the readings' and the
 * measured figures' own errors leave, to first order at the centre.
 */
function guessOf(
  { assumed }: Installation,
  cases: Cases,
  proposal: Proposal,
  drawn: WeighedCase[],
  weights: number[],
  air: number[],
): Estimate['guess'] {
  const total = weightedVariance(air, weights)
  if (total === 0) return { share: 0, from: [] }
  const mean = Float64Array.from(proposal.centre, (_, k) =>
    weightedMean(
      drawn.map(({ z }) => z[k]!),
      weights,
    ),
  )
  const slope = (k: number): number => {
    const at = (by: number) => {
      const z = Float64Array.from(mean)
      z[k]! += by
      return cases.at(z).circuit.air
    }
    return (at(0.2) - at(-0.2)) / 0.4
  }
  let known = 0
  const from: { name: string; share: number }[] = []
  for (let k = 0; k < cases.dimensions; k++) {
    const name = cases.quantities[k]?.name
    const variance = slope(k) ** 2
    if (name === undefined || !assumed.includes(name)) known += variance
    else {
      const left = weightedVariance(
        drawn.map(({ z }) => z[k]!),
        weights,
      )
      from.push({ name, share: (variance * left) / total })
    }
  }
  // What is assumed hangs together once readings are in, so its parts are shares of the guess, not of the whole.
  const share = from.length === 0 ? 0 : Math.min(1, Math.max(0, 1 - known / total))
  const sum = from.reduce((all, one) => all + one.share, 0)
  from.sort((a, b) => b.share - a.share)
  return {
    share,
    from: from.slice(0, 6).map((one) => ({ ...one, share: sum > 0 ? (share * one.share) / sum : 0 })),
  }
}

/**
 * How much each reading would narrow the air on average: the linear part of what it tells (Goldstein and Wooff, Bayes
 * Linear Statistics, 2007, chapter 3), its own error counted.
 */
function nextReadings(
  { installation, readings }: Known,
  cases: Cases,
  drawn: WeighedCase[],
  weights: number[],
  air: number[],
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
  cases.quantities.forEach(({ name, sigma }, k) => {
    // Only what a technician can put a tape or rule to: a load curve or a hose's swell is no reading.
    if (!installation.assumed.includes(name) || !fieldAt(name)) return
    const values = drawn.map(({ z }) => sigma * z[k]!)
    candidates.push({ name, values, sigma: errors.get(name) ?? sigma / 20 })
  })
  return candidates
    .map(({ name, values, sigma }) => {
      const told =
        covariance(values, air, weights) ** 2 / (weightedVariance(values, weights) + sigma ** 2)
      const share = total > 0 ? Math.sqrt(Math.max(0, 1 - told / total)) : 1
      return { name, width: width * share, share }
    })
    .sort((a, b) => a.width - b.width)
}

function covariance(a: number[], b: number[], weights: number[]): number {
  const [meanA, meanB] = [weightedMean(a, weights), weightedMean(b, weights)]
  return weightedMean(
    a.map((value, i) => (value - meanA) * (b[i]! - meanB)),
    weights,
  )
}

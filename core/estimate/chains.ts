import { effectiveSize, normalQuantile, weightedMean, weightedVariance, type Draw } from '../chance'
import type { Cases } from './cases'
import { branchAt } from './branches'
import type { Draws, Drawn } from './draws'
import { logDensity, steppedBy, type Proposal } from './proposal'

/** A case that walks. */
interface Walker {
  drawn: Drawn
  /** Log of what all draws could have been made by, and of the posterior, but for a constant each. */
  logMixture: number
  logPosterior: number
  /** Walkers that began as the same draw are of one family. */
  family: number
}

const WALKERS = 400
/** Walks over all walkers until they are as good as this many draws, or no more than so many. */
const WANTED_EFFECTIVE = 230
const MOST_SWEEPS = 80
const LEAST_SWEEPS = 4
/** Sweeps at each step from what the draws were made by to the posterior. */
const SWEEPS_A_STEP = 2
/** At each such step so many of the walkers still count. */
const KEPT = 0.4
/** A step smaller than this goes nowhere. */
const LEAST_STEP = 0.005
/** Walks that are made from the prior, and so may change the branch. */
const FROM_PRIOR = 0.25
/** Of all walks about this share is to be taken: the length of the steps follows. */
const TAKEN = 0.3

/**
 * Where too few draws count, they are walked on: resampled by their weights, over steps from what they were made by to the
 * posterior where that is far (Del Moral, Doucet and Jasra, 2006), and moved by steps that leave prior or proposal as they
 * are (preconditioned Crank–Nicolson: Cotter, Roberts, Stuart and White, 2013).
 */
export class Chains {
  private walkers: Walker[] = []
  private first: number[] = []
  /** Length of a step from a proposal, and from the prior, 0 … 1. */
  private readonly length = { proposal: 0.5, prior: 0.3 }

  constructor(
    private readonly cases: Cases,
    private readonly draws: Draws,
    private readonly chance: Draw,
  ) {}

  /** Hands back each case that it asks for; ends without walkers where no draw can be. */
  *walk(): Generator<void, void> {
    const { draws } = this
    const alive = draws.all
      .map((drawn): Walker => ({ drawn, ...draws.logsOf(drawn), family: 0 }))
      .filter(({ logPosterior }) => logPosterior > -Infinity)
    if (alive.length === 0) return
    let power = this.nextPower(alive, 0, WALKERS / 8)
    this.walkers = this.resampled(alive, power, WALKERS)
    while (power < 1) {
      for (let n = 0; n < SWEEPS_A_STEP; n++) yield* this.sweep(power)
      const next = this.nextPower(this.walkers, power, KEPT * WALKERS)
      const from = power
      power = Math.min(1, Math.max(next, power + LEAST_STEP))
      this.walkers = this.resampled(this.walkers, power - from, WALKERS)
    }
    this.nameFamilies()
    this.first = this.airs()
    for (let sweep = 1; sweep <= MOST_SWEEPS; sweep++) {
      yield* this.sweep(1)
      if (sweep >= LEAST_SWEEPS && this.effective() >= WANTED_EFFECTIVE) return
    }
  }

  get drawn(): Drawn[] {
    return this.walkers.map(({ drawn }) => drawn)
  }

  /**
   * How many independent draws the walkers are worth: as many as began apart, as far as they still stand where they began,
   * and all of them as far as they do not.
   */
  effective(): number {
    const now = this.airs()
    const ones = now.map(() => 1)
    const [meanThen, meanNow] = [weightedMean(this.first, ones), weightedMean(now, ones)]
    const spread = Math.sqrt(weightedVariance(this.first, ones) * weightedVariance(now, ones))
    const together = weightedMean(
      now.map((air, i) => (air - meanNow) * (this.first[i]! - meanThen)),
      ones,
    )
    const left = spread > 0 ? Math.min(1, Math.max(0, together / spread)) : 1
    const counts = new Map<number, number>()
    for (const { family } of this.walkers) counts.set(family, (counts.get(family) ?? 0) + 1)
    const apart = effectiveSize([...counts.values()])
    return left * apart + (1 - left) * this.walkers.length
  }

  private airs(): number[] {
    return this.walkers.map(({ drawn }) => drawn.one.circuit.air)
  }

  private nameFamilies(): void {
    const known = new Map<Drawn, number>()
    for (const walker of this.walkers) {
      const { drawn } = walker
      if (!known.has(drawn)) known.set(drawn, known.size)
      walker.family = known.get(drawn)!
    }
  }

  /** How far toward the posterior, so that so many still count. */
  private nextPower(list: readonly Walker[], from: number, wanted: number): number {
    const effective = (to: number) => effectiveSize(weightsOf(list, to - from))
    if (effective(1) >= wanted) return 1
    let [low, high] = [from, 1]
    for (let i = 0; i < 25; i++) {
      const middle = (low + high) / 2
      if (effective(middle) >= wanted) low = middle
      else high = middle
    }
    return low
  }

  /** Systematic resampling by weights of that power. */
  private resampled(list: readonly Walker[], power: number, count: number): Walker[] {
    const weights = weightsOf(list, power)
    let total = 0
    for (const weight of weights) total += weight
    const chosen: Walker[] = []
    const offset = this.chance()
    let sum = 0
    let k = -1
    for (let i = 0; i < count; i++) {
      const at = ((i + offset) / count) * total
      while (sum <= at && k < list.length - 1) sum += weights[++k]!
      chosen.push({ ...list[Math.max(0, k)]! })
    }
    return chosen
  }

  private *sweep(power: number): Generator<void, void> {
    const tried = { proposal: 0, prior: 0 }
    const taken = { proposal: 0, prior: 0 }
    for (const walker of this.walkers) {
      const own = this.draws.proposals.find(({ branch }) => branch === walker.drawn.branch)
      const proposal = this.chance() < FROM_PRIOR ? undefined : own
      const way = proposal ? 'proposal' : 'prior'
      tried[way] += 1
      if (this.step(walker, proposal, power)) taken[way] += 1
      yield
    }
    for (const way of ['proposal', 'prior'] as const) {
      if (tried[way] < 20) continue
      const share = taken[way] / tried[way]
      this.length[way] = Math.min(1, Math.max(0.02, this.length[way] * Math.exp(share - TAKEN)))
    }
  }

  /** One step about a proposal, or about the prior where there is none; whether it was taken. */
  private step(walker: Walker, proposal: Proposal | undefined, power: number): boolean {
    const { drawn } = walker
    const length = this.length[proposal ? 'proposal' : 'prior']
    const normals = (count: number) => Float64Array.from({ length: count }, () => this.normal())
    let { branch } = drawn
    let z: Float64Array
    /** Log of what the step leaves as it is, at the new place less at the old. */
    let kept: number
    if (proposal) {
      z = steppedBy(proposal, drawn.z, length, normals(drawn.z.length), normals(proposal.rows.length))
      kept = logDensity(proposal, z) - logDensity(proposal, drawn.z)
    } else {
      const still = Math.sqrt(1 - length * length)
      z = drawn.z.map((value) => still * value + length * this.normal())
      if (this.chance() < 0.5) branch = branchAt(this.cases, this.chance())
      kept = this.draws.logBlind({ branch, z }) - this.draws.logBlind(drawn)
    }
    const next: Drawn = { branch, z, one: this.cases.at(z, this.cases.branches[branch]!) }
    const logs = this.draws.logsOf(next)
    if (logs.logPosterior === -Infinity) return false
    const at = (of: { logMixture: number; logPosterior: number }) =>
      (1 - power) * of.logMixture + power * of.logPosterior
    if (Math.log(this.chance() + 1e-300) >= at(logs) - at(walker) - kept) return false
    Object.assign(walker, logs, { drawn: next })
    return true
  }

  private normal(): number {
    return normalQuantile(Math.min(1 - 1e-12, Math.max(1e-12, this.chance())))
  }
}

function weightsOf(list: readonly Walker[], power: number): number[] {
  const logs = list.map(({ logMixture, logPosterior }) => power * (logPosterior - logMixture))
  const highest = logs.reduce((most, log) => Math.max(most, log), -Infinity)
  return logs.map((log) => Math.exp(log - highest))
}

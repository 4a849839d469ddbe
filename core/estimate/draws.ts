import { effectiveSize, latinHypercube, normalQuantile, type Draw } from '../chance'
import type { Case, Cases } from './cases'
import { branchAt } from './branches'
import { Chains } from './chains'
import { drawFrom, logDensity, proposalNear, type Proposal } from './proposal'

/** A case drawn, with what it counts for. */
export interface Drawn {
  /** Index of its branch. */
  branch: number
  z: Float64Array
  one: Case
}

/** Of a round's draws, those that are made from the prior alone: they find what no proposal expects. */
const BLIND = 0.35
/** Of the others, those that go to the branches as they are met, and not as the readings have them. */
const AS_MET = 0.2
/** Branches met less often than this have no proposal of their own; the blind draws reach them. */
const RARE = 0.002
/** Fewer draws that count than these, and they are walked on. */
const WANTED_EFFECTIVE = 240

/** Draws from what is held before anything was read and from around where the readings point, until enough of them count. */
export class Draws {
  readonly all: Drawn[] = []
  readonly proposals: Proposal[] = []
  /** How many draws each proposal was to make. */
  private readonly made: number[] = []
  private blind = 0
  private chains: Chains | undefined
  /** Pieces done, and to do as far as that is known. */
  done = 0
  total: number
  private readonly work: Generator<void, void>

  constructor(
    private readonly cases: Cases,
    private readonly count: number,
    private readonly chance: Draw,
  ) {
    const kept = cases.branches.filter(({ share }) => share >= RARE).length
    this.total = count + (kept + 3) * (cases.dimensions + 5)
    this.work = this.rounds()
  }

  step(count: number): number {
    for (let i = 0; i < count; i++) {
      if (this.work.next().done) {
        this.total = this.done
        break
      }
      this.done += 1
      // It turns out as the work goes on how much there is.
      if (this.done === this.total) this.total += this.count
    }
    return this.done
  }

  /** What has come of it: the draws with what each counts for, or, where too few of them count, where they walked. */
  outcome(): { drawn: readonly Drawn[]; weights: number[]; effective: number } {
    if (this.chains && this.chains.drawn.length > 0) {
      const { drawn } = this.chains
      return { drawn, weights: drawn.map(() => 1), effective: this.chains.effective() }
    }
    const weights = this.weights()
    return { drawn: this.all, weights, effective: effectiveSize(weights) }
  }

  /**
   * Weight of each draw: prior and likelihood against the density of all that could have drawn it (deterministic mixture:
   * Owen and Zhou, 2000).
   */
  private weights(): number[] {
    const logs = this.all.map((drawn) => {
      const { logMixture, logPosterior } = this.logsOf(drawn)
      return logPosterior - logMixture
    })
    const highest = logs.reduce((most, log) => Math.max(most, log), -Infinity)
    return logs.map((log) => (highest === -Infinity ? 0 : Math.exp(log - highest)))
  }

  /** Log density of blind draws at a place, but for a constant. */
  logBlind({ branch, z }: Pick<Drawn, 'branch' | 'z'>): number {
    return Math.log(this.cases.branches[branch]!.blind) - squared(z) / 2
  }

  /** Log density of all that could have drawn a case, and of its posterior, but for a constant each. */
  logsOf(drawn: Drawn): { logMixture: number; logPosterior: number } {
    const { branch, z, one } = drawn
    const prior = Math.log(this.cases.branches[branch]!.share) - squared(z) / 2
    let most = Math.log(this.blind) + this.logBlind(drawn)
    const parts = [most]
    this.proposals.forEach((proposal, k) => {
      if (proposal.branch !== branch || this.made[k] === 0) return
      const log = Math.log(this.made[k]!) + logDensity(proposal, z)
      parts.push(log)
      most = Math.max(most, log)
    })
    let sum = 0
    for (const part of parts) sum += Math.exp(part - most)
    return { logMixture: most + Math.log(sum), logPosterior: prior + one.logWeight }
  }

  private *rounds(): Generator<void, void> {
    const { cases, count } = this
    const nothingRead = cases.observed.length === 0 && cases.bounds.length === 0
    if (nothingRead) {
      yield* this.drawBlind(count)
      return
    }
    yield* this.proposeForBranches()
    yield* this.drawBlind(Math.ceil(BLIND * count))
    yield* this.drawProposed(Math.floor((1 - BLIND) * count), this.sharesOfAll())
    if (effectiveSize(this.weights()) >= WANTED_EFFECTIVE) return
    this.chains = new Chains(cases, this, this.chance)
    yield* this.chains.walk()
  }

  /** One for each branch, each begun where that of the usual bores ended. */
  private *proposeForBranches(): Generator<void, void> {
    const { branches } = this.cases
    for (const atEnd of new Set(branches.map((branch) => branch.atEnd))) {
      const own = branches
        .map((branch, i) => ({ i, ...branch }))
        .filter((branch) => branch.atEnd === atEnd && branch.share >= RARE)
        .sort((a, b) => distance(a.by) - distance(b.by))
      let start: ArrayLike<number> = new Float64Array(this.cases.dimensions)
      let main: Proposal | undefined
      for (const { i } of own) {
        const proposal: Proposal = yield* proposalNear(this.cases, i, start, main ? 2 : 3, main?.slopes)
        this.proposals.push(proposal)
        this.made.push(0)
        main ??= proposal
        start = main.centre
      }
    }
  }

  /** How many of a round's draws each proposal makes: by what it holds of the posterior, and some as its bores are met. */
  private sharesOfAll(): number[] {
    const most = this.proposals.reduce((best, { evidence }) => Math.max(best, evidence), -Infinity)
    const held = this.proposals.map(({ evidence }) =>
      most === -Infinity ? 0 : Math.exp(evidence - most),
    )
    const sum = held.reduce((all, one) => all + one, 0)
    return this.proposals.map(({ branch }, k) => {
      const met = this.cases.branches[branch]!.blind
      return sum > 0 ? AS_MET * met + ((1 - AS_MET) * held[k]!) / sum : met
    })
  }

  private *drawBlind(count: number): Generator<void, void> {
    const { cases } = this
    this.blind += count
    const cube = latinHypercube(count, cases.dimensions + 1, this.chance)
    for (let i = 0; i < count; i++) {
      const z = Float64Array.from({ length: cases.dimensions }, (_, k) => normalQuantile(cube[k]![i]!))
      this.keep(branchAt(cases, cube[cases.dimensions]![i]!), z)
      yield
    }
  }

  private *drawProposed(count: number, shares: readonly number[]): Generator<void, void> {
    const { cases } = this
    const total = shares.reduce((sum, share) => sum + share, 0)
    const rows = cases.observed.length + cases.bounds.length
    const cube = latinHypercube(Math.ceil(count), cases.dimensions + rows, this.chance)
    let i = 0
    // By turns, and never by lot: each makes just as many as its share, which is what its density counts for.
    let owed = 0
    for (let k = 0; k < shares.length && total > 0; k++) {
      owed += (count * shares[k]!) / total
      const own = Math.min(Math.round(owed), cube[0]!.length - i)
      owed -= own
      this.made[k]! += own
      for (let n = 0; n < own; n++, i++) {
        const normal = (column: number) => normalQuantile(cube[column]![i]!)
        const z0 = Float64Array.from({ length: cases.dimensions }, (_, column) => normal(column))
        const errors = Float64Array.from({ length: rows }, (_, j) => normal(cases.dimensions + j))
        this.keep(this.proposals[k]!.branch, drawFrom(this.proposals[k]!, z0, errors))
        yield
      }
    }
  }

  private keep(branch: number, z: Float64Array): void {
    this.all.push({ branch, z, one: this.cases.at(z, this.cases.branches[branch]!) })
  }
}

const squared = (z: Float64Array): number => z.reduce((sum, value) => sum + value * value, 0)
const distance = (by: readonly number[]): number => by.reduce((sum, one) => sum + Math.abs(one), 0)

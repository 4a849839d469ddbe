import { evenDraws, effectiveSize, weightedQuantiles, type Draw } from '../chance'
import type { CameOut } from '../entries'
import type { Picture } from './film'
import type { Followed } from './logged'
import { drawnConstants } from './draw-constants'
import { cycleOf } from './methods'
import { askedOf, type RankAsked, type Ranged } from './rank'
import { Bleed } from './run'
import { normal, sharedOut } from './share-out'
import type { Run } from '../run'

/** Circuits that might be the one on the vehicle; drawn anew from the likely ones when fewer than half carry the weight. */
const PARTICLES = 256
/** Cells of each one's line: there are many of them, and each is one guess among many. */
const CELLS = 60
/** One in ten is misread, to a neighbour; anything else is a slip. */
const MISREAD = 0.1
const SLIP = 0.002

/** What came out, by the gas in it, ml: under each bound; above the last it is foam. */
const GRADES: readonly (readonly [CameOut, number])[] = [
  ['clear', 0.02],
  ['few', 0.15],
  ['large', 1],
]
/** ml of anything at all under which nothing came. */
const ANYTHING = 0.1
const ORDER: readonly CameOut[] = ['clear', 'few', 'large', 'foam']
export function gradeOf(gas: number, all: number): CameOut {
  if (all < ANYTHING) return 'nothing'
  return GRADES.find(([, bound]) => gas < bound)?.[0] ?? 'foam'
}
function likelihoodOf(seen: CameOut, is: CameOut): number {
  if (seen === is) return 1 - MISREAD
  const [a, b] = [ORDER.indexOf(seen), ORDER.indexOf(is)]
  return a >= 0 && b >= 0 && Math.abs(a - b) === 1 ? MISREAD / 2 : SLIP
}

/** By how much a copy’s air differs in each place, as a share. */
const JITTER = 0.03

/** How far the model itself may be out, ml and as a share of what is in it. */
const MODEL_ERROR = 0.15
const MODEL_SHARE = 0.15
const LITTLE = 0.02

const gaussian = (difference: number, sigma: number): number =>
  Math.exp(-0.5 * (difference / sigma) ** 2)
/** Free air by place, ml. */
export type Now = Record<'line' | 'slave' | 'master' | 'total', Ranged>

/** Follows a bleed: what is left, and where, by what was logged so far. */
export class Following {
  private particles: Bleed[]
  private weights = new Float64Array(PARTICLES).fill(1 / PARTICLES)
  private readonly draw: Draw

  constructor(asked: RankAsked) {
    this.draw = evenDraws(asked.seed)
    const constants = drawnConstants(asked.set, PARTICLES, asked.seed, asked.learned)
    this.particles = constants.map(
      (one) => new Bleed({ ...askedOf(asked, one, CELLS), start: sharedOut(asked.start, this.draw) }),
    )
  }

  /** Particles that a logged line is taken through: they can be gone through in pieces. */
  get size(): number {
    return PARTICLES
  }
  /** Takes in what was logged next. */
  take(logged: Followed): void {
    for (let i = 0; i < PARTICLES; i++) this.weigh(i, logged)
    this.settle()
  }
  /** One particle through it; once all of them are, they are settled. */
  weigh(i: number, logged: Followed): void {
    if ('change' in logged) {
      const { noseUp, turned } = logged.change
      const { slave } = this.particles[i]!.asked
      this.particles[i] = this.particles[i]!.copy({
        ...(noseUp !== undefined && { noseUp }),
        ...(turned && slave.bleeder && { slave: { ...slave, bleeder: { off: 0 } } }),
      })
      return
    }
    this.weights[i]! *= Math.max(1e-12, this.likelihood(this.particles[i]!, logged))
  }
  settle(): void {
    let sum = 0
    for (let i = 0; i < PARTICLES; i++) sum += this.weights[i]!
    for (let i = 0; i < PARTICLES; i++) this.weights[i]! /= sum
    if (effectiveSize(this.weights) < PARTICLES / 2) this.resample()
  }
  private likelihood(bleed: Bleed, logged: Exclude<Followed, { change: unknown }>): number {
    const { machine, setting } = bleed
    if ('air' in logged) return this.read(bleed, logged)
    const before = { ...machine.count }
    machine.atUnion = logged.atUnion ?? false
    for (let i = 0; i < (logged.strokes ?? 1); i++) cycleOf(logged.method, setting)
    machine.atUnion = false
    const gas = machine.count.gasOut - before.gasOut
    const liquid = machine.count.liquidOut - before.liquidOut
    let weight = 1
    if (logged.cameOut !== undefined) weight *= likelihoodOf(logged.cameOut, gradeOf(gas, gas + liquid))
    if (logged.bottle !== undefined) {
      const sigma = 1 + 0.15 * Math.max(1, liquid)
      weight *= gaussian(liquid - logged.bottle, sigma) / sigma
    }
    return weight
  }
  /** A copy that is not quite the same: of what made one likely not every part is known to have done so. */
  private varied(one: Bleed): Bleed {
    const other = one.copy()
    const { machine } = other
    const factor = () => Math.exp(JITTER * normal(this.draw))
    const line = factor()
    machine.line.forEach((gas, i) => (machine.line[i] = Math.min(machine.cells.volume, gas * line)))
    machine.slave = Math.min(machine.slaveNow, machine.slave * factor())
    machine.master = Math.min(machine.masterNow, machine.master * factor())
    return other
  }
  /**
   * A reading of the pedal outranks the model, which knows nothing of air that sticks to walls, is dissolved or hides in a lip: each
   * circuit's air is moved towards it by as much as the model may be out, and weighed by how far off it was.
   */
  private read({ machine }: Bleed, { air, sigma }: { air: number; sigma: number }): number {
    const total = machine.total
    const own = MODEL_ERROR + MODEL_SHARE * total
    const gain = own ** 2 / (own ** 2 + sigma ** 2)
    const wanted = Math.max(0, total + gain * (air + sigma * normal(this.draw) - total))
    if (total > LITTLE) {
      const factor = wanted / total
      machine.line.forEach((gas, i) => (machine.line[i] = Math.min(machine.cells.volume, gas * factor)))
      machine.far.forEach((gas, i) => (machine.far[i] = gas * factor))
      machine.slave *= factor
      machine.master *= factor
    }
    // What no place held before hides in the slave, where cup and threads are.
    machine.slave = Math.min(machine.slaveNow, machine.slave + Math.max(0, wanted - machine.total))
    machine.master = Math.min(machine.masterNow, machine.master)
    return gaussian(total - air, Math.hypot(sigma, own))
  }
  /** Systematic: the likely ones are copied, the unlikely ones go. */
  private resample(): void {
    const next: Bleed[] = []
    const from = this.draw() / PARTICLES
    let sum = this.weights[0]!
    let i = 0
    for (let k = 0; k < PARTICLES; k++) {
      const at = from + k / PARTICLES
      while (sum < at && i < PARTICLES - 1) sum += this.weights[++i]!
      const one = this.particles[i]!
      next.push(next.includes(one) ? this.varied(one) : one)
    }
    this.particles = next
    this.weights.fill(1 / PARTICLES)
  }

  /** What is left by place, ml: 90 of 100 lie between low and high. */
  now(): Now {
    const of = (pick: (bleed: Bleed) => number): Ranged => {
      const [low, middle, high] = weightedQuantiles(
        this.particles.map(pick),
        [...this.weights],
        [0.05, 0.5, 0.95],
      ) as [number, number, number]
      return { low, middle, high }
    }
    const line = ({ machine }: Bleed) => machine.gasIn(machine.line) + machine.gasIn(machine.far)
    return {
      line: of(line),
      slave: of(({ machine }) => machine.slave),
      master: of(({ machine }) => machine.master),
      total: of(({ machine }) => machine.total),
    }
  }

  /** Where the air is thought to be: the mean over all that might be so. */
  picture(): Picture {
    const [first] = this.particles
    const { cells, bleedLine } = first!.machine
    const mean: Picture = {
      line: new Float32Array(cells.n),
      far: new Float32Array(bleedLine?.n ?? 0),
      slave: 0,
      master: 0,
    }
    this.particles.forEach(({ machine }, i) => {
      const weight = this.weights[i]!
      const k = weight / machine.cells.volume
      machine.line.forEach((gas, j) => (mean.line[j]! += k * gas))
      machine.far.forEach((gas, j) => (mean.far[j]! += (weight * gas) / machine.bleedLine!.volume))
      mean.slave += (weight * machine.slave) / machine.slaveNow
      mean.master += (weight * machine.master) / machine.masterNow
    })
    return mean
  }
}

export interface FollowAnswer {
  now: Now
  picture: Picture
}
/**
 * Goes through a log; one piece is one particle through one line of it.
 * @param from pieces of it that this following has gone through already
 */
export function followRun(
  following: Following,
  logged: readonly Followed[],
  from = 0,
): Run<FollowAnswer> {
  const { size } = following
  let done = from
  return {
    total: logged.length * size,
    step(count) {
      for (const end = Math.min(this.total, done + count); done < end;) {
        following.weigh(done % size, logged[Math.floor(done / size)]!)
        done += 1
        if (done % size === 0) following.settle()
      }
      return done
    },
    result: () => ({ now: following.now(), picture: following.picture() }),
  }
}

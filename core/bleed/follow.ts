import { evenDraws, effectiveSize, normalQuantile, weightedQuantiles, type Draw } from '../chance'
import type { CameOut } from '../entries'
import { drawnConstants } from './draw-constants'
import { cycleOf, type BleedRun } from './methods'
import { askedOf, type RankAsked, type Ranged } from './rank'
import { Bleed } from './run'

/** Circuits that might be the one on the vehicle; drawn anew from the likely ones when fewer than half carry the weight. */
const PARTICLES = 256
/** How firmly the air's share of places is known at the start. */
const STRENGTH = 4
/** One in ten is misread, to a neighbour; anything else is a slip. */
const MISREAD = 0.1
const SLIP = 0.002

/** A cycle as it was logged, or what the pedal showed between two. */
export type Followed =
  | { method: BleedRun; strokes?: number; cameOut?: CameOut; bottle?: number }
  /** Air that a reading of the pedal shows, ml, and its standard deviation. */
  | { air: number; sigma: number }

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

const gaussian = (difference: number, sigma: number): number =>
  Math.exp(-0.5 * (difference / sigma) ** 2)
const normal = (draw: Draw): number => normalQuantile(Math.min(1 - 1e-12, Math.max(1e-12, draw())))
/** Gamma with a shape, scale 1 (Marsaglia and Tsang 2000). */
function gamma(shape: number, draw: Draw): number {
  if (shape < 1) return gamma(shape + 1, draw) * Math.max(1e-300, draw()) ** (1 / shape)
  const d = shape - 1 / 3
  const c = 1 / Math.sqrt(9 * d)
  for (;;) {
    const x = normal(draw)
    const v = (1 + c * x) ** 3
    if (v <= 0) continue
    if (Math.log(Math.max(1e-300, draw())) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v
  }
}

/** The air of a start, shared over its places anew: as firmly as their shares are known. */
export function sharedOut(start: RankAsked['start'], draw: Draw): RankAsked['start'] {
  if (typeof start === 'string') return start
  const places = ['line', 'slave', 'master'] as const
  const total = places.reduce((sum, place) => sum + start[place], 0)
  if (total <= 0) return start
  const shares = places.map((place) =>
    start[place] > 0 ? gamma((STRENGTH * start[place]) / total, draw) : 0,
  )
  const sum = shares.reduce((a, b) => a + b, 0)
  const [line, slave, master] = shares.map((one) => (total * one) / sum) as [number, number, number]
  return { line, slave, master }
}

export interface Now {
  line: Ranged
  slave: Ranged
  master: Ranged
  total: Ranged
}

/** Follows a bleed: what is left, and where, by what was logged so far. */
export class Following {
  private particles: Bleed[]
  private weights = new Float64Array(PARTICLES).fill(1 / PARTICLES)
  private readonly draw: Draw

  constructor(asked: RankAsked) {
    this.draw = evenDraws(asked.seed)
    const constants = drawnConstants(asked.set, PARTICLES, asked.seed)
    this.particles = constants.map(
      (one) => new Bleed({ ...askedOf(asked, one), start: sharedOut(asked.start, this.draw) }),
    )
  }

  /** Takes in what was logged next. */
  take(logged: Followed): void {
    let sum = 0
    this.particles.forEach((bleed, i) => {
      const weight = this.weights[i]! * Math.max(1e-12, this.likelihood(bleed, logged))
      this.weights[i] = weight
      sum += weight
    })
    for (let i = 0; i < PARTICLES; i++) this.weights[i]! /= sum
    if (effectiveSize(this.weights) < PARTICLES / 2) this.resample()
  }
  private likelihood(bleed: Bleed, logged: Followed): number {
    const { machine, setting } = bleed
    if ('air' in logged) return gaussian(machine.total - logged.air, logged.sigma)
    const before = { ...machine.count }
    // A stroke of the pedal is a cycle of its own; pumping and holding counts its pumps within one.
    const strokes = logged.method === 'pumpHold' ? 1 : (logged.strokes ?? 1)
    for (let i = 0; i < strokes; i++) cycleOf(logged.method, setting)
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
  /** Systematic: the likely ones are copied, the unlikely ones go. */
  private resample(): void {
    const next: Bleed[] = []
    const from = this.draw() / PARTICLES
    let sum = this.weights[0]!
    let i = 0
    for (let k = 0; k < PARTICLES; k++) {
      const at = from + k / PARTICLES
      while (sum < at && i < PARTICLES - 1) sum += this.weights[++i]!
      next.push(next.includes(this.particles[i]!) ? this.particles[i]!.copy() : this.particles[i]!)
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
}

import { cut, nosed, type Cells, type Point } from './cells'
import { area, chambersOf } from './chambers'
import type { BleedAsked, BleedPath, BleedStart } from './asked'
import type { Constants } from './constants'
import { Machine } from './machine'
import { cycleOf, RUNS, type Setting, type Told } from './methods'
import { viscosity } from './physics'

/** After a cycle: free air by place and what has passed since the start, ml. */
export interface BleedCycleTold {
  n: number
  time: number
  line: number
  slave: number
  master: number
  bleedLine: number
  total: number
  drawn: number
  returned: number
  injected: number
  liquidOut: number
  gasOut: number
  portGas: number
  falseAir: number
  balance: number
  topUps: number
  removals: number
  stalled: boolean
  bubblesNeverStop: boolean
}

/** Cells of a bleed line for so many of the line. */
const farCells = (n: number): number => Math.max(8, Math.round(0.15 * n))
/** A line hung straight down, with its bores in their order. */
function hungPath(path: BleedPath, up: boolean): BleedPath {
  let z = 0
  const points: Point[] = [[0, 0, 0]]
  path.points.slice(1).forEach((b, i) => {
    const a = path.points[i]!
    z += (up ? 1 : -1) * Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2])
    points.push([0, 0, z])
  })
  return { points, bores: path.bores }
}

/** A bleed that goes on cycle by cycle: the state can be looked at in between. */
export class Bleed {
  readonly machine: Machine
  readonly setting: Setting
  readonly startAir: number
  n = 0
  last: Told = { stalled: false, flow: 0 }
  private readonly screw: boolean

  constructor(readonly asked: BleedAsked) {
    const { line, bleedLine, master, slave, noseUp, temperature, constants, method, cells } = asked
    const mu = viscosity(temperature)
    const { hung } = RUNS[method]
    const nose = (path: BleedPath): BleedPath => ({ ...path, points: nosed(path.points, noseUp) })
    const laid = hung ? hungPath(line, false) : nose(line)
    const laidFar = bleedLine && (hung ? hungPath(bleedLine, true) : nose(bleedLine))
    const chambers = chambersOf(asked, hung)
    this.screw = slave.bleeder !== null
    this.machine = new Machine(
      cut(laid.points, laid.bores, cells, mu, constants.bubble),
      laidFar && !asked.atUnion
        ? cut(laidFar.points, laidFar.bores, farCells(cells), mu, constants.bubble)
        : null,
      chambers,
      constants,
      mu,
      asked.atUnion,
    )
    const inner = slave.type === 'concentric' ? (slave.inner ?? 0) : 0
    const piston = area(slave.bore) - area(inner)
    this.setting = {
      machine: this.machine,
      level: master.reservoirLevel / 1000,
      port: area(master.portDiameter / 1000),
      slaveBore: slave.bore / 1000,
      slaveTravel: (piston * (slave.length - slave.bottom)) / 1000,
      shortened: (share) => chambersOf(asked, hung, share),
      screw: this.screw,
    }
    fill(this.machine, asked.start)
    this.startAir = this.machine.total
    if (hung) this.machine.count.time += 1800
  }

  /** The same circuit with the same air, to go on from here in another way, or turned and tilted otherwise. */
  copy(change: Partial<BleedAsked> = {}): Bleed {
    const other = new Bleed({ ...this.asked, ...change, start: 'clean' })
    other.machine.become(this.machine)
    other.n = this.n
    other.last = { ...this.last }
    Object.assign(other, { startAir: this.startAir })
    return other
  }

  cycle(): void {
    this.last = cycleOf(this.asked.method, this.setting)
    this.n += 1
  }

  told(): BleedCycleTold {
    const { machine, asked, startAir, last } = this
    const { count } = machine
    const { constants } = asked
    const line = machine.gasIn(machine.line)
    const bleedLine = machine.gasIn(machine.far)
    const total = machine.total
    const usable = asked.master.usable
    const falseRate = (constants.falseAir / 60) * vacuumShare(constants)
    return {
      n: this.n,
      time: count.time,
      line,
      slave: machine.slave,
      master: machine.master,
      bleedLine,
      total,
      drawn: count.drawn,
      returned: count.returned,
      injected: count.injected,
      liquidOut: count.liquidOut,
      gasOut: count.gasOut,
      portGas: count.portGas,
      falseAir: count.falseAir,
      balance: startAir + count.falseAir - count.gasOut - count.portGas - total,
      topUps: Math.max(0, Math.floor((count.drawn - count.returned) / Math.max(1, usable - 10))),
      removals: Math.max(0, Math.floor((count.returned - count.drawn) / 30)),
      stalled: last.stalled,
      bubblesNeverStop:
        RUNS[asked.method].falseAir &&
        !asked.atUnion &&
        constants.falseAir > 3 * 20 &&
        falseRate > 0.02 * last.flow,
    }
  }
}
const vacuumShare = ({ vacuum, falseAir, vacuumCapacity }: Constants): number =>
  (vacuum * Math.max(0, 1 - falseAir / vacuumCapacity)) / 80

/** Gas at the start: all of it, none, or so much in each place. */
function fill(machine: Machine, start: BleedStart): void {
  if (start === 'clean') return
  const { cells, line } = machine
  if (start === 'dry') {
    line.fill(cells.volume)
    if (machine.bleedLine) machine.far.fill(machine.bleedLine.volume)
    machine.slave = machine.slaveNow
    machine.master = machine.masterNow
    return
  }
  machine.slave = Math.min(start.slave, machine.slaveNow)
  machine.master = Math.min(start.master, machine.masterNow)
  pocketIn(cells, line, start.line)
}

/** A line's highest inside point counts where it lies so far above both ends, mm. */
const HIGH = 5
/** Cells of it are those within this of the highest, mm. */
const TOP = 1
const FILLED = 0.9
/** Gas around the middle of the highest part of a line; spread evenly where there is none. */
export function pocketIn(cells: Cells, gas: Float64Array, volume: number): void {
  const heights = Array.from(cells.mid, (z) => 1000 * z)
  const highest = Math.max(...heights)
  if (highest - 1000 * Math.max(...cells.ends) <= HIGH) {
    gas.fill(Math.min(volume / cells.n, cells.volume))
    return
  }
  const top = heights.flatMap((z, i) => (highest - z <= TOP ? [i] : []))
  const middle = Math.round(top.reduce((a, b) => a + b, 0) / top.length)
  const order = heights
    .map((_, i) => i)
    .sort((a, b) => Math.abs(a - middle) - Math.abs(b - middle) || a - b)
  let left = volume
  for (const i of order) {
    if (left <= 0) break
    const here = Math.min(left, FILLED * cells.volume)
    gas[i] = here
    left -= here
  }
  // More than the line holds at nine tenths fills it up.
  for (const i of order) {
    if (left <= 0) break
    const here = Math.min(left, cells.volume - gas[i]!)
    gas[i]! += here
    left -= here
  }
}

/** A change of the whole state smaller than this, ml, for so many cycles: it stands. */
const STANDS = 1e-3
const STANDS_FOR = 3
const COUNTED = [
  'time',
  'drawn',
  'returned',
  'injected',
  'liquidOut',
  'gasOut',
  'portGas',
  'falseAir',
] as const

/** Every cycle of a run; once the air stands, the counters go on as in the last cycle. */
export function bleedRun(asked: BleedAsked): { bleed: Bleed; cycles: BleedCycleTold[] } {
  const bleed = new Bleed(asked)
  const cycles: BleedCycleTold[] = []
  let before = stateOf(bleed.machine)
  let still = 0
  let last = bleed.told()
  for (let n = 1; n <= asked.cycles; n++) {
    if (still >= STANDS_FOR) {
      const [a, b] = [cycles.at(-2)!, cycles.at(-1)!]
      const next = { ...b, n }
      for (const name of COUNTED) next[name] = b[name] + (b[name] - a[name])
      const usable = asked.master.usable
      next.topUps = Math.max(0, Math.floor((next.drawn - next.returned) / Math.max(1, usable - 10)))
      next.removals = Math.max(0, Math.floor((next.returned - next.drawn) / 30))
      cycles.push(next)
      continue
    }
    bleed.cycle()
    last = bleed.told()
    cycles.push(last)
    const now = stateOf(bleed.machine)
    let change = 0
    for (let i = 0; i < now.length; i++) change += Math.abs(now[i]! - before[i]!)
    still = change < STANDS ? still + 1 : 0
    before = now
  }
  return { bleed, cycles }
}
function stateOf(machine: Machine): Float64Array {
  const state = new Float64Array(machine.line.length + machine.far.length + 2)
  state.set(machine.line)
  state.set(machine.far, machine.line.length)
  state[state.length - 2] = machine.slave
  state[state.length - 1] = machine.master
  return state
}

import { cut, nosed, type Cells, type Point } from './cells'
import { usualConstants, type Constants } from './constants'
import { Machine, type Chambers } from './machine'
import { cycleOf, type BleedRun, type Setting, type Told } from './methods'
import { DENSITY, filmFactor, G, inclinedDrift, horizontalDrift, TENSION, verticalDrift, viscosity } from './physics'
import { pocketVolume } from './pocket'

/** The master for a bleed: mm, degrees; usable in ml. */
export interface BleedMaster {
  bore: number
  /** What a full pad sends. */
  stroke: number
  unswept: number
  outletOff: number
  portOff: number
  portEndRaise: number
  portDiameter: number
  portTravel: number
  reservoirLevel: number
  usable: number
}
export interface BleedSlave {
  type: 'external' | 'concentric'
  bore: number
  /** Of an annulus. */
  inner?: number
  length: number
  bottom: number
  /** null where it has no bleed screw. */
  bleeder: { off: number } | null
  linePort: { off: number }
  endRaise: number
  bleederEndForward: boolean
}
export interface BleedPath {
  points: readonly Point[]
  bores: readonly number[]
}
export type BleedStart = 'dry' | 'clean' | { line: number; slave: number; master: number }

export interface BleedAsked {
  line: BleedPath
  bleedLine?: BleedPath
  master: BleedMaster
  slave: BleedSlave
  /** Degrees. */
  noseUp: number
  temperature: number
  start: BleedStart
  method: BleedRun
  cycles: number
  constants: Constants
  atUnion: boolean
  cells: number
}
export const USUAL_MASTER: BleedMaster = {
  bore: 15.87,
  stroke: 23,
  unswept: 5,
  outletOff: 45,
  portOff: 0,
  portEndRaise: 0,
  portDiameter: 0.7,
  portTravel: 1.1,
  reservoirLevel: 150,
  usable: 60,
}
export const USUAL_SLAVE: BleedSlave = {
  type: 'external',
  bore: 20.64,
  length: 12,
  bottom: 2,
  bleeder: { off: 0 },
  linePort: { off: 100 },
  endRaise: 0,
  bleederEndForward: true,
}
export const USUAL_CONCENTRIC: BleedSlave = {
  ...USUAL_SLAVE,
  type: 'concentric',
  bore: 60,
  inner: 44,
  length: 4,
  bottom: 1,
}
export const usualAsked = (line: BleedPath): BleedAsked => ({
  line,
  master: USUAL_MASTER,
  slave: USUAL_SLAVE,
  noseUp: 0,
  temperature: 20,
  start: { line: 1.5, slave: 0.8, master: 0.7 },
  method: 'openPush',
  cycles: 40,
  constants: usualConstants(),
  atUnion: false,
  cells: 80,
})

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

const area = (diameter: number) => (Math.PI / 4) * diameter ** 2
/** A vehicle's nose up raises what looks forward. */
const facing = (forward: boolean) => (forward ? 1 : -1)

/** Points of a table over the piston's stroke. */
const TABLE = 11
function chambersOf(
  { master, slave, noseUp, constants }: BleedAsked,
  hung: boolean,
  share = 1,
): Chambers {
  const am = area(master.bore)
  const rp = master.portEndRaise - noseUp
  const outlets = Array.from({ length: TABLE }, (_, i) => {
    const x = i / (TABLE - 1)
    return pocketVolume({
      radius: master.bore / 2,
      length: master.unswept + (1 - x) * master.stroke,
      off: master.outletOff,
      raise: -rp,
    })
  })
  const inner = slave.type === 'concentric' ? (slave.inner ?? 0) : 0
  const as = area(slave.bore) - area(inner)
  const length = slave.bottom + share * (slave.length - slave.bottom)
  const raise = hung ? 60 : slave.endRaise + facing(slave.bleederEndForward) * noseUp
  const held = (off: number) =>
    Math.max(
      constants.crevice,
      pocketVolume({ radius: slave.bore / 2, inner: inner / 2, length, off, raise }),
    )
  return {
    stroke: (am * master.stroke) / 1000,
    masterVolume: (am * (master.unswept + master.stroke)) / 1000,
    outlet: (x) => {
      const at = Math.min(TABLE - 1, Math.max(0, x * (TABLE - 1)))
      const i = Math.min(TABLE - 2, Math.floor(at))
      return outlets[i]! + (at - i) * (outlets[i + 1]! - outlets[i]!)
    },
    port: pocketVolume({
      radius: master.bore / 2,
      length: master.unswept + master.stroke,
      off: master.portOff,
      raise: rp,
    }),
    burp: (constants.burpShare * am * master.portTravel) / 1000,
    slaveVolume: (as * length) / 1000,
    bleeder: held(hung ? 0 : (slave.bleeder?.off ?? 0)),
    linePort: held(hung ? 0 : slave.linePort.off),
    ventsAtRest: master.portDiameter / 1000 > (4 * TENSION) / (DENSITY * G * (master.bore / 1000)),
  }
}

/** Cells of a bleed line for so many of the line. */
const farCells = (n: number): number => Math.max(8, Math.round(0.15 * n))
const lengthOf = ({ points }: BleedPath): number =>
  points.slice(1).reduce((sum, b, i) => {
    const a = points[i]!
    return sum + Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2])
  }, 0)
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
    const hung = method === 'hang'
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
        asked.method === 'vacuum' &&
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
    gas.fill(volume / cells.n)
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
  'time', 'drawn', 'returned', 'injected', 'liquidOut', 'gasOut', 'portGas', 'falseAir',
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
export { filmFactor, inclinedDrift, horizontalDrift, verticalDrift, lengthOf }

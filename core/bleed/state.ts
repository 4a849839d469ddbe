import type { Cells } from './cells'
import type { Constants } from './constants'
import { filmFactor, P0 } from './physics'

/** Chambers of a circuit as the machine sees them: ml, and pocket capacities at their exits. */
export interface Chambers {
  /** A full pad's stroke, ml. */
  stroke: number
  /** Master at rest, ml. */
  masterVolume: number
  /** Gas that the outlet does not let go with the piston at a share x of its stroke, ml. */
  outlet: (x: number) => number
  port: number
  /** Gas that one burp can let out at the most, ml. */
  burp: number
  /** Slave at rest, ml. */
  slaveVolume: number
  /** Gas that stays above the bleed screw, and above the line's port, ml. */
  bleeder: number
  linePort: number
  /** The port is wide enough for gas to rise through it by itself. */
  ventsAtRest: boolean
}

export interface Counters {
  time: number
  drawn: number
  returned: number
  injected: number
  liquidOut: number
  gasOut: number
  portGas: number
  falseAir: number
}
/**
 * The circuit with its gas: cells of the line and, where there is one, of the bleed line, and the two chambers. Gas is kept as free
 * volume in ml at p0. All operations of the model are moves of this state; nothing here knows of methods.
 */
export class State {
  readonly line: Float64Array
  readonly far: Float64Array
  master = 0
  slave = 0
  /** Share of the piston's stroke, and what the slave's piston has moved, ml. */
  x = 0
  extra = 0
  /** Pa. */
  pm = P0
  pl = P0
  ps = P0
  tapping = false
  readonly count: Counters = {
    time: 0,
    drawn: 0,
    returned: 0,
    injected: 0,
    liquidOut: 0,
    gasOut: 0,
    portGas: 0,
    falseAir: 0,
  }
  /** How much faster gas goes than the fluid, by cell; and what a ramp moves over each face. */
  protected readonly c0Line: Float64Array
  protected readonly c0Far: Float64Array
  protected readonly faceLine: Float64Array
  protected readonly faceFar: Float64Array

  constructor(
    readonly cells: Cells,
    readonly bleedLine: Cells | null,
    public chambers: Chambers,
    readonly constants: Constants,
    readonly mu: number,
    /** The line ends at a cracked union: its flow leaves there, and the slave is passed by. */
    public atUnion = false,
  ) {
    const [n, m] = [cells.n, bleedLine?.n ?? 0]
    this.line = new Float64Array(n)
    this.far = new Float64Array(m)
    this.c0Line = new Float64Array(n).fill(1)
    this.c0Far = new Float64Array(m).fill(1)
    this.faceLine = new Float64Array(n + 1)
    this.faceFar = new Float64Array(m + 1)
  }

  get masterNow(): number {
    return this.chambers.masterVolume - this.x * this.chambers.stroke
  }
  get slaveNow(): number {
    return this.chambers.slaveVolume + this.extra
  }
  protected get stretch(): number {
    return 1 + Math.max(0, this.extra) / this.chambers.slaveVolume
  }
  protected get bleederHolds(): number {
    return this.chambers.bleeder * this.stretch
  }
  protected get lineHolds(): number {
    return this.chambers.linePort * this.stretch
  }
  gasIn(cells: Float64Array): number {
    let sum = 0
    for (let i = 0; i < cells.length; i++) sum += cells[i]!
    return sum
  }
  get total(): number {
    return this.master + this.slave + this.gasIn(this.line) + this.gasIn(this.far)
  }

  /** Gas of an outflow of v ml: what is above the exit's pocket, and where the liquid is used up, gas all the same. */
  protected outOf(v: number, gas: number, volume: number, holds: number): number {
    const free = Math.min(v, Math.max(0, gas - holds))
    return Math.min(gas, Math.max(free, v - Math.max(0, volume - gas)))
  }
  /** Takes v ml, of zone pressure p, out of the master's outlet; gives the gas in it, at that pressure. */
  protected fromMaster(v: number, p: number): number {
    const g = (this.master * P0) / p
    const gas = this.outOf(v, g, this.masterNow + v, this.chambers.outlet(this.x))
    this.master -= (gas * p) / P0
    return gas
  }
  protected fromSlave(v: number, p: number, holds: number, room: number): number {
    const g = (this.slave * P0) / p
    const gas = this.outOf(v, g, room, holds)
    this.slave -= (gas * p) / P0
    return gas
  }
  /** v ml leave by the exit, with so much gas in them at p. */
  protected leave(v: number, gas: number, p: number): void {
    this.count.gasOut += (gas * p) / P0
    this.count.liquidOut += v - gas
  }
  /** v ml at p go up the port into the reservoir. */
  protected upThePort(v: number, p: number): void {
    const g = (this.master * P0) / p
    const gas = this.outOf(v, g, this.masterNow + v, this.chambers.port)
    this.master -= (gas * p) / P0
    this.count.portGas += (gas * p) / P0
    this.count.returned += v - gas
  }

  /** Speeds at a flow of q ml/s; gas goes by these factors faster than the fluid. */
  film(q: number): number {
    let most = 1
    const set = (cells: Cells, into: Float64Array) => {
      let [last, factor] = [-1, 1]
      for (let i = 0; i < cells.n; i++) {
        const area = cells.area[i]!
        if (area !== last) factor = q > 0 ? filmFactor((q * 1e-6) / area, this.mu) : 1
        last = area
        into[i] = factor
        if (factor > most) most = factor
      }
    }
    set(this.cells, this.c0Line)
    if (this.bleedLine) set(this.bleedLine, this.c0Far)
    return most
  }
  /**
   * Moves gas with the same volume over every face.
   * @returns gas that came out at the end towards which it flows, local ml at p
   */
  protected advect(zone: 'line' | 'far', v: number, p: number, share: number): number {
    const gas = zone === 'line' ? this.line : this.far
    const c0 = zone === 'line' ? this.c0Line : this.c0Far
    const volume = zone === 'line' ? this.cells.volume : this.bleedLine!.volume
    const k = P0 / (p * volume)
    const back = p / P0
    const n = gas.length
    const size = Math.abs(v)
    if (v >= 0) {
      let inflow = size * share
      for (let i = 0; i < n; i++) {
        const a = c0[i]! * gas[i]! * k
        const out = size * (a < 1 ? a : 1)
        gas[i]! += (inflow - out) * back
        inflow = out
      }
      return inflow
    }
    let inflow = size * share
    for (let i = n - 1; i >= 0; i--) {
      const a = c0[i]! * gas[i]! * k
      const out = size * (a < 1 ? a : 1)
      gas[i]! += (inflow - out) * back
      inflow = out
    }
    return inflow
  }

  /** v ml at line pressure, with gas in them, arrive at the far end of the line: into the slave, or out at a cracked union. */
  protected throughSlave(v: number, gas: number, toPiston: boolean): void {
    const { pl, ps } = this
    if (this.atUnion && !toPiston) {
      // Slave gas above its pocket leaves with the stream, in exchange for its liquid.
      const swapped = Math.min(v - gas, Math.max(0, (this.slave * P0) / ps - this.lineHolds))
      this.slave -= (swapped * ps) / P0
      this.count.gasOut += (gas * pl + swapped * ps) / P0
      this.count.liquidOut += v - gas - swapped
      return
    }
    const inSlave = v - gas + (gas * pl) / ps
    this.slave += (gas * pl) / P0
    if (toPiston) {
      this.extra += inSlave
      return
    }
    this.outThroughBleeder(inSlave)
  }
  protected outThroughBleeder(v: number): void {
    const { ps } = this
    if (this.atUnion) {
      // Back through its port, and out where the line ends.
      return this.leave(v, this.fromSlave(v, ps, this.lineHolds, this.slaveNow + v), ps)
    }
    const gas = this.fromSlave(v, ps, this.bleederHolds, this.slaveNow + v)
    if (!this.bleedLine) return this.leave(v, gas, ps)
    const out = this.advect('far', v, ps, v > 0 ? gas / v : 0)
    this.leave(v, out, ps)
  }
}

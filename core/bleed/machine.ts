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
/** Ends of the circuit that a move pushes from and to. */
type Source = 'piston' | 'reservoir' | 'slavePiston' | 'exit'
type Open = 'exit' | 'master' | 'piston'

const GATE = 0.95
/** ml/s that rises out of a wide port at rest. */
const VENT = 0.2

/**
 * The circuit with its gas: cells of the line and, where there is one, of the bleed line, and the two chambers. Gas is kept as free
 * volume in ml at p0. All operations of the model are moves of this state; nothing here knows of methods.
 */
export class Machine {
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
  /** Gas that left the circuit at the exit and at the port in this cycle is told by the counters' difference. */
  private readonly c0Line: Float64Array
  private readonly c0Far: Float64Array
  private readonly faceLine: Float64Array
  private readonly faceFar: Float64Array

  constructor(
    readonly cells: Cells,
    readonly bleedLine: Cells | null,
    public chambers: Chambers,
    readonly constants: Constants,
    readonly mu: number,
    /** The line ends at a cracked union: its flow leaves there, and the slave is passed by. */
    readonly atUnion = false,
  ) {
    const [n, m] = [cells.n, bleedLine?.n ?? 0]
    this.line = new Float64Array(n)
    this.far = new Float64Array(m)
    this.c0Line = new Float64Array(n).fill(1)
    this.c0Far = new Float64Array(m).fill(1)
    this.faceLine = new Float64Array(n + 1)
    this.faceFar = new Float64Array(m + 1)
  }

  // ——— Volumes and capacities, ml.
  get masterNow(): number {
    return this.chambers.masterVolume - this.x * this.chambers.stroke
  }
  get slaveNow(): number {
    return this.chambers.slaveVolume + this.extra
  }
  private get stretch(): number {
    return 1 + Math.max(0, this.extra) / this.chambers.slaveVolume
  }
  private get bleederHolds(): number {
    return this.chambers.bleeder * this.stretch
  }
  private get lineHolds(): number {
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
  private outOf(v: number, gas: number, volume: number, holds: number): number {
    const free = Math.min(v, Math.max(0, gas - holds))
    return Math.min(gas, Math.max(free, v - Math.max(0, volume - gas)))
  }
  /** Takes v ml, of zone pressure p, out of the master's outlet; gives the gas in it, at that pressure. */
  private fromMaster(v: number, p: number): number {
    const g = (this.master * P0) / p
    const gas = this.outOf(v, g, this.masterNow + v, this.chambers.outlet(this.x))
    this.master -= (gas * p) / P0
    return gas
  }
  private fromSlave(v: number, p: number, holds: number, room: number): number {
    const g = (this.slave * P0) / p
    const gas = this.outOf(v, g, room, holds)
    this.slave -= (gas * p) / P0
    return gas
  }
  /** v ml leave by the exit, with so much gas in them at p. */
  private leave(v: number, gas: number, p: number): void {
    this.count.gasOut += (gas * p) / P0
    this.count.liquidOut += v - gas
  }
  /** v ml at p go up the port into the reservoir. */
  private upThePort(v: number, p: number): void {
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
  /** Factors along the line as they were set last. */
  get factors(): Float64Array {
    return this.c0Line
  }

  /**
   * Moves gas with the same volume over every face.
   * @returns gas that came out at the end towards which it flows, local ml at p
   */
  private advect(zone: 'line' | 'far', v: number, p: number, share: number): number {
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
  private throughSlave(v: number, gas: number, toPiston: boolean): void {
    const { pl, ps } = this
    if (this.atUnion) {
      // Slave gas above its pocket leaves with the stream, in exchange for its liquid.
      const g = (this.slave * P0) / pl
      const swapped = Math.min(v - gas, Math.max(0, g - this.chambers.linePort))
      this.slave -= (swapped * pl) / P0
      this.leave(v, gas + swapped, pl)
      // What the slave took in exchange has not left.
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
  private outThroughBleeder(v: number): void {
    const { ps } = this
    const gas = this.fromSlave(v, ps, this.bleederHolds, this.slaveNow + v)
    if (!this.bleedLine) return this.leave(v, gas, ps)
    const out = this.advect('far', v, ps, v > 0 ? gas / v : 0)
    this.leave(v, out, ps)
  }

  /** Steps that a volume is moved in, so that no cell gives more than it has. */
  private stepsFor(v: number, most: number): number {
    const p = Math.max(1, this.pm / this.pl, this.ps / this.pl)
    let steps = (v * most * p) / (GATE * this.cells.volume)
    if (this.bleedLine)
      steps = Math.max(steps, (v * most * Math.max(1, this.pl / this.ps)) / (GATE * this.bleedLine.volume))
    return Math.max(1, Math.ceil(steps - 1e-9))
  }

  /** Moves v ml forward in t s: from the piston or the reservoir to the exit or the slave's piston. */
  forward(v: number, t: number, source: Source, sink: 'exit' | 'slavePiston', c0?: number): void {
    if (v <= 0) return this.rest(t)
    this.count.time += t
    const most = this.film(c0 ?? v / t)
    const n = this.stepsFor(v, most)
    const dv = v / n
    for (let i = 0; i < n; i++) {
      if (source === 'piston') this.x += dv / this.chambers.stroke
      else this.count.drawn += dv
      const gas = this.fromMaster(dv, this.pm)
      const inLine = dv - gas + (gas * this.pm) / this.pl
      const out = this.advect('line', inLine, this.pl, inLine > 0 ? (gas * this.pm) / this.pl / inLine : 0)
      this.throughSlave(inLine, out, sink === 'slavePiston')
      if (t > 0) this.drift(t / n)
    }
  }
  /** Moves v ml back in t s: from the slave's piston or from fluid at the exit to the piston or the reservoir. */
  backward(
    v: number,
    t: number,
    source: 'slavePiston' | 'exit',
    sink: 'piston' | 'reservoir',
    jet = 0,
  ): void {
    if (v <= 0) return this.rest(t)
    this.count.time += t
    const most = this.film(v / t)
    const n = this.stepsFor(v, most)
    const dv = v / n
    for (let i = 0; i < n; i++) {
      let inLine = dv
      let share = 0
      if (this.atUnion && source === 'exit') this.count.liquidOut -= dv
      else {
        if (source === 'slavePiston') this.extra -= dv
        else this.fromExit(dv)
        const g = (this.slave * P0) / this.ps
        let gas = this.outOf(dv, g, this.slaveNow + dv, this.lineHolds)
        if (jet > 0) {
          const stirred = (dv * jet * g) / this.chambers.slaveVolume
          gas = Math.max(gas, Math.min(stirred, Math.max(0, g - this.constants.crevice)))
        }
        this.slave -= (gas * this.ps) / P0
        inLine = dv - gas + (gas * this.ps) / this.pl
        share = inLine > 0 ? (gas * this.ps) / this.pl / inLine : 0
      }
      const out = this.advect('line', -inLine, this.pl, share)
      const back = inLine - out + (out * this.pl) / this.pm
      this.master += (out * this.pl) / P0
      if (sink === 'piston') this.x -= back / this.chambers.stroke
      else this.upThePort(back, this.pm)
      if (t > 0) this.drift(t / n)
    }
  }
  /** dv ml of fluid come in at the exit. */
  private fromExit(dv: number): void {
    this.count.liquidOut -= dv
    if (!this.bleedLine) return
    const out = this.advect('far', -dv, this.ps, 0)
    this.slave += (out * this.ps) / P0
  }

  /**
   * Changes the pressures in t s with one end open; gas swells or shrinks in place and pushes the rest out of the open end, or draws
   * it in there.
   */
  ramp([pm, pl, ps]: readonly [number, number, number], open: Open, t: number, q = 0): void {
    const most = q > 0 ? this.film(q) : 1
    if (q <= 0) {
      this.c0Line.fill(1)
      this.c0Far.fill(1)
    }
    const [m0, l0, s0] = [this.pm, this.pl, this.ps]
    const logs = [Math.log(pm / m0), Math.log(pl / l0), Math.log(ps / s0)] as const
    const span = Math.max(...logs.map(Math.abs))
    if (span < 1e-12) return this.rest(t)
    this.count.time += t
    let done = 0
    while (done < 1 - 1e-12) {
      let df = Math.min(1 - done, 0.05 / span)
      for (;;) {
        const change = this.changeOver(logs, df)
        if (change * most <= 0.6 * this.cells.volume || df < 1e-7) break
        df *= Math.max(0.1, (0.98 * 0.6 * this.cells.volume) / (change * most))
      }
      done += df
      this.rampStep(
        [this.pm * Math.exp(logs[0] * df), this.pl * Math.exp(logs[1] * df), this.ps * Math.exp(logs[2] * df)],
        open,
      )
      if (t > 0) this.drift(t * df)
    }
    ;[this.pm, this.pl, this.ps] = [pm, pl, ps]
  }
  /** Gas that swells or shrinks over a share of a ramp, local ml. */
  private changeOver(logs: readonly [number, number, number], df: number): number {
    const zone = (g: number, p: number, log: number) => ((g * P0) / p) * Math.abs(Math.exp(-log * df) - 1)
    return (
      zone(this.master, this.pm, logs[0]) +
      zone(this.gasIn(this.line), this.pl, logs[1]) +
      zone(this.slave + this.gasIn(this.far), this.ps, logs[2])
    )
  }

  private rampStep([pm, pl, ps]: readonly [number, number, number], open: Open): void {
    const { line, far, faceLine, faceFar } = this
    const swell = (p: number, to: number) => P0 / to - P0 / p
    const [km, kl, ks] = [swell(this.pm, pm), swell(this.pl, pl), swell(this.ps, ps)]
    const before = [this.pm, this.pl, this.ps] as const
    ;[this.pm, this.pl, this.ps] = [pm, pl, ps]
    if (open === 'exit') {
      // Closed at the master: what swells goes out, from there on.
      const first = this.master * km
      let gas = first > 0 ? this.fromMaster(first, pm) : 0
      const v0 = first - gas + (gas * pm) / pl
      faceLine[0] = v0
      for (let i = 0; i < line.length; i++) faceLine[i + 1] = faceLine[i]! + line[i]! * kl
      const share = v0 > 0 ? (gas * pm) / pl / v0 : 0
      this.advectFaces('line', before[1], pl, share, 0)
      gas = this.farGas
      const vN = faceLine[line.length]!
      const own = this.slave * ks
      if (this.atUnion) {
        if (vN > 0) this.leave(vN, gas, pl)
        return
      }
      this.slave += (gas * pl) / P0
      const v = vN - gas + (gas * pl) / ps + own
      const out = v > 0 ? this.fromSlave(v, ps, this.bleederHolds, this.slaveNow + v) : 0
      if (!this.bleedLine) {
        this.leave(v, out, ps)
        return
      }
      faceFar[0] = v
      for (let i = 0; i < far.length; i++) faceFar[i + 1] = faceFar[i]! + far[i]! * ks
      this.advectFaces('far', before[2], ps, v > 0 ? out / v : 0, 0)
      this.leave(faceFar[far.length]!, this.farGas, ps)
      return
    }
    // Closed at the slave and its bleed line: what shrinks draws after it from the master's side.
    const [dGs, dGm] = [this.slave * ks, this.master * km]
    let vt = 0
    if (this.bleedLine) {
      faceFar[far.length] = 0
      for (let i = far.length - 1; i >= 0; i--) faceFar[i] = faceFar[i + 1]! - far[i]! * ks
      vt = faceFar[0]!
      const gas = vt > 0 ? this.fromSlave(vt, ps, this.bleederHolds, this.slaveNow + vt) : 0
      this.advectFaces('far', before[2], ps, vt > 0 ? gas / vt : 0, 0)
      if (vt < 0) this.slave -= (this.nearGas * ps) / P0
    }
    const vN = vt - dGs
    let backShare = 0
    let farFace = vN
    if (vN < 0) {
      const gas = this.fromSlave(-vN, ps, this.lineHolds, this.slaveNow - vN)
      farFace = -(-vN - gas + (gas * ps) / pl)
      backShare = farFace < 0 ? (gas * ps) / pl / -farFace : 0
    }
    const n = line.length
    faceLine[n] = farFace
    for (let i = n - 1; i >= 0; i--) faceLine[i] = faceLine[i + 1]! - line[i]! * kl
    const v0 = faceLine[0]!
    // Volumes of a stream differ on both sides of a zone's face by its gas.
    let masterOut = v0
    let share = 0
    if (v0 > 0) {
      // As much as makes v0 in the line once its gas has the line's pressure.
      const g = (this.master * P0) / pm
      const own = this.outOf(v0, g, this.masterNow + v0, this.chambers.outlet(this.x)) / v0
      masterOut = v0 / (1 - own + (own * pm) / pl)
      this.master -= (own * masterOut * pm) / P0
      share = (own * masterOut * pm) / pl / v0
    }
    this.advectFaces('line', before[1], pl, share, backShare)
    if (vN > 0) this.slave += (this.farGas * pl) / P0
    if (v0 < 0) {
      this.master -= (this.nearGas * pl) / P0
      masterOut = v0 - this.nearGas + (this.nearGas * pl) / pm
    }
    const port = masterOut - dGm
    if (open === 'piston') this.x += port / this.chambers.stroke
    else if (port >= 0) this.count.drawn += port
    else this.upThePort(-port, pm)
  }
  /** Gas that the last of `advectFaces` took over the two end faces, positive towards the far end, local ml. */
  private nearGas = 0
  private farGas = 0

  /** Moves gas by a volume of its own over each face, from pressure p to p'. */
  private advectFaces(zone: 'line' | 'far', p: number, to: number, near: number, farShare: number): void {
    const gas = zone === 'line' ? this.line : this.far
    const c0 = zone === 'line' ? this.c0Line : this.c0Far
    const faces = zone === 'line' ? this.faceLine : this.faceFar
    const volume = zone === 'line' ? this.cells.volume : this.bleedLine!.volume
    const k = P0 / (p * volume)
    const n = gas.length
    const share = (i: number) => Math.min(1, c0[i]! * gas[i]! * k)
    let before = faces[0]! >= 0 ? faces[0]! * near : n > 0 ? faces[0]! * share(0) : 0
    this.nearGas = before
    let own = n > 0 ? share(0) : 0
    for (let i = 0; i < n; i++) {
      const next = i + 1 < n ? share(i + 1) : 0
      const v = faces[i + 1]!
      const flow = v >= 0 ? v * own : v * (i + 1 < n ? next : farShare)
      gas[i]! += ((before - flow) * to) / P0
      if (gas[i]! < 0) gas[i] = 0
      before = flow
      own = next
    }
    this.farGas = before
  }

  /** Gas rises by itself for dt s, in the lines and over their ends into the chambers. */
  drift(dt: number): void {
    if (dt <= 0) return
    this.driftIn(dt, this.cells, this.line, this.pl, 'line')
    if (this.bleedLine) this.driftIn(dt, this.bleedLine, this.far, this.ps, 'far')
  }
  /** The most that went over a face in the last step of a drift, local ml. */
  moved = 0

  private driftIn(dt: number, cells: Cells, gas: Float64Array, p: number, zone: 'line' | 'far'): void {
    const flow = this.tapping ? cells.tapped : cells.slug
    const most = this.tapping ? cells.mostTapped : cells.mostSlug
    if (most <= 0) return
    const { packed } = this.constants
    const steps = Math.max(1, Math.ceil((dt * most * 4) / (0.9 * cells.volume) - 1e-9))
    const h = dt / steps
    const n = cells.n
    const k = P0 / (p * cells.volume)
    const free = p / P0
    for (let step = 0; step < steps; step++) {
      this.moved = 0
      // All faces see the gas as it was when the step began.
      let alpha = gas[0]! * k
      let over = this.endFlow(zone, 'near', flow[0]!, alpha, h, p)
      for (let i = 0; i < n; i++) {
        const next = i + 1 < n ? gas[i + 1]! * k : 0
        let out: number
        const q = flow[i + 1]!
        if (i + 1 === n) out = this.endFlow(zone, 'far', q, alpha, h, p)
        else if (q > 0) out = q * Math.min(alpha < packed ? alpha : packed, takes(next, packed)) * h
        else if (q < 0) out = q * Math.min(next < packed ? next : packed, takes(alpha, packed)) * h
        else out = 0
        if (out !== 0) {
          const size = out < 0 ? -out : out
          if (size > this.moved) this.moved = size
        }
        gas[i]! += (over - out) * free
        over = out
        alpha = next
      }
    }
  }
  /** Gas over an end of a line into or out of a chamber, local ml, positive towards the far end. */
  private endFlow(
    zone: 'line' | 'far',
    end: 'near' | 'far',
    q: number,
    alpha: number,
    h: number,
    p: number,
  ): number {
    if (q === 0) return 0
    const { packed } = this.constants
    const d = Math.min(alpha, packed)
    const s = takes(alpha, packed)
    const intoLine = end === 'near' ? q > 0 : q < 0
    const sign = q > 0 ? 1 : -1
    const size = Math.abs(q)
    if (zone === 'far') {
      // The open end of a bleed line lets nothing drift.
      if (end === 'far') return 0
      return sign * this.swap('slave', size, d, s, h, p, intoLine, this.bleederHolds)
    }
    if (end === 'near') return sign * this.swap('master', size, d, s, h, p, intoLine, this.chambers.outlet(this.x))
    return sign * this.swap('slave', size, d, s, h, p, intoLine, this.lineHolds)
  }
  private swap(
    chamber: 'master' | 'slave',
    q: number,
    d: number,
    s: number,
    h: number,
    p: number,
    intoLine: boolean,
    holds: number,
  ): number {
    const own = chamber === 'master' ? this.pm : this.ps
    const g = (this[chamber] * P0) / own
    const volume = chamber === 'master' ? this.masterNow : this.slaveNow
    const room = intoLine ? Math.max(0, g - holds) : Math.max(0, volume - g)
    const gas = Math.min(q * (intoLine ? s : d) * h, (room * own) / p)
    this[chamber] += ((intoLine ? -gas : gas) * p) / P0
    return gas
  }

  /** Nothing moves but what drifts. */
  rest(dt: number): void {
    this.count.time += dt
    this.drift(dt)
  }
  /** Waits: gas drifts, and with the piston at rest rises through a port that is wide enough. */
  wait(dt: number): void {
    this.rest(dt)
    if (this.x === 0 && (this.chambers.ventsAtRest || this.pm < 0.95 * P0)) {
      const local = (this.master * P0) / this.pm
      const gas = Math.min(VENT * dt, Math.max(0, local - this.chambers.port))
      this.master -= (gas * this.pm) / P0
      this.count.portGas += (gas * this.pm) / P0
      this.count.drawn += gas
    }
  }
  /** What a stroke from rest lets out at the port. */
  burp(): void {
    const local = (this.master * P0) / this.pm
    const gas = Math.min(this.chambers.burp, Math.max(0, local - this.chambers.port))
    this.master -= (gas * this.pm) / P0
    this.count.portGas += (gas * this.pm) / P0
    this.count.drawn += gas
  }
  /** The pedal comes up: the reservoir fills what the piston leaves. */
  refill(): void {
    this.count.drawn += this.x * this.chambers.stroke
    this.x = 0
  }
  /** v ml leave the slave at once, its piston following. */
  letOut(v: number): void {
    if (v <= 0) return
    const most = this.bleedLine ? this.film(v) : 1
    const n = this.bleedLine ? Math.ceil((v * most) / (GATE * this.bleedLine.volume)) : 1
    for (let i = 0; i < n; i++) {
      this.extra -= v / n
      this.outThroughBleeder(v / n)
    }
  }
  /** v ml are pressed straight out of the slave, whose chamber has just become smaller by them. */
  pressOut(v: number): void {
    this.c0Far.fill(1)
    this.outThroughBleeder(v)
  }
  /** v ml of air come into the slave in place of its fluid, which leaves. */
  falseAirIn(v: number): void {
    const gas = Math.min(v, Math.max(0, this.slaveNow - (this.slave * P0) / this.ps))
    if (gas <= 0) return
    this.slave += (gas * this.ps) / P0
    this.count.falseAir += (gas * this.ps) / P0
    this.count.liquidOut += gas
  }

  /** Fluid's resistance, Pa s/ml, and its head towards the exit without the reservoir's, m. */
  resistance(): number {
    let sum = 0
    const add = (cells: Cells, gas: Float64Array, p: number) => {
      const k = P0 / (p * cells.volume)
      for (let i = 0; i < cells.n; i++)
        sum += ((128 * this.mu * cells.length[i]!) / (Math.PI * cells.diameter[i]! ** 4)) * (1 - gas[i]! * k)
    }
    add(this.cells, this.line, this.pl)
    if (this.bleedLine) add(this.bleedLine, this.far, this.ps)
    return sum * 1e-6
  }
  /** Rise that is filled with fluid, from the master's outlet to the exit, m. */
  rise(): number {
    let sum = 0
    const add = (cells: Cells, gas: Float64Array, p: number) => {
      const k = P0 / (p * cells.volume)
      for (let i = 0; i < cells.n; i++) sum += cells.rise[i]! * (1 - gas[i]! * k)
    }
    add(this.cells, this.line, this.pl)
    if (this.bleedLine) add(this.bleedLine, this.far, this.ps)
    return sum
  }
}

/** What a cell still takes: less as it fills. */
const takes = (alpha: number, packed: number): number =>
  packed * Math.min(1, Math.max(0, (1 - alpha) / (1 - packed)))

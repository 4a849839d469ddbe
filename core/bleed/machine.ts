import type { Cells } from './cells'
import { P0 } from './physics'
import { Ramping } from './ramp'

/** Where a move is pushed from. */
type Source = 'piston' | 'reservoir'

/** Fullest that a cell may give in one step. */
const GATE = 0.95
/** ml/s that rises out of a wide port at rest. */
const VENT = 0.2

/** The circuit with its gas, and all that may be done to it; nothing here knows of methods. */
export class Machine extends Ramping {
  /** Takes over another's state; both are of one circuit. */
  become(other: Machine): void {
    this.line.set(other.line)
    this.far.set(other.far)
    this.master = other.master
    this.slave = other.slave
    this.x = other.x
    this.extra = other.extra
    this.pm = other.pm
    this.pl = other.pl
    this.ps = other.ps
    Object.assign(this.count, other.count)
  }

  /** Steps that a volume is moved in, so that no cell gives more than it has. */
  protected stepsFor(v: number, most: number): number {
    // Gas takes more room where the pressure is less.
    const inLine = Math.max(1, this.pm / this.pl, this.ps / this.pl)
    let steps = (v * most * inLine) / (GATE * this.cells.volume)
    if (this.bleedLine) {
      const inFar = Math.max(1, this.pm / this.pl) * Math.max(1, this.pl / this.ps)
      steps = Math.max(steps, (v * most * inFar) / (GATE * this.bleedLine.volume))
    }
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
      const out = this.advect(
        'line',
        inLine,
        this.pl,
        inLine > 0 ? (gas * this.pm) / this.pl / inLine : 0,
      )
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
      if (source === 'slavePiston') this.extra -= dv
      else this.fromExit(dv)
      const g = (this.slave * P0) / this.ps
      let gas = this.outOf(dv, g, this.slaveNow + dv, this.lineHolds)
      if (jet > 0) {
        const stirred = (dv * jet * g) / this.chambers.slaveVolume
        gas = Math.max(gas, Math.min(stirred, Math.max(0, g - this.constants.crevice)))
      }
      this.slave -= (gas * this.ps) / P0
      const inLine = dv - gas + (gas * this.ps) / this.pl
      const share = inLine > 0 ? (gas * this.ps) / this.pl / inLine : 0
      const out = this.advect('line', -inLine, this.pl, share)
      const back = inLine - out + (out * this.pl) / this.pm
      this.master += (out * this.pl) / P0
      if (sink === 'piston') this.x -= back / this.chambers.stroke
      else this.upThePort(back, this.pm)
      if (t > 0) this.drift(t / n)
    }
  }
  /** dv ml of fluid come in at the exit. */
  protected fromExit(dv: number): void {
    this.count.liquidOut -= dv
    if (!this.bleedLine) return
    const out = this.advect('far', -dv, this.ps, 0)
    this.slave += (out * this.ps) / P0
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
        sum +=
          ((128 * this.mu * cells.length[i]!) / (Math.PI * cells.diameter[i]! ** 4)) * (1 - gas[i]! * k)
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

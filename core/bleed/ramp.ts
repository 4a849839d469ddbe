import { Drifting } from './drift'
import { P0 } from './physics'

/** Which end stands open while the pressures change. */
export type Open = 'exit' | 'master' | 'piston'

/** Pressures that change: gas swells or shrinks where it is. */
export class Ramping extends Drifting {
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
    // As much as no cell of either line gives more than it has.
    const room = 0.6 * Math.min(this.cells.volume, this.bleedLine?.volume ?? Infinity)
    let done = 0
    while (done < 1 - 1e-12) {
      let df = Math.min(1 - done, 0.05 / span)
      for (;;) {
        const change = this.changeOver(logs, df)
        if (!Number.isFinite(change)) throw new RangeError('the air of a bleed is no number any more')
        if (change * most <= room || df < 1e-7) break
        df *= Math.max(0.1, (0.98 * room) / (change * most))
      }
      done += df
      this.rampStep(
        [
          this.pm * Math.exp(logs[0] * df),
          this.pl * Math.exp(logs[1] * df),
          this.ps * Math.exp(logs[2] * df),
        ],
        open,
      )
      if (t > 0) this.drift(t * df)
    }
    ;[this.pm, this.pl, this.ps] = [pm, pl, ps]
  }
  /** Gas that swells or shrinks over a share of a ramp, local ml. */
  protected changeOver(logs: readonly [number, number, number], df: number): number {
    const zone = (g: number, p: number, log: number) =>
      ((g * P0) / p) * Math.abs(Math.exp(-log * df) - 1)
    return (
      zone(this.master, this.pm, logs[0]) +
      zone(this.gasIn(this.line), this.pl, logs[1]) +
      zone(this.slave + this.gasIn(this.far), this.ps, logs[2])
    )
  }

  protected rampStep([pm, pl, ps]: readonly [number, number, number], open: Open): void {
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
        if (own > 0) this.outThroughBleeder(own)
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
      // What the line sends after it is not here yet.
      const gas = vt > 0 ? this.fromSlave(vt, ps, this.bleederHolds, this.slaveNow + dGs) : 0
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
    if (vN > 0) {
      // As much of the line as makes vN in the slave, whose gas has another pressure there.
      const last = (this.c0Line[n - 1]! * line[n - 1]! * P0) / (before[1] * this.cells.volume)
      const gas = Math.min(1, last)
      farFace = vN / (1 - gas + (gas * pl) / ps)
    }
    faceLine[n] = farFace
    for (let i = n - 1; i >= 0; i--) faceLine[i] = faceLine[i + 1]! - line[i]! * kl
    const v0 = faceLine[0]!
    // Volumes of a stream differ on both sides of a zone's face by its gas.
    let masterOut = v0
    let share = 0
    if (v0 > 0) {
      // As much as makes v0 in the line once its gas has the line's pressure.
      const g = (this.master * P0) / pm
      // A piston follows only once this has gone; the reservoir's fluid comes in at the same time.
      const room = this.masterNow + (open === 'piston' ? dGm : v0)
      const own = this.outOf(v0, g, room, this.chambers.outlet(this.x)) / v0
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
  protected nearGas = 0
  protected farGas = 0

  /** Moves gas by a volume of its own over each face, from pressure p to p'. */
  protected advectFaces(
    zone: 'line' | 'far',
    p: number,
    to: number,
    near: number,
    farShare: number,
  ): void {
    const gas = zone === 'line' ? this.line : this.far
    const c0 = zone === 'line' ? this.c0Line : this.c0Far
    const faces = zone === 'line' ? this.faceLine : this.faceFar
    const volume = zone === 'line' ? this.cells.volume : this.bleedLine!.volume
    const k = P0 / (p * volume)
    const n = gas.length
    const back = to / P0
    let own = n > 0 ? c0[0]! * gas[0]! * k : 0
    if (own > 1) own = 1
    let before = faces[0]! >= 0 ? faces[0]! * near : faces[0]! * own
    this.nearGas = before
    for (let i = 0; i < n; i++) {
      const v = faces[i + 1]!
      let next = farShare
      if (i + 1 < n) {
        next = c0[i + 1]! * gas[i + 1]! * k
        if (next > 1) next = 1
      }
      const flow = v >= 0 ? v * own : v * next
      if (before !== 0 || flow !== 0) {
        const now = gas[i]! + (before - flow) * back
        gas[i] = now > 0 ? now : 0
      }
      before = flow
      own = next
    }
    this.farGas = before
  }
}

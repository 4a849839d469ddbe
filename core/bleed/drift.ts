import type { Cells } from './cells'
import { P0 } from './physics'
import { State } from './state'

/** s at which a wait is looked at. */
const WATCHED = 0.1

/** Gas that rises by itself, in the lines and over their ends into the chambers. */
export class Drifting extends State {
  /** Told of every stretch of time that has passed, s: for whoever looks on. Waits are then gone through in short pieces. */
  watch: ((dt: number) => void) | null = null
  /** Nothing moves but what drifts. */
  rest(dt: number): void {
    this.count.time += dt
    this.drift(dt)
  }
  /** Gas rises by itself for dt s, in the lines and over their ends into the chambers. */
  drift(dt: number): void {
    if (dt <= 0) return
    const pieces = this.watch ? Math.ceil(dt / WATCHED) : 1
    for (let i = 0; i < pieces; i++) {
      this.driftIn(dt / pieces, this.cells, this.line, this.pl, 'line')
      if (this.bleedLine) this.driftIn(dt / pieces, this.bleedLine, this.far, this.ps, 'far')
      this.watch?.(dt / pieces)
    }
  }
  /** The most that went over a face in the last step of a drift, local ml. */
  moved = 0

  protected driftIn(
    dt: number,
    cells: Cells,
    gas: Float64Array,
    p: number,
    zone: 'line' | 'far',
  ): void {
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
        // Nothing here and nothing beside it: most of a line, most of the time.
        if (alpha === 0 && next === 0 && i + 1 < n) {
          if (over !== 0) gas[i]! += over * free
          over = 0
          continue
        }
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
  protected endFlow(
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
    if (end === 'near')
      return sign * this.swap('master', size, d, s, h, p, intoLine, this.chambers.outlet(this.x))
    return sign * this.swap('slave', size, d, s, h, p, intoLine, this.lineHolds)
  }
  protected swap(
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
    // Under two pressures gas makes more room on one side than it leaves on the other: fluid follows from the reservoir, or goes.
    const fluid = (intoLine ? 1 : -1) * ((gas * p) / own - gas)
    if (chamber === 'master') this.count.drawn += fluid
    else this.count.liquidOut -= fluid
    return gas
  }
}

/** What a cell still takes: less as it fills. */
const takes = (alpha: number, packed: number): number =>
  packed * Math.min(1, Math.max(0, (1 - alpha) / (1 - packed)))

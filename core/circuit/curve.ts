import { crossing, greatest, volumeHolding, type Balance } from './balance'
import type { Circuit } from './circuit'
import { kneesOf, padTravelSending, pressureAt, volumeSent } from './plant'
import {
  balanceUp,
  comingUp,
  pressedDown,
  ready,
  stateAt,
  type PressedState,
  type ReadyCircuit,
} from './solve'

/** Whether the clutch holds full load, drags and slips, or the disc is free. */
export type ClampState = 'full' | 'slipping' | 'free'

/** One point of the press curve. */
export interface CurvePoint extends PressedState {
  /** mm from pedal up. */
  padTravel: number
  clamp: ClampState
}

/** The slave leaves one place and comes to rest in another while the pad stands. */
export interface Jump {
  /** Pad travel at which it happens, mm. */
  padTravel: number
  /** Slave travel before and after, mm. */
  from: number
  to: number
}

export interface PressCurve {
  down: CurvePoint[]
  up: CurvePoint[]
  /** Snaps going down and coming up; empty where the slave moves smoothly all the way. */
  jumps: { down: Jump[]; up: Jump[] }
  /** Pad travel at which the pedal hangs coming up, its springs weaker than the seal's drag, mm; null where it comes home. */
  hangs: number | null
}

/**
 * Pad from up to floor and back. A jump of the slave is drawn by two points at the same pad travel.
 * @param points evenly spaced points each way, 2 or more.
 */
export function pressCurve(circuit: Circuit, points = 200): PressCurve {
  const r = ready(circuit)
  const up = balanceUp(r)
  const jumps = { down: jumpsDown(r), up: jumpsUp(r, up) }
  const steps = Array.from({ length: points }, (_, i) => (circuit.pedal.travel * i) / (points - 1))
  const at = (padTravel: number, state: PressedState): CurvePoint => ({
    padTravel,
    ...state,
    clamp: clampAt(circuit, state.bearingTravel),
  })
  const through = (
    list: Jump[],
    way: 1 | -1,
    smooth: (padTravel: number) => PressedState,
  ): CurvePoint[] => {
    const curve = steps.map((padTravel) => at(padTravel, smooth(padTravel)))
    for (const { padTravel, from, to } of list) {
      if (padTravel > circuit.pedal.travel) continue
      const volume = smooth(padTravel).volume
      const before = way === 1 ? from : to
      const after = way === 1 ? to : from
      const i = curve.findIndex((point) => point.padTravel > padTravel)
      curve.splice(
        i < 0 ? curve.length : i,
        0,
        at(padTravel, stateAt(r, padTravel, volume, before, way)),
        at(padTravel, stateAt(r, padTravel, volume, after, way)),
      )
    }
    return curve
  }
  const rising = through(jumps.up, -1, (x) => comingUp(r, up, x))
  return {
    down: through(jumps.down, 1, (x) => pressedDown(r, x)),
    up: rising,
    jumps,
    hangs: hangsAt(rising),
  }
}

/** Where a foot that is lifted slowly leaves the pad behind: the force there is below none. Straight lines between points. */
function hangsAt(up: readonly CurvePoint[]): number | null {
  for (let i = up.length - 1; i >= 0; i--) {
    const { pedalForce, padTravel } = up[i]!
    if (pedalForce >= 0 || padTravel === 0) continue
    const above = up[i + 1]
    if (!above) return padTravel
    const part = -pedalForce / (above.pedalForce - pedalForce)
    return padTravel + part * (above.padTravel - padTravel)
  }
  return null
}

/** Clamp state at a bearing travel, mm. */
export function clampAt({ cover }: Circuit, bearingTravel: number): ClampState {
  if (bearingTravel >= cover.releaseTravel) return 'free'
  return bearingTravel <= cover.fullClampTravel ? 'full' : 'slipping'
}

/**
 * Largest force at the pad until the disc is free, N: what the leg feels. Between two points of the load curve the load
 * is monotone, so the peak stands at one of them, at release, or where the pad ends. Beyond release a bottomed slave
 * would only show how hard one can push.
 */
export function peakForce(circuit: Circuit): number {
  const r = ready(circuit)
  const { plant: p, releaseAt } = r
  const end = Math.min(releaseAt, r.full)
  let most = pressedDown(
    r,
    Math.min(circuit.pedal.travel, padTravelSending(p, greatest(r.down, p.slaveRest, releaseAt))),
  ).pedalForce
  for (const s of [...kneesOf(p), end]) {
    if (s <= p.slaveRest || s > end) continue
    const volume = volumeHolding(p, s, 1)
    most = Math.max(most, stateAt(r, padTravelSending(p, volume), volume, s, 1).pedalForce)
  }
  return most
}

/** Steps of the search within a piece; each leaves 0.62 of it. */
const GOLDEN_STEPS = 26
const GOLDEN = (Math.sqrt(5) - 1) / 2

/**
 * Largest force at the pad on the way down, N: from its rest to full travel, or to where master or slave meets its end,
 * whichever comes first; what is felt just before the slave leaps counts.
 */
export function peakOnTheWayDown(circuit: Circuit): number {
  const r = ready(circuit)
  const { plant: p, down } = r
  const { pedal, master, slave } = circuit
  const toStop = slave.stroke > p.slaveRest ? greatest(down, p.slaveRest, slave.stroke) : 0
  const end = Math.min(
    pedal.travel,
    pedal.ratio * (p.clearance + master.stroke),
    padTravelSending(p, toStop),
  )
  const last = pressedDown(r, end)
  let most = Math.max(pressedDown(r, 0).pedalForce, last.pedalForce)
  let highest = -Infinity
  for (let i = 0; i < down.s.length; i++) {
    const from = down.s[i]!
    if (from > last.slaveTravel) break
    highest = Math.max(highest, down.volume[i]!)
    // A slave that has leapt past a place was never there.
    const forceAt = (s: number): number => {
      const volume = volumeHolding(p, s, 1)
      if (volume < highest) return -Infinity
      return stateAt(r, padTravelSending(p, volume), volume, s, 1).pedalForce
    }
    most = Math.max(most, forceAt(from))
    const to = Math.min(down.s[i + 1] ?? from, last.slaveTravel)
    // While the load rises so does the force; where it falls, the master’s spring may still rise more for a while.
    if (to > from && pressureFalls(r, from, to))
      most = Math.max(most, greatestWithin(forceAt, from, to))
  }
  return most
}
const pressureFalls = ({ plant: p }: ReadyCircuit, from: number, to: number): boolean =>
  pressureAt(p, to, 1) < pressureAt(p, from, 1)

function greatestWithin(f: (x: number) => number, from: number, to: number): number {
  let [a, b] = [from, to]
  let most = Math.max(f(a), f(b))
  for (let i = 0; i < GOLDEN_STEPS; i++) {
    const [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)]
    const [left, right] = [f(c), f(d)]
    most = Math.max(most, left, right)
    if (left > right) b = d
    else a = c
  }
  return most
}

/** Shorter leaps than this are no snap that anyone would see or feel, mm. */
const LEAST_JUMP = 0.01

/** Going down the slave leaps where G has a peak that stands above all before it, to where G is that high again. */
function jumpsDown({ plant: p, down }: ReadyCircuit): Jump[] {
  const jumps: Jump[] = []
  const { pedal, slave } = p.circuit
  const { stroke } = slave
  const { s, volume } = down
  // What pedal and master cannot send does not come to pass.
  const most = volumeSent(p, pedal.travel)
  for (let i = 0; i + 1 < s.length && s[i]! < stroke && volume[i]! <= most;) {
    let land = i
    while (land + 1 < s.length && volume[land + 1]! <= volume[i]!) land++
    // The leap ends in the piece beyond `land`, or at the slave's stop.
    if (land > i) {
      const end = land + 1 < s.length ? crossing(down, land, volume[i]!) : s[land]!
      const to = Math.min(stroke, end)
      if (to - s[i]! > LEAST_JUMP)
        jumps.push({ padTravel: padTravelSending(p, volume[i]!), from: s[i]!, to })
    }
    i = land > i ? land : i + 1
  }
  return jumps
}

/** Coming up it falls back where G− has a trough that lies below all beyond it, to where G− is that low again. */
function jumpsUp({ plant: p }: ReadyCircuit, up: Balance): Jump[] {
  const jumps: Jump[] = []
  const { s, volume } = up
  for (let i = s.length - 1; i > 0;) {
    let land = i
    while (land > 0 && volume[land - 1]! >= volume[i]!) land--
    if (land < i) {
      const to = land > 0 ? crossing(up, land - 1, volume[i]!) : s[0]!
      if (s[i]! - to > LEAST_JUMP)
        jumps.push({ padTravel: padTravelSending(p, volume[i]!), from: s[i]!, to })
    }
    i = land < i ? land : i - 1
  }
  return jumps
}

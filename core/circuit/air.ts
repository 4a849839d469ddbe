import { type ProofStage } from './proof-stages'
import { P0, type Circuit } from './circuit'
import { plant, pressureAt, slaveTravelFor, kneesOf, volumeSent, type Plant } from './plant'
import { root } from './root'
import { reserveOf } from './solve'
import { measuredUncertainty, MEASURING_ERROR, NINETY, propagate, type Uncertain } from './uncertain'

/** Pad force net of springs at which a fingertip feels resistance, N. */
export const TOUCH_FORCE = 20

/** Reserve that a proven pedal keeps unless set otherwise, mm at the pad. */
export const WANTED_RESERVE = 15

export interface TrappedAir {
  /** Best figure, mm³ at standard atmosphere; may lie a little below 0. */
  air: number
  /** 90 % interval. */
  low: number
  high: number
  /** Shares of the spread, widest first, mm³. */
  shares: { name: string; sigma: number }[]
}
/** The entered geometry or the reading is wrong. */
export interface Implausible {
  implausible: string
  /** Volume by which the reading falls short of none, mm³; 0 where no reading could fit. */
  lacking: number
}

export interface AirOptions {
  /** N at the pad, net of springs. */
  touchForce?: number
  /** One standard deviation of the pad reading, mm. */
  tape?: number
  /** What of the circuit is uncertain; ordinary measuring errors unless given. */
  uncertain?: readonly Uncertain[]
}

/** Pressure at which the fingertip feels resistance P_t, MPa. */
export const touchPressure = (p: Plant, touchForce: number): number =>
  (touchForce * p.circuit.pedal.ratio) / p.masterArea

/** First s ≥ s0 at which going down takes at least this pressure, mm; the slave's stop where none does. */
function slaveTravelAtPressure(p: Plant, pressure: number): number {
  const excess = (s: number) => pressureAt(p, s, 1) - pressure
  let from = p.slaveRest
  if (excess(from) >= 0) return from
  const { stroke } = p.circuit.slave
  for (const knee of kneesOf(p)) {
    if (knee <= from) continue
    const to = Math.min(knee, stroke)
    if (excess(to) >= 0) return root(excess, from, to)
    if (to === stroke) break
    from = to
  }
  return stroke
}

/**
 * Fingertip free travel: pad travel at which the pressure first reaches the touch pressure, mm.
 * @param touchForce N at the pad, net of springs.
 */
export function freeTravel(circuit: Circuit, touchForce = TOUCH_FORCE): number {
  const p = plant(circuit)
  const pressure = touchPressure(p, touchForce)
  const held = volumeBesidesAir(p, slaveTravelAtPressure(p, pressure), pressure)
  const volume = held + (circuit.air * pressure) / (P0 + pressure)
  return circuit.pedal.ratio * (p.clearance + circuit.master.portClosure + volume / p.masterArea)
}

/** A_s·(s − s0) + (C + V_f/B)·P: all that is sent forward and is not air, mm³. */
const volumeBesidesAir = (p: Plant, s: number, pressure: number): number =>
  p.slaveArea * (s - p.slaveRest) + p.give * pressure

/** Free volume of air that takes up the rest of what the pad sent forward, mm³; null at no pressure. */
function airLeft(p: Plant, padTravel: number, s: number, pressure: number): number | null {
  if (pressure <= 0) return null
  const { pedal, master } = p.circuit
  const sent = p.masterArea * (padTravel / pedal.ratio - p.clearance - master.portClosure)
  return (sent - volumeBesidesAir(p, s, pressure)) / (pressure / (P0 + pressure))
}

/**
 * The bare figure: trapped air from fingertip free travel, mm³, with no interval; a little below 0 where the reading is
 * shorter than an air-free circuit allows.
 */
export function airAtFreeTravel(circuit: Circuit, reading: number, touchForce: number): number {
  const p = plant(circuit)
  const pressure = touchPressure(p, touchForce)
  return airLeft(p, reading, slaveTravelAtPressure(p, pressure), pressure)!
}

/**
 * Trapped air from fingertip free travel, with its 90 % interval. `circuit.air` plays no part.
 * @param reading free travel at the pad, mm.
 */
export function airFromFreeTravel(
  circuit: Circuit,
  reading: number,
  options: AirOptions = {},
): TrappedAir | Implausible {
  const { touchForce = TOUCH_FORCE, tape = MEASURING_ERROR.tape } = options
  const figure = (c: Circuit, travel: number, force: number) => airAtFreeTravel(c, travel, force)
  const air = figure(circuit, reading, touchForce)
  const own = [
    { name: 'reading', sigma: slopeOver((d) => figure(circuit, reading + d, touchForce), tape) },
    {
      name: 'touchForce',
      sigma: slopeOver(
        (d) => figure(circuit, reading, touchForce + d),
        MEASURING_ERROR.touchForce * touchForce,
      ),
    },
  ]
  const spread = propagate(circuit, options.uncertain ?? measuredUncertainty(circuit), (c) =>
    figure(c, reading, touchForce),
  )
  return interval(air, own, spread, 'the free travel is shorter than an air-free circuit allows')
}

/** The bare figure: trapped air from the take-up point, mm³, with no interval; null where no pressure is left there. */
export function airAtEngagement(circuit: Circuit, engagement: number): number | null {
  const p = plant(circuit)
  const s = slaveTravelFor(p, circuit.cover.releaseTravel)
  return airLeft(p, engagement, s, pressureAt(p, s, -1))
}

/**
 * The bare figure: trapped air from the rod's stroke at full pedal, mm³, with no interval; null where no pressure is left
 * there, or where the slave would be at its end, which says nothing of the air.
 */
export function airAtRodStroke(circuit: Circuit, stroke: number): number | null {
  const p = plant(circuit)
  const s = p.slaveRest + stroke
  const pressure = pressureAt(p, s, 1)
  if (pressure <= 0 || s >= circuit.slave.stroke) return null
  const left = volumeSent(p, circuit.pedal.travel) - volumeBesidesAir(p, s, pressure)
  return left / (pressure / (P0 + pressure))
}

/**
 * Trapped air from the take-up point coming up: the same balance at the engagement point.
 * @param engagement pad travel at take-up, mm from pedal up.
 */
export function airFromEngagement(
  circuit: Circuit,
  engagement: number,
  options: Omit<AirOptions, 'touchForce'> = {},
): TrappedAir | Implausible {
  const figure = airAtEngagement
  const air = figure(circuit, engagement)
  if (air === null)
    return {
      implausible: 'the spring alone holds this clutch released: no pressure at take-up',
      lacking: 0,
    }
  const own = [
    {
      name: 'reading',
      sigma: slopeOver(
        (d) => figure(circuit, engagement + d) ?? air,
        options.tape ?? MEASURING_ERROR.tape,
      ),
    },
  ]
  const spread = propagate(circuit, options.uncertain ?? measuredUncertainty(circuit), (c) =>
    figure(c, engagement),
  )
  return interval(air, own, spread, 'the take-up stands higher than an air-free circuit allows')
}

/** |∂f/∂d|·σ by a central difference at d = 0. */
const slopeOver = (f: (d: number) => number, sigma: number): number =>
  Math.abs((f(sigma / 10) - f(-sigma / 10)) / 2) * 10

function interval(
  air: number,
  own: { name: string; sigma: number }[],
  spread: { shares: { name: string; sigma: number }[] },
  why: string,
): TrappedAir | Implausible {
  const shares = [...own, ...spread.shares].sort((a, b) => b.sigma - a.sigma)
  const half = NINETY * Math.hypot(...shares.map((share) => share.sigma))
  if (air + half < 0)
    return {
      implausible: `${why}. Check the reading, the pushrod clearance and the bores.`,
      lacking: -air,
    }
  return { air, low: air - half, high: air + half, shares }
}

export const isImplausible = (found: TrappedAir | Implausible): found is Implausible =>
  'implausible' in found

/**
 * Staged proof: air behind the plug from the free travel felt at that stage, mm³.
 * Master alone and master with line have no slave to move: all that is sent is taken up by air, swell and fluid.
 * @param reading free travel at the pad with the outlet plugged at this stage, mm.
 */
export function airBehind(
  circuit: Circuit,
  stage: ProofStage,
  reading: number,
  touchForce = TOUCH_FORCE,
): number {
  if (stage === 'whole') return airAtFreeTravel(circuit, reading, touchForce)
  const cut = plant(stage === 'master' ? { ...circuit, lines: [] } : circuit)
  const pressure = touchPressure(cut, touchForce)
  return airLeft(cut, reading, cut.slaveRest, pressure)!
}

/** Volume that quick strokes won, mm³: air, or a slave piston that falls back. */
export function pumpUpGain(circuit: Circuit, padTravelWon: number): number {
  const p = plant(circuit)
  return (p.masterArea * padTravelWon) / circuit.pedal.ratio
}

/**
 * Most air that still leaves the wanted reserve, mm³; 0 where even none leaves it.
 * Reserve never rises with air, so halving finds it.
 * @param wanted reserve at the pad, mm.
 */
export function airAllowed(circuit: Circuit, wanted = WANTED_RESERVE): number {
  const left = (air: number) => reserveOf({ ...circuit, air }) - wanted
  if (left(0) < 0) return 0
  let high = 1000
  while (left(high) >= 0) {
    high *= 2
    if (high > 1_000_000) return 1_000_000
  }
  return root(left, high === 1000 ? 0 : high / 2, high)
}

/** Volume sent at full travel, mm³: what one whole stroke can move. */
export function strokeVolume(circuit: Circuit): number {
  return volumeSent(plant(circuit), circuit.pedal.travel)
}

import { circleArea, lineSwell, lineVolume, P0, slaveArea, type Circuit } from './circuit'
import { loadAt, loadCurve, type LoadCurve } from './load-curve'
import { root } from './root'

/** What follows from a circuit's parameters alone, worked out once for all questions about it. */
export interface Plant {
  readonly circuit: Circuit
  /** Piston areas A_m and A_s, mm². */
  readonly masterArea: number
  readonly slaveArea: number
  /** Swell of all lines C, mm³/MPa. */
  readonly swell: number
  /** Fluid volume V_f / bulk modulus, mm³/MPa. */
  readonly compression: number
  /** C + V_f/bulkModulus, mm³/MPa. */
  readonly give: number
  readonly curve: LoadCurve
  /** Gap that the rod really leaves: max(pushrodClearance, −portClosure), mm. */
  readonly clearance: number
  /** Slave travel at which the bearing touches the cover, mm. */
  readonly contact: number
  /** Slave travel at rest s0, mm. */
  readonly slaveRest: number
  /** True where the slave's spring has taken slop and clearance up. */
  readonly takenUp: boolean
  /** Slave spring, seal friction, N, and the linkage, flat because every balance asks for them. */
  readonly spring: number
  readonly friction: number
  readonly forkRatio: number
  readonly air: number
}

export function plant(circuit: Circuit): Plant {
  const { master, linkage, slave } = circuit
  const masterArea = circleArea(master.bore)
  let swell = 0
  let fluidVolume = masterArea * master.stroke
  for (const line of circuit.lines) {
    swell += lineSwell(line)
    fluidVolume += lineVolume(line)
  }
  const compression = fluidVolume / circuit.fluid.bulkModulus
  const bare: Plant = {
    circuit,
    masterArea,
    slaveArea: slaveArea(slave),
    swell,
    compression,
    give: swell + compression,
    curve: loadCurve(circuit.cover.releaseLoad),
    clearance: Math.max(master.pushrodClearance, -master.portClosure),
    contact: linkage.slop + linkage.forkRatio * linkage.bearingClearance,
    slaveRest: 0,
    takenUp: false,
    spring: slave.springPreload ?? 0,
    friction: slave.sealFriction ?? 0,
    forkRatio: linkage.forkRatio,
    air: circuit.air,
  }
  const slaveRest = restOf(bare)
  return { ...bare, slaveRest, takenUp: slaveRest > 0 }
}

/** Bearing travel b(s), mm, at slave travel s. */
export function bearingTravel(p: Plant, s: number): number {
  return Math.max(0, (s - p.contact) / p.forkRatio)
}

/** Slave travel that gives bearing travel b, mm. */
export function slaveTravelFor(p: Plant, b: number): number {
  return p.contact + p.forkRatio * b
}

/** Holding force at the slave before the spring's help is cut off at zero: load/forkRatio ± friction − spring, N. */
function heldForce(p: Plant, s: number, way: 1 | -1): number {
  return loadAt(p.curve, bearingTravel(p, s)) / p.forkRatio + way * p.friction - p.spring
}

/** Pressure that holds the slave at s, MPa: P+ going down (way 1), P− coming up (way −1). */
export function pressureAt(p: Plant, s: number, way: 1 | -1): number {
  return Math.max(0, heldForce(p, s, way) / p.slaveArea)
}

/** W(P): volume absorbed at pressure P without moving the slave, mm³; the air isothermal. */
export function absorbed(p: Plant, pressure: number): number {
  return (p.air * pressure) / (P0 + pressure) + p.give * pressure
}

/** W⁻¹(V): pressure at which volume V is absorbed, MPa; 0 for V ≤ 0. */
export function pressureAbsorbing(p: Plant, volume: number): number {
  if (volume <= 0) return 0
  const b = p.circuit.air + p.give * P0 - volume
  const radical = Math.sqrt(b * b + 4 * p.give * volume * P0)
  // Two forms of the same root; each is used where it loses no digits.
  return b >= 0 ? (2 * volume * P0) / (b + radical) : (radical - b) / (2 * p.give)
}

/** Volume sent forward at pad travel x, mm³. */
export function volumeSent(p: Plant, padTravel: number): number {
  const { stroke, portClosure } = p.circuit.master
  const pushed = Math.max(0, padTravel / p.circuit.pedal.ratio - p.clearance - portClosure)
  return p.masterArea * Math.max(0, Math.min(pushed, stroke - portClosure))
}

/** Pad travel at which volume V has been sent forward, mm. */
export function padTravelSending(p: Plant, volume: number): number {
  return p.circuit.pedal.ratio * (p.clearance + p.circuit.master.portClosure + volume / p.masterArea)
}

/** Slave travels from 0 on at which the load curve changes its piece: contact, then each further load point. */
export function kneesOf(p: Plant): number[] {
  const knees: number[] = []
  for (const x of p.curve.x) if (x > 0) knees.push(slaveTravelFor(p, x))
  return p.contact > 0 ? [p.contact, ...knees] : knees
}

/**
 * Slave travel at rest: the largest s up to which P+ is 0 throughout, at most the slave's stroke.
 * Where the spring does not beat the seal's friction nothing pushes the slave out, and it is 0.
 */
function restOf(p: Plant): number {
  const { stroke } = p.circuit.slave
  if (p.spring <= p.friction) return 0
  const force = (s: number) => heldForce(p, s, 1)
  if (force(0) > 0) return 0
  let from = 0
  for (const to of kneesOf(p)) {
    if (force(to) > 0) return Math.min(stroke, root(force, from, to))
    from = to
  }
  return stroke
}

/** True where the slave's spring beats its seal's friction: slop and clearance are taken up and cost no pedal. */
export const takesUpPlay = (circuit: Circuit): boolean => plant(circuit).takenUp

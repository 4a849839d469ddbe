import { P0, type Circuit } from './circuit'
import { balance, firstAbove, greatest, lastBelow, least, volumeHolding, type Balance } from './balance'
import {
  bearingTravel,
  padTravelSending,
  plant,
  pressureAbsorbing,
  pressureAt,
  slaveTravelFor,
  volumeSent,
  type Plant,
} from './plant'

/** Pad travel needed to just free the disc, term by term, mm at the pad. */
export interface TravelBudget {
  rodClearance: number
  portClosure: number
  slop: number
  bearingClearance: number
  lift: number
  air: number
  lineSwell: number
  fluid: number
  snap: number
}

/** What ends the pad's way before the disc is free. */
export type Stop = 'pedal' | 'master' | 'slave'

/** The circuit with the pad at one place. */
export interface PressedState {
  /** Volume sent forward, mm³. */
  volume: number
  slaveTravel: number
  /** What a tape at the rod shows: slave travel less its rest, mm. */
  rodStroke: number
  pressure: number
  bearingTravel: number
  /** Force at the pad, N. */
  pedalForce: number
}

export interface CircuitSolution {
  /** Slave travel at rest s0, mm. */
  slaveRest: number
  budget: TravelBudget
  pedalTravelAtRelease: number
  /** Pad travel left when the disc is just free, mm; below 0 it is short. */
  reserve: number
  pressureAtRelease: number
  releases: boolean
  /** The stop that the pad meets first; null when the disc frees. */
  limitedBy: Stop | null
  /** The compensating port never opens: stop work. */
  portCovered: boolean
  /** The rod holds the piston in, the port is part covered: adjust before going on. */
  rodPreloaded: boolean
  /** Pad travel at which the disc takes up again coming up, mm; null where full travel never frees it. */
  engagement: number | null
  /** Pad travel at which full clamp is back coming up, mm; null where full travel never gets that far. */
  fullClamp: number | null
  at: PressedState
}

/** A circuit made ready: every question below is asked of this. */
export interface ReadyCircuit {
  readonly plant: Plant
  readonly down: Balance
  /** Slave travel at which the disc is just free, mm. */
  readonly releaseAt: number
  /** Slave travel at full pad travel going down, mm. */
  readonly full: number
}

export function ready(circuit: Circuit): ReadyCircuit {
  const p = plant(circuit)
  const releaseAt = slaveTravelFor(p, circuit.cover.releaseTravel)
  const down = balance(p, 1, p.slaveRest, Math.max(circuit.slave.stroke, releaseAt, p.slaveRest))
  const full = slaveTravelDown(p, down, volumeSent(p, circuit.pedal.travel))
  return { plant: p, down, releaseAt, full }
}

const slaveTravelDown = (p: Plant, down: Balance, volume: number): number =>
  Math.max(p.slaveRest, Math.min(p.circuit.slave.stroke, firstAbove(down, volume)))

/**
 * Solves the circuit quasi-statically: rest, travel budget, release, engagement and the state at one pad travel.
 * @param padTravel pad travel for `at`, mm, 0 … pedal.travel; full travel unless given.
 */
export function solveCircuit(circuit: Circuit, padTravel = circuit.pedal.travel): CircuitSolution {
  const r = ready(circuit)
  const { clearance } = r.plant
  const { portClosure } = circuit.master
  const budget = budgetOf(r)
  let pedalTravelAtRelease = 0
  for (const term of Object.values(budget) as number[]) pedalTravelAtRelease += term
  const limitedBy = firstStop(r, pedalTravelAtRelease)
  return {
    slaveRest: r.plant.slaveRest,
    budget,
    pedalTravelAtRelease,
    reserve: circuit.pedal.travel - pedalTravelAtRelease,
    pressureAtRelease: pressureAt(r.plant, r.releaseAt, 1),
    releases: limitedBy === null,
    limitedBy,
    portCovered: circuit.master.pushrodClearance <= -portClosure,
    rodPreloaded: clearance < 0 && clearance > -portClosure,
    engagement: padTravelComingUp(r, r.releaseAt),
    fullClamp: padTravelComingUp(r, slaveTravelFor(r.plant, circuit.cover.fullClampTravel)),
    at: pressedDown(r, padTravel),
  }
}

/** The reserve alone, mm at the pad, as `solveCircuit` has it: for those who ask it of a hundred circuits near one. */
export function reserveOf(circuit: Circuit): number {
  const p = plant(circuit)
  const releaseAt = slaveTravelFor(p, circuit.cover.releaseTravel)
  const down = balance(p, 1, p.slaveRest, Math.max(releaseAt, p.slaveRest))
  let needed = 0
  for (const term of Object.values(budgetOf({ plant: p, down, releaseAt })) as number[]) needed += term
  return circuit.pedal.travel - needed
}

function budgetOf({
  plant: p,
  down,
  releaseAt,
}: Pick<ReadyCircuit, 'plant' | 'down' | 'releaseAt'>): TravelBudget {
  const { pedal, linkage, cover, master } = p.circuit
  const perVolume = pedal.ratio / p.masterArea
  const perSlave = perVolume * p.slaveArea
  const pressure = pressureAt(p, releaseAt, 1)
  const needed = volumeHolding(p, releaseAt, 1)
  const highest = releaseAt > p.slaveRest ? greatest(down, p.slaveRest, releaseAt) : needed
  return {
    rodClearance: pedal.ratio * p.clearance,
    portClosure: pedal.ratio * master.portClosure,
    slop: p.takenUp ? 0 : perSlave * linkage.slop,
    bearingClearance: p.takenUp ? 0 : perSlave * linkage.forkRatio * linkage.bearingClearance,
    lift: p.takenUp
      ? perSlave * (releaseAt - p.slaveRest)
      : perSlave * linkage.forkRatio * cover.releaseTravel,
    air: (perVolume * p.circuit.air * pressure) / (P0 + pressure),
    lineSwell: perVolume * p.swell * pressure,
    fluid: perVolume * p.compression * pressure,
    snap: perVolume * Math.max(0, highest - needed),
  }
}

/** The stop met before pad travel `needed`, or null where none is. */
function firstStop(r: ReadyCircuit, needed: number): Stop | null {
  const { plant: p, down, releaseAt } = r
  const { pedal, master, slave } = p.circuit
  const stops: [Stop, number][] = [
    ['pedal', pedal.travel],
    ['master', pedal.ratio * (p.clearance + master.stroke)],
  ]
  if (releaseAt > slave.stroke) {
    const volume = slave.stroke > p.slaveRest ? greatest(down, p.slaveRest, slave.stroke) : 0
    stops.push(['slave', padTravelSending(p, volume)])
  }
  let found: Stop | null = null
  let nearest = needed
  for (const [stop, at] of stops)
    if (at < nearest || (stop === 'slave' && at <= nearest)) {
      found = stop
      nearest = at
    }
  return found
}

/** Pad travel at which the slave falls back to s coming up from full travel, mm; null where it is never beyond s. */
function padTravelComingUp(r: ReadyCircuit, s: number): number | null {
  const { plant: p, full } = r
  if (full < s || s < p.slaveRest) return null
  return padTravelSending(p, least(balance(p, -1, s, full), s, full))
}

/** State with the pad at x going down from rest, x mm from pedal up. */
export function pressedDown(r: ReadyCircuit, padTravel: number): PressedState {
  const { plant: p, down } = r
  const volume = volumeSent(p, padTravel)
  const s = slaveTravelDown(p, down, volume)
  return stateAt(r, padTravel, volume, s, 1)
}

/** State with the pad at x coming up from full travel, x mm from pedal up. */
export function comingUp(r: ReadyCircuit, up: Balance, padTravel: number): PressedState {
  const volume = volumeSent(r.plant, padTravel)
  return stateAt(r, padTravel, volume, lastBelow(up, volume), -1)
}

/** The balance on which `comingUp` walks: G− from rest to where full travel left the slave. */
export const balanceUp = (r: ReadyCircuit): Balance => balance(r.plant, -1, r.plant.slaveRest, r.full)

/** State with the slave at s and the pad at x, going down (way 1) or coming up (way −1). */
export function stateAt(
  r: ReadyCircuit,
  padTravel: number,
  volume: number,
  s: number,
  way: 1 | -1,
): PressedState {
  const { plant: p } = r
  const { slave } = p.circuit
  // At rest, at the slave's stop and where friction holds it on the way up, the slave stands and the pressure is free.
  const end = way === 1 ? slave.stroke : r.full
  let pressure: number
  if (s <= p.slaveRest) pressure = pressureAbsorbing(p, volume)
  else if (s >= end) {
    const free = pressureAbsorbing(p, volume - p.slaveArea * (s - p.slaveRest))
    pressure = Math.max(pressureAt(p, s, way), free)
  } else pressure = pressureAt(p, s, way)
  return {
    volume,
    slaveTravel: s,
    rodStroke: s - p.slaveRest,
    pressure,
    bearingTravel: bearingTravel(p, s),
    pedalForce: pedalForce(p, padTravel, pressure, way),
  }
}

function pedalForce(p: Plant, padTravel: number, pressure: number, way: 1 | -1): number {
  const { pedal, master } = p.circuit
  const pistonTravel = Math.min(padTravel / pedal.ratio - p.clearance, master.stroke)
  const springs =
    pistonTravel >= 0
      ? (master.springPreload ?? 0) +
        (master.springRate ?? 0) * pistonTravel +
        way * (master.sealFriction ?? 0)
      : 0
  return (pressure * p.masterArea + springs) / pedal.ratio + (pedal.returnForce ?? 0)
}

import {
  airAllowed,
  airAtEngagement,
  airAtFreeTravel,
  airFromEngagement,
  airFromFreeTravel,
  isImplausible,
  NINETY,
  reserveOf,
  solveCircuit,
  TOUCH_FORCE,
  WANTED_RESERVE,
  type Circuit,
  type CircuitSolution,
  type Implausible,
  type TrappedAir,
} from '../circuit'
import { spreadOf, uncertaintyOf, withMeasured, type Installation, type Spread } from '../installation'
import type { Readings } from '../journal'
import { applyChanges, type Change } from '../whatif'

/** What the readings of one phase of a job mean on this very circuit. */
export interface PhaseFigures {
  /** The installation with what was measured in this phase in its place. */
  installation: Installation
  /** Null where neither free travel nor take-up was measured. */
  air: TrappedAir | Implausible | null
  airFrom: 'freeTravel' | 'takeUpHeight' | null
  /** Circuit with the trapped air found, none where none was measured or to be seen. */
  circuit: Circuit
  solution: CircuitSolution
  /** Reserve as computed, with its spread. */
  reserve: Spread
  /** Air that still leaves the wanted reserve, mm³. */
  allowed: number
}

/** The figures of a phase from its readings. */
export function phaseFigures(
  start: Installation,
  readings: Readings,
  wantedReserve = WANTED_RESERVE,
): PhaseFigures {
  const installation = withReadings(start, readings)
  const { circuit } = installation
  const free = readings.freeTravel?.payload.value
  const takeUp = readings.takeUpHeight?.payload.value
  const infer = airReader(circuit.pedal.travel, free, takeUp)
  const air = infer ? infer(circuit, { uncertain: uncertaintyOf(installation) }) : null
  const airOf = (c: Circuit): number => {
    if (free !== undefined) return Math.max(0, airAtFreeTravel(c, free, TOUCH_FORCE))
    if (takeUp === undefined) return 0
    return Math.max(0, airAtEngagement(c, circuit.pedal.travel - takeUp) ?? 0)
  }
  const filled = { ...circuit, air: airOf(circuit) }
  // The air is found anew for each shifted circuit: what makes it larger also makes the circuit stiffer.
  const reserve = spreadOf(installation, (c) => reserveOf({ ...c, air: airOf(c) }))!
  return {
    installation,
    air,
    airFrom: !infer ? null : free === undefined ? 'takeUpHeight' : 'freeTravel',
    circuit: filled,
    solution: solveCircuit(filled),
    reserve: air === null || isImplausible(air) ? reserve : widenedByReading(reserve, filled, air),
    allowed: airAllowed(circuit, wantedReserve),
  }
}

/**
 * Figures of a circuit as it is planned: what was found, with the changes done to it in thought.
 * @throws InputError where a change leaves no circuit that can be.
 */
export function plannedFigures(
  found: PhaseFigures,
  changes: readonly Change[],
  wantedReserve = WANTED_RESERVE,
): PhaseFigures {
  const installation = applyChanges({ ...found.installation, circuit: found.circuit }, changes)
  const { circuit } = installation
  const airSet = changes.some((one) => one.change === 'air')
  return {
    installation,
    air: airSet ? null : found.air,
    airFrom: airSet ? null : found.airFrom,
    circuit,
    solution: solveCircuit(circuit),
    reserve: spreadOf(installation, reserveOf)!,
    allowed: airAllowed(circuit, wantedReserve),
  }
}

type AirReader = (
  circuit: Circuit,
  options: { uncertain: ReturnType<typeof uncertaintyOf> },
) => TrappedAir | Implausible

function airReader(
  travel: number,
  free: number | undefined,
  takeUp: number | undefined,
): AirReader | null {
  if (free !== undefined) return (c, options) => airFromFreeTravel(c, free, options)
  if (takeUp !== undefined) return (c, options) => airFromEngagement(c, travel - takeUp, options)
  return null
}

/** The reading's own error, as air, costs reserve too. */
function widenedByReading(reserve: Spread, circuit: Circuit, found: TrappedAir): Spread {
  const perAir = reserveOf({ ...circuit, air: circuit.air + 1 }) - reserveOf(circuit)
  const own = found.shares.filter(({ name }) => name === 'reading' || name === 'touchForce')
  const sigma = Math.abs(perAir) * Math.hypot(...own.map((share) => share.sigma))
  const half = Math.hypot((reserve.high - reserve.low) / 2, NINETY * sigma)
  return {
    value: reserve.value,
    low: reserve.value - half,
    high: reserve.value + half,
    shares: [...reserve.shares, { name: 'reading', sigma }].sort((a, b) => b.sigma - a.sigma),
  }
}

/** A measured pad height is the pad's travel, a measured clearance the rod's. */
function withReadings(start: Installation, readings: Readings): Installation {
  let installation = start
  const { padHeight, rodClearance } = readings
  if (padHeight) installation = withMeasured(installation, 'pedal.travel', padHeight.payload.value)
  if (rodClearance)
    installation = withMeasured(installation, 'master.pushrodClearance', rodClearance.payload.value)
  return installation
}

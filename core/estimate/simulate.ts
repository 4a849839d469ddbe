import { evenDraws, normalQuantile, normalShare } from '../chance'
import { TOUCH_FORCE, solveCircuit, MEASURING_ERROR, perturber, type Circuit } from '../circuit'
import { uncertaintyOf, type Installation } from '../installation'
import { COMPLAINED_OF, KNOWN_GOOD } from './prior'
import {
  predicted,
  READING_ERROR,
  TAPE_READINGS,
  type PedalReadings,
  type TapeReading,
} from './readings'

/** A vehicle that could be, drawn from its kind, and what a tape shows of it. */
export interface Simulated {
  /** The truth, air included. */
  circuit: Circuit
  /** All that can be read of it: a disc that never comes free has no take-up, a concentric slave no rod. */
  readings: PedalReadings
}

/**
 * Draws a vehicle of known truth, to see whether an estimate finds it: every uncertain quantity from its range, the air
 * from its prior, each reading with its own error. For trying the method only; no such figure is ever shown as read.
 */
export function simulateVehicle(
  installation: Installation,
  seed: number,
  knownGood = false,
): Simulated {
  const draw = evenDraws(seed)
  const normal = () => normalQuantile(Math.min(1 - 1e-12, Math.max(1e-12, draw())))
  const quantities = uncertaintyOf(installation)
  const circuit = perturber(
    installation.circuit,
    quantities,
  )(quantities.map(({ sigma }) => sigma * normal()))
  circuit.air = (knownGood ? KNOWN_GOOD : COMPLAINED_OF).quantile(normalShare(normal()))
  const solution = solveCircuit(circuit)
  const touch = TOUCH_FORCE * Math.max(0.2, 1 + MEASURING_ERROR.touchForce * normal())
  const can: Record<TapeReading, boolean> = {
    freeTravel: true,
    takeUpHeight: solution.engagement !== null,
    rodStroke: circuit.slave.type === 'external',
  }
  const readings: PedalReadings = can.takeUpHeight ? {} : { takesUp: false }
  for (const name of TAPE_READINGS)
    if (can[name])
      readings[name] = predicted(name, circuit, solution, touch) + READING_ERROR[name].sigma * normal()
  return { circuit, readings }
}

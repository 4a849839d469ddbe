import { evenDraws, normalQuantile, normalShare } from '../chance'
import { MEASURING_ERROR, NINETY, perturber, solveCircuit, TOUCH_FORCE, type Circuit } from '../circuit'
import { rangeOf, type Installation } from '../installation'
import { COMPLAINED_OF, KNOWN_GOOD } from './prior'
import { byOf, quantitiesOf } from './quantities'
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
  /** mm at the pad. */
  reserve: number
  /** All that can be read of it: a disc that never comes free has no take-up, a concentric slave no rod. */
  readings: PedalReadings
}
export interface SimulateOptions {
  knownGood?: boolean
  /** How figures lie in their ranges: about the usual one, or evenly from end to end. */
  spread?: 'usual' | 'even'
  /** Every range is this share of its width from where the kind has it. */
  moved?: number
}

/**
 * Draws a vehicle of known truth, to see whether an estimate finds it: every uncertain quantity from its range, which
 * holds nine cases in ten, bores in sizes, the air from its prior, each reading with its own error. For trying the method
 * only; no such figure is ever shown as read.
 */
export function simulateVehicle(
  installation: Installation,
  seed: number,
  { knownGood = false, spread = 'usual', moved = 0 }: SimulateOptions = {},
): Simulated {
  const draw = evenDraws(seed)
  const normal = () => normalQuantile(Math.min(1 - 1e-12, Math.max(1e-12, draw())))
  const { smooth, bores } = quantitiesOf(installation, 1)
  const by = [
    ...bores.map(({ sizes }) => {
      let left = draw()
      return (sizes.find(({ share }) => (left -= share) < 0) ?? sizes[0]!).by
    }),
    ...smooth.map((quantity) => {
      const range = installation.assumed.includes(quantity.name)
        ? rangeOf(installation, quantity.name)
        : undefined
      if (!range) return byOf(quantity, normal())
      const width = range.high - range.low
      // From the one end to the other; the usual figure is where neither is left.
      const even = () => byOf(quantity, -NINETY) + width * draw()
      return (spread === 'even' ? even() : byOf(quantity, normal())) + moved * width
    }),
  ]
  const circuit = perturber(installation.circuit, [...bores, ...smooth])(by)
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
  return { circuit, reserve: solution.reserve, readings }
}

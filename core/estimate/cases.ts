import { normalShare } from '../chance'
import {
  airAtFreeTravel,
  masterArea,
  MEASURING_ERROR,
  P0,
  perturber,
  solveCircuit,
  TOUCH_FORCE,
  type Circuit,
  type CircuitSolution,
} from '../circuit'
import { uncertaintyOf, type Installation } from '../installation'
import { COMPLAINED_OF, KNOWN_GOOD, type AirPrior } from './prior'
import {
  predicted,
  pushBackLikelihood,
  READING_ERROR,
  TAPE_READINGS,
  type PedalReadings,
  type TapeReading,
} from './readings'

/** What is known of one vehicle when it is estimated. */
export interface Known {
  installation: Installation
  readings: PedalReadings
  /** The pedal that was read is known to be good. */
  knownGood?: boolean
  /** Readings of this vehicle from a time when its pedal was known good. */
  calibration?: PedalReadings
  /** N at the pad, net of springs. */
  touchForce?: number
}

/** One case that could lie behind the readings. */
export interface Case {
  circuit: Circuit
  solution: CircuitSolution
  /** Of the readings that serve as observations, what this case would show. */
  shows: number[]
  /** Log of prior density of the air and likelihood of the readings, but for a constant; −Infinity where it cannot be. */
  logWeight: number
}

/**
 * Cases made from standard normal z: first the circuit's uncertain quantities, then touch force, then one for the air:
 * the error of the free travel where that was read (the air then follows), else the air's own place in its prior; for a
 * calibration two more, its touch force and its air.
 */
export class Cases {
  readonly dimensions: number
  readonly observed: { read: number; sigma: number }[] = []
  /** Names of the first dimensions, with one standard deviation each. */
  readonly quantities: { name: string; sigma: number }[]
  private readonly near: (by: ArrayLike<number>) => Circuit
  private readonly readingsSeen: TapeReading[]
  private readonly calibrationSeen: TapeReading[]
  private readonly prior: AirPrior
  private readonly touchForce: number

  constructor(private readonly known: Known) {
    const { installation, readings, calibration = {}, knownGood } = known
    this.quantities = uncertaintyOf(installation)
    this.near = perturber(installation.circuit, this.quantities)
    this.touchForce = known.touchForce ?? TOUCH_FORCE
    this.prior = knownGood ? KNOWN_GOOD : COMPLAINED_OF
    const seen = (from: PedalReadings) => TAPE_READINGS.filter((name) => from[name] !== undefined)
    // Free travel makes the air and so needs no likelihood of its own.
    this.readingsSeen = seen(readings).filter((name) => name !== 'freeTravel')
    this.calibrationSeen = seen(calibration)
    for (const name of this.readingsSeen)
      this.observed.push({ read: readings[name]!, sigma: READING_ERROR[name].sigma })
    for (const name of this.calibrationSeen)
      this.observed.push({ read: calibration[name]!, sigma: READING_ERROR[name].sigma })
    this.dimensions = this.quantities.length + 2 + (this.calibrationSeen.length > 0 ? 2 : 0)
  }

  /** The circuit at z, with the air that belongs to it. */
  at(z: ArrayLike<number>): Case {
    const { readings } = this.known
    const n = this.quantities.length
    const by = new Float64Array(n)
    for (let k = 0; k < n; k++) by[k] = this.quantities[k]!.sigma * z[k]!
    const circuit = this.near(by)
    const touch = this.touch(z[n]!)
    let logWeight = 0
    if (readings.freeTravel === undefined) {
      circuit.air = this.prior.quantile(normalShare(z[n + 1]!))
    } else {
      const read = readings.freeTravel + READING_ERROR.freeTravel.sigma * z[n + 1]!
      const air = airAtFreeTravel(circuit, read, touch)
      // The change of variables from the reading to the air that it stands for.
      logWeight += Math.log(this.prior.density(air)) + Math.log(airPerReading(circuit, touch))
      circuit.air = Math.max(0, air)
    }
    const solution = solveCircuit(circuit)
    const shows = this.readingsSeen.map((name) => predicted(name, circuit, solution, touch))
    if (this.calibrationSeen.length > 0) {
      const air = KNOWN_GOOD.quantile(normalShare(z[n + 3]!))
      const good = { ...circuit, air }
      const solved = solveCircuit(good)
      const force = this.touch(z[n + 2]!)
      for (const name of this.calibrationSeen) shows.push(predicted(name, good, solved, force))
    }
    this.observed.forEach(({ read, sigma }, j) => {
      logWeight -= ((read - shows[j]!) / sigma) ** 2 / 2
    })
    logWeight += Math.log(pushBackLikelihood(solution, readings.pushesBack))
    // Where a take-up was read there is one; and a good pedal frees the disc, whatever else is not known of it.
    const takesUp = readings.takeUpHeight === undefined ? readings.takesUp : true
    if (takesUp !== undefined && takesUp !== (solution.engagement !== null)) logWeight = -Infinity
    if (this.known.knownGood && !solution.releases) logWeight = -Infinity
    return { circuit, solution, shows, logWeight }
  }

  private touch(z: number): number {
    return this.touchForce * Math.max(0.2, 1 + MEASURING_ERROR.touchForce * z)
  }
}

/** ∂air/∂free travel, mm³ per mm: the volume that a millimetre of pad sends, unsqueezed. */
function airPerReading(circuit: Circuit, touchForce: number): number {
  const area = masterArea(circuit)
  const { ratio } = circuit.pedal
  const pressure = (touchForce * ratio) / area
  return (area / ratio) * ((P0 + pressure) / pressure)
}

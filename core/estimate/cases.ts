import { normalShare } from '../chance'
import {
  airAtEngagement,
  airAtFreeTravel,
  airAtRodStroke,
  masterArea,
  MEASURING_ERROR,
  P0,
  perturber,
  solveCircuit,
  TOUCH_FORCE,
  type Circuit,
  type CircuitSolution,
} from '../circuit'
import type { Installation } from '../installation'
import { Pivot } from './pivot'
import { COMPLAINED_OF, KNOWN_GOOD, MOST_AIR, type AirPrior } from './prior'
import { byOf, quantitiesOf, RANGE_DOUBT, type BoreSizes, type Quantity } from './quantities'
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
  /** One standard deviation of figures that were measured, in their own unit, where it is not the usual one. */
  errors?: Readonly<Record<string, number>>
}

/** One case that could lie behind the readings. */
export interface Case {
  circuit: Circuit
  solution: CircuitSolution
  /** By how much each quantity differs from the installation's figure. */
  by: ArrayLike<number>
  /** Of the readings that serve as observations, what this case would show. */
  shows: number[]
  /** Bounds that no case may pass, as far as this one is inside them: below 0 it is outside. */
  inside: number[]
  /** Log of prior density of the air and likelihood of the readings, but for a constant; −Infinity where it cannot be. */
  logWeight: number
}

/** A branch of what could be: one size for each bore that comes in sizes, and what ends the rod's stroke. */
export interface Branch {
  /** How often its bores are met: its share of the prior. */
  share: number
  /** Share of the blind draws that are made in it. */
  blind: number
  by: number[]
  /** Whether the slave is at its end at full pedal, where the rod's stroke was read: either way the stroke tells something else. */
  atEnd: boolean | null
}

/**
 * Cases made from a branch and standard normal z: first the circuit's other uncertain quantities, then touch force, then one
 * for the air: the error of the reading that makes it (free travel, else take-up, else the rod's stroke), else the air's own
 * place in its prior; for a calibration two more, its touch force and its air. Where the rod's stroke was read and the slave
 * is at its end, the coordinate of that end is the reading's error, and the end follows.
 */
export class Cases {
  readonly dimensions: number
  readonly observed: { read: number; sigma: number }[] = []
  /** What a case keeps inside of, and by how much it is held to. */
  readonly bounds: { wanted: number; sigma: number }[] = []
  /** Of the first dimensions. */
  readonly quantities: Quantity[]
  readonly bores: BoreSizes[]
  readonly branches: Branch[]
  private readonly near: (by: ArrayLike<number>) => Circuit
  private readonly airFrom: TapeReading | null
  private readonly readingsSeen: TapeReading[]
  private readonly calibrationSeen: TapeReading[]
  private readonly prior: AirPrior
  private readonly touchForce: number
  private readonly takesUp: boolean | undefined
  /** What follows from the rod's stroke where the slave is at its end: that end. */
  private readonly end: Pivot | null = null

  constructor(private readonly known: Known) {
    const { installation, readings, calibration = {}, knownGood } = known
    const { smooth, bores } = quantitiesOf(installation, RANGE_DOUBT, known.errors)
    this.quantities = smooth
    this.bores = bores
    this.near = perturber(installation.circuit, [...bores, ...smooth])
    this.touchForce = known.touchForce ?? TOUCH_FORCE
    this.prior = knownGood ? KNOWN_GOOD : COMPLAINED_OF
    const external = installation.circuit.slave.type === 'external'
    const seen = (from: PedalReadings) =>
      TAPE_READINGS.filter((name) => from[name] !== undefined && (name !== 'rodStroke' || external))
    this.airFrom = seen(readings)[0] ?? null
    // What makes the air is weighed where it does so; a stroke is observed too, for at the slave's end it makes none.
    this.readingsSeen = seen(readings).filter((name) => name !== this.airFrom || name === 'rodStroke')
    this.calibrationSeen = seen(calibration)
    for (const name of this.readingsSeen)
      this.observed.push({ read: readings[name]!, sigma: READING_ERROR[name].sigma })
    for (const name of this.calibrationSeen)
      this.observed.push({ read: calibration[name]!, sigma: READING_ERROR[name].sigma })
    // Where a take-up was read there is one; and a good pedal frees the disc, whatever else is not known of it.
    this.takesUp = readings.takeUpHeight === undefined ? readings.takesUp : true
    if (this.airFrom) this.bounds.push({ wanted: 50, sigma: 100 }, { wanted: 50, sigma: 500 })
    if (this.takesUp !== undefined || knownGood) this.bounds.push({ wanted: 3, sigma: 3 })
    const stroke = this.readingsSeen.includes('rodStroke')
    if (stroke) {
      this.bounds.push({ wanted: 0.5, sigma: 1 })
      this.end = Pivot.of(smooth, 'slave.stroke', installation)
    }
    this.branches = everySize(bores).flatMap((one) =>
      (stroke ? [false, true] : [null]).map((atEnd) => ({
        ...one,
        blind: one.share * (atEnd === null ? 1 : atEnd ? SEARCHED_AT_END : 1 - SEARCHED_AT_END),
        atEnd,
      })),
    )
    this.dimensions = smooth.length + 2 + (this.calibrationSeen.length > 0 ? 2 : 0)
  }

  /** The circuit at z in a branch, and with the air that belongs to it. */
  at(z: ArrayLike<number>, branch: Branch): Case {
    const { readings, knownGood } = this.known
    const n = this.quantities.length
    const m = this.bores.length
    const by = new Float64Array(m + n)
    for (let k = 0; k < m; k++) by[k] = branch.by[k]!
    for (let k = 0; k < n; k++) by[m + k] = byOf(this.quantities[k]!, z[k]!)
    const touch = this.touch(z[n]!)
    let logWeight = 0
    const pivot = branch.atEnd ? this.end : null
    const airFrom = this.airFrom === 'rodStroke' && branch.atEnd ? null : this.airFrom
    const airError = z[n + 1]!
    if (pivot) {
      const e = z[pivot.index]!
      const stroke = readings.rodStroke! + READING_ERROR.rodStroke.sigma * e
      const own = pivot.zOf(pivot.byAt(stroke + solveCircuit(this.near(by)).slaveRest))
      by[m + pivot.index] = byOf(this.quantities[pivot.index]!, own)
      // In place of the reading's error stands the end's own place in its range; the weight of the error is its likelihood.
      logWeight += (e * e - own * own) / 2 + Math.log(pivot.perUnit(own))
    }
    const circuit = this.near(by)
    const { air, perReading } = this.fill(circuit, airFrom, airError, touch)
    const inside: number[] = []
    if (this.airFrom) inside.push(airFrom ? air : 100, airFrom ? MOST_AIR - air : 100)
    if (airFrom) logWeight += Math.log(this.prior.density(air)) + Math.log(perReading)
    const solution = solveCircuit(circuit)
    if (airFrom && logWeight > -Infinity) {
      // Where the case shows another reading than the one that its air was made for, as where a cover snaps, that counts.
      logWeight += airError ** 2 / 2
      // A stroke is among the observations below.
      if (airFrom !== 'rodStroke') logWeight -= this.off(airFrom, circuit, solution, touch) ** 2 / 2
    }
    const shows = this.readingsSeen.map((name) => predicted(name, circuit, solution, touch))
    if (this.calibrationSeen.length > 0) {
      const goodAir = KNOWN_GOOD.quantile(normalShare(z[n + 3]!))
      const good = { ...circuit, air: goodAir }
      const solved = solveCircuit(good)
      const force = this.touch(z[n + 2]!)
      for (const name of this.calibrationSeen) shows.push(predicted(name, good, solved, force))
    }
    this.observed.forEach(({ read, sigma }, j) => {
      logWeight -= ((read - shows[j]!) / sigma) ** 2 / 2
    })
    // What is made to show a reading asks nothing more of a proposal.
    this.readingsSeen.forEach((name, j) => {
      if (name === airFrom || (name === 'rodStroke' && pivot)) shows[j] = this.observed[j]!.read
    })
    logWeight += Math.log(pushBackLikelihood(solution, readings.pushesBack))
    if (this.takesUp !== undefined && this.takesUp !== (solution.engagement !== null))
      logWeight = -Infinity
    if (knownGood && !solution.releases) logWeight = -Infinity
    if (this.takesUp !== undefined || knownGood)
      inside.push(this.takesUp === false && !knownGood ? -solution.reserve : solution.reserve)
    if (branch.atEnd !== null) {
      const left = circuit.slave.stroke - solution.at.slaveTravel
      if (branch.atEnd !== left <= AT_END) logWeight = -Infinity
      inside.push(branch.atEnd ? AT_END - left : left)
    }
    return { circuit, solution, by: by.subarray(m), shows, inside, logWeight }
  }

  /** Puts the air into a circuit: from the reading that makes it, or from its own place in the prior. */
  private fill(
    circuit: Circuit,
    from: TapeReading | null,
    z: number,
    touch: number,
  ): { air: number; perReading: number } {
    if (from === null) {
      circuit.air = this.prior.quantile(normalShare(z))
      return { air: circuit.air, perReading: 1 }
    }
    const read = this.known.readings[from]! + READING_ERROR[from].sigma * z
    const behind = airBehind(from, circuit, read, touch)
    circuit.air = Math.min(MOST_AIR, Math.max(0, behind.air))
    return behind
  }

  private off(name: TapeReading, circuit: Circuit, solution: CircuitSolution, touch: number): number {
    return (
      (this.known.readings[name]! - predicted(name, circuit, solution, touch)) /
      READING_ERROR[name].sigma
    )
  }

  private touch(z: number): number {
    return this.touchForce * Math.max(0.2, 1 + MEASURING_ERROR.touchForce * z)
  }
}

/** Share of the blind draws that have the slave at its end: seldom so, and its own case. */
const SEARCHED_AT_END = 0.2
/** Nearer to its end than this the slave is at it, mm. */
const AT_END = 1e-6

/** Air that such a reading stands for, mm³, and how fast it changes with the reading, mm³ per mm. */
function airBehind(
  reading: TapeReading,
  circuit: Circuit,
  read: number,
  touch: number,
): { air: number; perReading: number } {
  const { ratio, travel } = circuit.pedal
  const none = { air: -1, perReading: 1 }
  switch (reading) {
    case 'freeTravel': {
      const area = masterArea(circuit)
      const pressure = (touch * ratio) / area
      return {
        air: airAtFreeTravel(circuit, read, touch),
        perReading: (area / ratio) * ((P0 + pressure) / pressure),
      }
    }
    case 'takeUpHeight': {
      const air = airAtEngagement(circuit, travel - read)
      if (air === null) return none
      return { air, perReading: airAtEngagement(circuit, travel - read + 1)! - air }
    }
    case 'rodStroke': {
      const step = 0.01
      const air = airAtRodStroke(circuit, read)
      const beside = airAtRodStroke(circuit, read - step)
      if (air === null || beside === null || beside <= air) return none
      return { air, perReading: (beside - air) / step }
    }
  }
}

function everySize(bores: readonly BoreSizes[]): { share: number; by: number[] }[] {
  let all: { share: number; by: number[] }[] = [{ share: 1, by: [] }]
  for (const { sizes } of bores)
    all = all.flatMap((one) =>
      sizes.map(({ by, share }) => ({ share: one.share * share, by: [...one.by, by] })),
    )
  return all
}

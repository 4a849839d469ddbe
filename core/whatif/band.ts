import { evenDraws, latinHypercube, normalQuantile, weightedQuantiles } from '../chance'
import {
  airAtFreeTravel,
  MEASURING_ERROR,
  perturber,
  solveCircuit,
  TOUCH_FORCE,
  WANTED_RESERVE,
  type Circuit,
  type MeasuringErrors,
  type TravelBudget,
} from '../circuit'
import { uncertaintyOf, type Installation } from '../installation'
import type { Run } from '../run'

export interface BandOptions {
  draws?: number
  seed?: number
  /** One standard deviation each; ordinary ones unless the shop states others. */
  errors?: MeasuringErrors
  /** Free travel that was read, mm: each draw then works the air out anew. Else the circuit's own air stands. */
  freeTravel?: number
  touchForce?: number
  wantedReserve?: number
}

/** Nine cases in ten of a figure, and its middle. */
export interface Range90 {
  low: number
  middle: number
  high: number
}

export type BandFigure = keyof TravelBudget | 'pedalTravelAtRelease' | 'reserve' | 'trappedAir'

export interface Band {
  draws: number
  figures: Record<BandFigure, Range90>
  /** Share of draws in which the disc comes free, and in which the wanted reserve is left. */
  releases: number
  keepsReserve: number
  /** What was varied, by name, with one standard deviation each. */
  varied: { name: string; sigma: number }[]
}

export const BAND_DRAWS = 10_000
/** Draws that are spread evenly together: all at once would hold up whoever draws them in pieces. */
const BLOCK = 1000
const FIGURES: readonly BandFigure[] = [
  'rodClearance',
  'portClosure',
  'slop',
  'bearingClearance',
  'lift',
  'air',
  'lineSwell',
  'fluid',
  'snap',
  'pedalTravelAtRelease',
  'reserve',
  'trappedAir',
]

/**
 * The tolerance band of the travel budget by Monte Carlo: Latin hypercube draws, a thousand at a time, of every uncertain quantity, normal with
 * its standard deviation, each solved in full.
 */
export function bandRun(installation: Installation, options: BandOptions = {}): Run<Band> {
  const { draws = BAND_DRAWS, seed = 1, errors = MEASURING_ERROR } = options
  const { freeTravel, touchForce = TOUCH_FORCE, wantedReserve = WANTED_RESERVE } = options
  const quantities = uncertaintyOf(installation, errors)
  const near = perturber(installation.circuit, quantities)
  const chance = evenDraws(seed)
  let cube: Float64Array[] = []
  const columns = FIGURES.map(() => new Float64Array(draws))
  const by = new Float64Array(quantities.length)
  const last = quantities.length
  let done = 0
  let released = 0
  let kept = 0

  /** @param i place in the block */
  const airOf = (circuit: Circuit, i: number): number => {
    if (freeTravel === undefined) return installation.circuit.air
    const reading = freeTravel + errors.tape * normalQuantile(cube[last]![i]!)
    const force = touchForce * (1 + errors.touchForce * normalQuantile(cube[last + 1]![i]!))
    return Math.max(0, airAtFreeTravel(circuit, reading, Math.max(1, force)))
  }

  function drawOne(n: number): void {
    const i = n % BLOCK
    if (i === 0) cube = latinHypercube(Math.min(BLOCK, draws - n), quantities.length + 2, chance)
    quantities.forEach(({ sigma }, k) => (by[k] = sigma * normalQuantile(cube[k]![i]!)))
    const drawn = near(by)
    drawn.air = airOf(drawn, i)
    const { budget, pedalTravelAtRelease, reserve, releases } = solveCircuit(drawn)
    const figures = { ...budget, pedalTravelAtRelease, reserve, trappedAir: drawn.air }
    FIGURES.forEach((name, k) => (columns[k]![n] = figures[name]))
    if (releases) released++
    if (releases && reserve >= wantedReserve) kept++
  }

  return {
    total: draws,
    step(count) {
      const end = Math.min(draws, done + count)
      while (done < end) drawOne(done++)
      return done
    },
    result() {
      const ones = new Float64Array(done).fill(1)
      const range = (column: Float64Array): Range90 => {
        const [low, middle, high] = weightedQuantiles(column.subarray(0, done), ones, [0.05, 0.5, 0.95])
        return { low: low!, middle: middle!, high: high! }
      }
      return {
        draws: done,
        figures: Object.fromEntries(
          FIGURES.map((name, k) => [name, range(columns[k]!)]),
        ) as Band['figures'],
        releases: released / done,
        keepsReserve: kept / done,
        varied: quantities.map(({ name, sigma }) => ({ name, sigma })),
      }
    },
  }
}

import { evenDraws, latinHypercube, normalQuantile } from '../chance'
import { Cases, type Known } from './cases'
import { predicted, READING_ERROR, TAPE_READINGS, type TapeReading } from './readings'

const DRAWS = 300
/** So many standard deviations of its own error beyond what any of the draws shows, a reading is none of this kind. */
const BEYOND = 4

const NAMED: Record<TapeReading, { name: string; high: string; low: string }> = {
  freeTravel: {
    name: 'Free travel',
    high: 'Was it measured to the fingertip, and not to where the pedal stops?',
    low: 'Was it measured with a fingertip, and not pressed?',
  },
  takeUpHeight: {
    name: 'Take-up height',
    high: 'Was it measured from the floor, and not from the pedal at rest?',
    low: 'Was it measured from the floor, to the pad?',
  },
  rodStroke: {
    name: 'Rod stroke',
    high: 'Was the rod measured from its rest, and not from the housing?',
    low: 'Was the pedal right down, and the rod’s slack taken up first?',
  },
}

/** What vehicles of a kind show before anything is read of one: a reading far outside it is named, and not explained away. */
export class ShownByKind {
  done = 0
  readonly total: number
  private readonly range: Partial<Record<TapeReading, { least: number; most: number }>> = {}
  private readonly seen: TapeReading[]
  private readonly cube: Float64Array[]
  private readonly cases: Cases

  constructor(
    private readonly known: Known,
    seed: number,
  ) {
    const { readings, calibration: _, ...kind } = known
    this.seen = TAPE_READINGS.filter((name) => readings[name] !== undefined)
    this.total = this.seen.length > 0 ? DRAWS : 0
    this.cases = new Cases({ ...kind, readings: {}, knownGood: false })
    this.cube = latinHypercube(this.total, this.cases.dimensions + 1, evenDraws(seed))
  }

  step(count: number): void {
    const { cases, cube } = this
    for (let n = 0; n < count && this.done < this.total; n++) {
      const i = this.done++
      const z = Float64Array.from({ length: cases.dimensions }, (_, k) => normalQuantile(cube[k]![i]!))
      // Rare bores as often as usual ones: the widest that could be is asked for.
      const branch = cases.branches[Math.floor(cube[cases.dimensions]![i]! * cases.branches.length)]!
      const { circuit, solution } = cases.at(z, branch)
      for (const name of this.seen) {
        const shows = predicted(name, circuit, solution, this.known.touchForce)
        const range = (this.range[name] ??= { least: shows, most: shows })
        range.least = Math.min(range.least, shows)
        range.most = Math.max(range.most, shows)
      }
    }
  }

  /** The first reading that no vehicle of this kind can have, in words; null where there is none. */
  impossible(): string | null {
    const { readings } = this.known
    for (const name of this.seen) {
      const range = this.range[name]
      if (!range) continue
      const slack = BEYOND * READING_ERROR[name].sigma
      const read = readings[name]!
      // Where a take-up is read there is one: at or above the floor.
      const least = Math.max(0, range.least) - slack
      const most = range.most + slack
      if (read >= least && read <= most) continue
      const { name: words, high, low } = NAMED[name]
      const limits = `${Math.max(0, Math.floor(range.least))} to ${Math.ceil(range.most)} mm`
      return `${words} of ${read} mm: vehicles of this kind show ${limits}. ${read > most ? high : low}`
    }
    return null
  }
}

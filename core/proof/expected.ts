import { freeTravel, NINETY, reserveOf, solveCircuit, WANTED_RESERVE, type Circuit } from '../circuit'
import { readingKind, type GoodFigures, type ReadingName } from '../diagnosis'
import { spreadOf, type Installation } from '../installation'
import { LIMITS } from './rules'

/** What a reading should show on a sound vehicle like this one, in the reading's own unit; 90 % of such vehicles lie within. */
export interface Expected {
  low: number
  high: number
  /** This very vehicle showed it when its pedal was good, the circuit gives it, or a limit says it. */
  from: 'thisVehicle' | 'circuit' | 'limit'
  /** Of a limit that holds over a hold, its length, s. */
  over?: number
}

/** Figures that follow from the circuit itself, filled and without air. */
const BY_CIRCUIT: Partial<Record<ReadingName, (circuit: Circuit) => number | null>> = {
  freeTravel: (circuit) => freeTravel(circuit),
  takeUpHeight: (circuit) => {
    const { engagement } = solveCircuit(circuit)
    return engagement === null ? null : circuit.pedal.travel - engagement
  },
  padHeight: ({ pedal }) => pedal.travel,
  rodStroke: (circuit) => solveCircuit(circuit).at.rodStroke,
  reserve: reserveOf,
}

/** Limits that no circuit moves; each stands with its reason in the table that proves by it. */
function byLimit(name: ReadingName, travel: number): Omit<Expected, 'from'> | null {
  switch (name) {
    case 'sink':
      return { low: 0, high: LIMITS.sinkPerMinute, over: 60 }
    case 'rodClearance':
      return LIMITS.rodClearance
    case 'reservoirDrop':
    case 'heldDrop':
      // As much as a mark on a reservoir can be misread by.
      return { low: 0, high: NINETY * readingKind(name).error[0], over: readingKind(name).over! }
    case 'pumpUpGain':
      return { low: 0, high: NINETY * readingKind(name).error[0] }
    case 'returnTime':
    case 'gearWait':
    case 'overnightGrowth':
    case 'fluidAge':
      return { low: 0, high: readingKind(name).presentFrom as number }
    case 'levelUnder':
      return {
        low: -(readingKind(name).presentFrom as number),
        high: readingKind(name).presentFrom as number,
      }
    case 'switchAt':
      return { low: 0, high: travel - LIMITS.switchBeforeFloor }
    default:
      return null
  }
}

/**
 * What a reading should show where nothing is wrong.
 * @param good figures that this vehicle's pedal showed when it was known to be good
 * @returns null where nothing can be said: the temperature, the distance, a reading that the layout does not have
 */
export function expectedReading(
  name: ReadingName,
  installation: Installation,
  good: GoodFigures = {},
): Expected | null {
  const { error, min, max } = readingKind(name)
  const within = ({ low, high }: { low: number; high: number }) => ({
    low: Math.max(min, low),
    high: Math.min(max, high),
  })
  const known = good[name as keyof GoodFigures]
  if (known !== undefined) {
    const half = NINETY * Math.SQRT2 * error[0]
    return { ...within({ low: known - half, high: known + half }), from: 'thisVehicle' }
  }
  const figure = BY_CIRCUIT[name]
  if (figure) {
    if (name === 'rodStroke' && installation.circuit.slave.type === 'concentric') return null
    const found = spreadOf(installation, figure, { ...installation.circuit, air: 0 })
    if (found === null) return null
    const half = Math.hypot((found.high - found.low) / 2, NINETY * error[0])
    const floor = name === 'reserve' || name === 'takeUpHeight' ? WANTED_RESERVE : min
    const { low, high } = within({ low: found.value - half, high: found.value + half })
    return { low: Math.min(high, Math.max(floor, low)), high, from: 'circuit' }
  }
  const limit = byLimit(name, installation.circuit.pedal.travel)
  return limit && { ...limit, from: 'limit' }
}

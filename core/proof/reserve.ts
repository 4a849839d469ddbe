import {
  airAtFreeTravel,
  isImplausible,
  NINETY,
  reserveOf,
  solveCircuit,
  TOUCH_FORCE,
  WANTED_RESERVE,
  type Circuit,
} from '../circuit'
import { readingKind } from '../diagnosis'
import { rangeOf, spreadOf } from '../installation'
import type { ProofCase, RuleReason } from './accept'

/** Standard deviations from a limit at which it is overstepped in one case of five. */
const MOSTLY = 0.8416
/** Standard deviations by which two readings of a sound record differ in one case of twenty: beyond it one of them is wrong. */
const BEYOND_ERRORS = 2

const valueOf = ({ readings }: ProofCase, name: 'freeTravel' | 'takeUpHeight' | 'reserve') =>
  readings.after[name]?.payload.value
type AtPad = 'takeUpHeight' | 'reserve'

/** mm above the floor at which a circuit takes up, or how much is left once the disc is free; null where it never frees. */
const AT_PAD: Record<AtPad, (circuit: Circuit) => number | null> = {
  takeUpHeight: (circuit) => {
    const { engagement } = solveCircuit(circuit)
    return engagement === null ? null : circuit.pedal.travel - engagement
  },
  reserve: reserveOf,
}
const misfit = (more: Omit<RuleReason, 'rule' | 'outcome' | 'code'>): RuleReason => ({
  ...{ rule: 'reserve', outcome: 'notYet', code: 'misfit' },
  ...more,
})

/** A reading at the pad that is longer than the pedal goes; one that falls to the floor has as much free travel as there is. */
function overTravel(given: ProofCase): RuleReason | null {
  const { installation } = given.after
  const { travel } = installation.circuit.pedal
  const path = 'pedal.travel'
  const assumed = installation.assumed.includes(path)
  const limit = (assumed ? rangeOf(installation, path)?.high : undefined) ?? travel
  for (const by of ['takeUpHeight', 'reserve', 'freeTravel'] as const) {
    const figure = valueOf(given, by)
    const least = by === 'freeTravel' ? limit + NINETY * readingKind(by).error[0] : limit
    if (figure !== undefined && figure > least)
      return misfit({ by, against: 'travel', figure, limit, unit: 'mm' })
  }
  return null
}

/** What a reading at the pad could be with so much air, its own error and the circuit's counted. */
function could(given: ProofCase, by: AtPad, airOf: (circuit: Circuit) => number) {
  const { installation } = given.after
  const withAir = (circuit: Circuit) => AT_PAD[by]({ ...circuit, air: airOf(circuit) })
  const found = spreadOf(installation, withAir)
  if (found === null) return null
  const [own] = readingKind(by).error
  const half = BEYOND_ERRORS * Math.hypot((found.high - found.low) / (2 * NINETY), own)
  return { low: found.value - half, limit: found.value, high: found.value + half }
}

/** A clutch that takes up higher than this circuit can do with no air at all. */
function overNoAir(given: ProofCase, by: AtPad): RuleReason | null {
  const figure = valueOf(given, by)
  const most = figure === undefined ? null : could(given, by, () => 0)
  if (!most || figure === undefined || figure <= most.high) return null
  return misfit({ by, against: 'noAir', figure, limit: most.limit, high: most.high, unit: 'mm' })
}

/** Free travel and what was read at the pad tell of two different amounts of air. */
function disagree(given: ProofCase, by: AtPad): RuleReason | null {
  const figure = valueOf(given, by)
  const free = valueOf(given, 'freeTravel')
  if (figure === undefined || free === undefined) return null
  const told = could(given, by, (c) => Math.max(0, airAtFreeTravel(c, free, TOUCH_FORCE)))
  if (!told || (figure >= told.low && figure <= told.high)) return null
  return misfit({ by, against: 'freeTravel', figure, was: free, ...told, unit: 'mm' })
}

/** Reserve as it was measured at the pad, by take-up or to the floor, with the reading's own error. */
function measuredReserve(given: ProofCase, by: AtPad, wanted: number): RuleReason | null {
  const figure = valueOf(given, by)
  if (figure === undefined) return null
  const [sigma] = readingKind(by).error
  return judged(figure, figure - NINETY * sigma, figure + NINETY * sigma, wanted, sigma, { by })
}
/** Reserve by the air that free travel tells: as much of it as the air costs. */
function reserveByAir({ after }: ProofCase, wanted: number): RuleReason | null {
  const { air, circuit } = after
  if (air === null || after.airFrom !== 'freeTravel') return null
  const by = 'freeTravel'
  if (isImplausible(air)) return misfit({ by, figure: -air.lacking / 1000, unit: 'ml', wanted })
  const withAir = (ml: number) => reserveOf({ ...circuit, air: Math.max(0, ml) })
  const [low, figure, high] = [withAir(air.high), withAir(air.air), withAir(air.low)]
  // More air costs more than in proportion: the side that counts is the lower one.
  const sigma = (figure - low) / NINETY
  const one = judged(figure, low, high, wanted, sigma, { by })
  return one.outcome !== 'pass' && air.low > 0 ? { ...one, cause: 'airFromWork' } : one
}
function judged(
  figure: number,
  low: number,
  high: number,
  limit: number,
  sigma: number,
  more: Pick<RuleReason, 'by'>,
): RuleReason {
  const good = figure - MOSTLY * sigma >= limit
  // Its best figure is on the good side, and too often it would not be.
  const unsure = !good && figure >= limit
  return {
    ...{ rule: 'reserve', outcome: good ? 'pass' : 'notYet' },
    ...(unsure && { code: 'cannotTell' as const }),
    ...{ figure, low, high, limit, unit: 'mm' },
    ...more,
  }
}
const margin = ({ figure = 0, low = 0, limit = 0 }: RuleReason) =>
  (figure - limit) / Math.max(1e-9, figure - low)

/** What pad and free travel tell: readings that cannot be first, then the worse of the two. */
export function reserve(given: ProofCase): RuleReason | null {
  const wanted = given.limits?.reserve ?? given.wantedReserve ?? WANTED_RESERVE
  const at: AtPad = given.readings.after.reserve ? 'reserve' : 'takeUpHeight'
  const over = overTravel(given)
  if (over) return over
  const byAir = reserveByAir(given, wanted)
  if (byAir?.code === 'misfit') return byAir
  const wrong = overNoAir(given, at) ?? disagree(given, at)
  if (wrong) return wrong
  const both = [measuredReserve(given, at, wanted), byAir].filter((one) => one !== null)
  return both.sort((a, b) => margin(a) - margin(b))[0] ?? null
}

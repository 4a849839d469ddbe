import {
  isImplausible,
  isRodInDoubt,
  judgeRodStroke,
  NINETY,
  reserveOf,
  rodState,
  WANTED_RESERVE,
} from '../circuit'
import { readingKind, type FaultId, type FindingId, type ReadingName } from '../diagnosis'
import { assumedFigures } from '../installation'
import type { Readings, RuleName, VerdictReason } from '../journal'
import type { PhaseFigures } from './phase'
import { HEAVY_DISC, limitOf, RETURN_AT, type Limits } from './rules'

/** What a proof is judged from. */
export interface ProofCase {
  /** Figures of the circuit with the readings after the work in it. */
  after: PhaseFigures
  readings: { before: Readings; after: Readings }
  found: (finding: FindingId) => 'present' | 'absent' | 'notLooked'
  /** Clear cycles in a row at the end; null where it was not bled. */
  clearInRow: number | null
  shared: boolean
  wantedReserve?: number
  limits?: Limits
}
export type RuleReason = VerdictReason & { rule: RuleName }

/** Standard deviations from a limit at which it is overstepped in one case of five. */
const MOSTLY = 0.8416

type Rule = (given: ProofCase) => RuleReason | null

const valueOf = (readings: Readings, name: ReadingName): number | undefined =>
  readings[name]?.payload.value

/** A finding that has to be absent. */
const seen = (
  { found }: ProofCase,
  rule: RuleName,
  finding: FindingId,
  cause?: FaultId,
): RuleReason | null => {
  const said = found(finding)
  if (said === 'notLooked') return null
  return said === 'absent'
    ? { rule, outcome: 'pass' }
    : { rule, outcome: 'notYet', note: finding, ...(cause && { cause }) }
}
/** A figure that may be so much at the most; what reads it is good enough for its limit. */
const atMost = (
  { limits }: ProofCase,
  rule: RuleName,
  figure: number | undefined,
  unit: string,
  cause?: FaultId,
  limit = limitOf(rule, limits),
): RuleReason | null => {
  if (figure === undefined) return null
  const good = figure <= limit
  return {
    rule,
    outcome: good ? 'pass' : 'notYet',
    figure,
    limit,
    unit,
    ...(!good && cause && { cause }),
  }
}

/** Reserve as it was measured at the pad, by take-up or to the floor, with the reading's own error. */
function measuredReserve({ readings: { after } }: ProofCase, wanted: number): RuleReason | null {
  const name = after.reserve ? ('reserve' as const) : ('takeUpHeight' as const)
  const figure = valueOf(after, name)
  if (figure === undefined) return null
  const [sigma] = readingKind(name).error
  return reserveReason(figure, figure - NINETY * sigma, figure + NINETY * sigma, wanted, sigma, {
    by: name,
  })
}
/** Reserve by the air that free travel tells: as much of it as the air costs. */
function reserveByAir({ after }: ProofCase, wanted: number): RuleReason | null {
  const { air, circuit } = after
  if (air === null || after.airFrom !== 'freeTravel') return null
  const by = 'freeTravel'
  if (isImplausible(air))
    return {
      ...{ rule: 'reserve', outcome: 'notYet', code: 'misfit', by },
      ...{ figure: -air.lacking / 1000, unit: 'ml', wanted },
    }
  const withAir = (ml: number) => reserveOf({ ...circuit, air: Math.max(0, ml) })
  const [low, figure, high] = [withAir(air.high), withAir(air.air), withAir(air.low)]
  // More air costs more than in proportion: the side that counts is the lower one.
  const sigma = (figure - low) / NINETY
  const one = reserveReason(figure, low, high, wanted, sigma, { by })
  return one.outcome !== 'pass' && air.low > 0 ? { ...one, cause: 'airFromWork' } : one
}
function reserveReason(
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

/** The worse of what pad and air tell. */
const reserve: Rule = (given) => {
  const wanted = given.limits?.reserve ?? given.wantedReserve ?? WANTED_RESERVE
  const both = [measuredReserve(given, wanted), reserveByAir(given, wanted)].filter(
    (one) => one !== null,
  )
  const misfit = both.find(({ code }) => code === 'misfit')
  return misfit ?? both.sort((a, b) => margin(a) - margin(b))[0] ?? null
}

const sink: Rule = (given) => {
  const reading = given.readings.after.sink?.payload
  if (!reading) return seen(given, 'sink', 'heldSinks', 'masterBypass')
  const perMinute = (reading.value / (reading.duration ?? 60)) * 60
  return atMost(given, 'sink', perMinute, 'mm/min', 'masterBypass')
}

const rodStroke: Rule = ({ after, readings, limits }) => {
  const reading = valueOf(readings.after, 'rodStroke')
  const { circuit, installation, air } = after
  if (reading === undefined || circuit.slave.type === 'concentric') return null
  const soft = air !== null && !isImplausible(air) && air.low > 0
  const { expected, short } = judgeRodStroke(circuit, reading, soft ? 'soft' : 'firm')
  const tolerance = limitOf('rodStroke', limits)
  const before = valueOf(readings.before, 'rodStroke')
  // With an assumed circuit the expected stroke is a guess; longer than as found is then proof enough.
  const measured = assumedFigures(installation).length === 0
  const figures = { figure: reading, limit: expected, unit: 'mm' }
  if (measured && -short > tolerance)
    return { rule: 'rodStroke', outcome: 'notYet', code: 'misfit', ...figures }
  const good = short <= tolerance || (!measured && (before === undefined || reading > before))
  return {
    ...{ rule: 'rodStroke', outcome: good ? 'pass' : 'notYet', ...figures },
    ...(!good && { cause: soft ? ('airFromWork' as const) : ('linkageWorn' as const) }),
  }
}

const rodClearance: Rule = ({ after: { installation }, readings, found, limits }) => {
  const rule = 'rodClearance'
  const reading = valueOf(readings.after, rule)
  const cause = 'rodTooLong'
  if (reading === undefined) {
    const tight = found('rodTight')
    return tight === 'present' ? { rule, outcome: 'stop', code: 'felt', cause } : null
  }
  const figures = { figure: reading, limit: 0, unit: 'mm' }
  // Read as nothing, it may be less than nothing: which side it is on is to be felt.
  if (isRodInDoubt(reading)) {
    const before = valueOf(readings.before, rule)
    const outcome = before !== undefined && before < 0 ? 'stop' : 'notYet'
    return { rule, outcome, code: 'doubt', ...figures }
  }
  const stands = rodState(reading, installation.circuit.master.portClosure)
  if (stands !== 'clear') return { rule, outcome: 'stop', code: stands, cause, ...figures }
  const most = limitOf(rule, limits)
  return reading <= most
    ? { rule, outcome: 'pass', ...figures }
    : { ...{ rule, outcome: 'notYet', code: 'slack', cause: 'rodTooShort' }, ...figures, limit: most }
}

const returnTime: Rule = (given) => {
  const time = valueOf(given.readings.after, 'returnTime')
  const one = atMost(given, 'returnTime', time, 's', 'restrictor')
  if (!one) return seen(given, 'returnTime', 'padHangs', 'restrictor')
  const degrees = valueOf(given.readings.after, 'temperature')
  const tooCold = degrees !== undefined && degrees < RETURN_AT.low && one.outcome !== 'pass'
  const tooWarm = degrees !== undefined && degrees > RETURN_AT.high && one.outcome === 'pass'
  if (!tooCold && !tooWarm) return one
  const { cause: _, ...bare } = one
  return { ...bare, outcome: 'notYet', code: 'cannotTell' }
}

const gearQuiet: Rule = (given) => {
  const { limits, after } = given
  const heavy = HEAVY_DISC.archetypes.some((one) => one === after.installation.archetype)
  const limit = limits?.gearQuiet ?? (heavy ? HEAVY_DISC.limit : limitOf('gearQuiet'))
  const wait = valueOf(given.readings.after, 'gearWait')
  const timed = atMost(given, 'gearQuiet', wait, 's', 'discDrags', limit)
  const looked = seen(given, 'gearQuiet', 'gearGrinds', 'discDrags')
  // A gear that grinds at last is no quiet one, whatever the watch says.
  return looked?.outcome === 'notYet' && timed?.outcome !== 'notYet' ? looked : (timed ?? looked)
}

const overnight: Rule = (given) =>
  atMost(given, 'overnight', valueOf(given.readings.after, 'overnightGrowth'), 'mm', 'unionDraws') ??
  seen(given, 'overnight', 'fadesOvernight', 'unionDraws')

const levelFall: Rule = (given) => {
  const low = seen(given, 'levelFall', 'levelLow')
  if (low?.outcome === 'notYet') return low
  return (
    atMost(given, 'levelFall', valueOf(given.readings.after, 'reservoirDrop'), 'mm', 'unionLeak') ?? low
  )
}

const pushBack: Rule = (given) => {
  const { found, after } = given
  if (after.circuit.slave.type === 'concentric') return null
  if (found('wayHomeShut') === 'present')
    return { rule: 'pushBack', outcome: 'stop', note: 'wayHomeShut', cause: 'portBlocked' }
  const stuck = found('seizedOpen') === 'present' ? 'slaveSticks' : 'portBlocked'
  return seen(given, 'pushBack', 'pushBackStiff', stuck)
}

/** Every switch at its place: the starting one after the disc is free, and before mats and carpets take the rest. */
const switches: Rule = (given) => {
  const cause = 'switchOut'
  for (const finding of ['startsPedalUp', 'switchUnreached', 'switchHolds'] as const)
    if (given.found(finding) === 'present')
      return { rule: 'switches', outcome: 'notYet', note: finding, cause }
  const at = valueOf(given.readings.after, 'switchAt')
  const looked = seen(given, 'switches', 'startsPedalUp')
  if (at === undefined) return looked
  const { circuit, solution } = given.after
  const most = circuit.pedal.travel - limitOf('switches', given.limits)
  const free = solution.pedalTravelAtRelease
  const figures = { figure: at, unit: 'mm', limit: most }
  if (at > most) return { rule: 'switches', outcome: 'notYet', code: 'late', cause, ...figures }
  if (free !== null && at < free)
    return { rule: 'switches', outcome: 'notYet', code: 'early', cause, ...figures, limit: free }
  return { rule: 'switches', outcome: 'pass', ...figures }
}

const drag: Rule = (given) => {
  for (const finding of ['dragsFullStroke', 'willNotRoll', 'hardEngineOff'] as const)
    if (given.found(finding) === 'present')
      return { rule: 'drag', outcome: 'notYet', note: finding, cause: 'discDrags' }
  return seen(given, 'drag', 'dragsFullStroke') ?? seen(given, 'drag', 'willNotRoll')
}

const clearInRow: Rule = ({ clearInRow: count, limits }) => {
  if (count === null) return null
  const limit = limitOf('clearInRow', limits)
  return {
    ...{ rule: 'clearInRow', outcome: count >= limit ? 'pass' : 'notYet' },
    ...{ figure: count, limit, unit: '' },
  }
}

/** Brakes first, where they share the reservoir: a pedal that has changed stops the vehicle. */
const brakes: Rule = ({ shared, found }) => {
  if (!shared) return null
  const said = found('brakePedalChanged')
  if (said === 'notLooked') return null
  return said === 'absent'
    ? { rule: 'brakes', outcome: 'pass' }
    : { rule: 'brakes', outcome: 'stop', note: 'brakePedalChanged' }
}

/** Each rule once, brakes first. */
const EACH: readonly Rule[] = [
  brakes,
  rodClearance,
  reserve,
  sink,
  rodStroke,
  clearInRow,
  returnTime,
  gearQuiet,
  overnight,
  levelFall,
  pushBack,
  switches,
  (given) => seen(given, 'unionsDry', 'unionsWet', 'unionLeak'),
  (given) => seen(given, 'slip', 'slips', 'discWorn'),
  drag,
]

/** What every rule says that there is something to judge by; the others say nothing. */
export const accept = (given: ProofCase): RuleReason[] => EACH.flatMap((rule) => rule(given) ?? [])

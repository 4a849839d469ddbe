import { isRodInDoubt, NINETY, rodState } from '../circuit'
import { readingKind, type FaultId, type FindingId, type ReadingName } from '../diagnosis'
import type { Readings, RuleName, VerdictReason } from '../journal'
import type { OperationId } from '../work'
import { untied } from './cause-done'
import { gone } from './gone'
import type { Renewed } from './must-be-gone'
import type { PhaseFigures } from './phase'
import { reserve } from './reserve'
import { rodStroke } from './rod-stroke'
import { HEAVY_DISC, limitOf, RETURN_AT, SHORTEST_HOLD, type Limits } from './rules'
import { worse } from './worse'

/** What a proof is judged from. */
export interface ProofCase {
  /** Figures of the circuit with the readings after the work in it. */
  after: PhaseFigures
  readings: { before: Readings; after: Readings }
  found: (finding: FindingId) => 'present' | 'absent' | 'notLooked'
  /** Clear cycles in a row at the end; null where it was not bled. */
  clearInRow: number | null
  shared: boolean
  /** As found and during the work. */
  foundBefore: (finding: FindingId) => 'present' | 'absent' | 'notLooked'
  renewed: ReadonlySet<Renewed>
  /** Confirmed causes, work that was done, and repairs put off on purpose. */
  causes: readonly FaultId[]
  done: readonly OperationId[]
  putOff: readonly string[]
  wantedReserve?: number
  limits?: Limits
}
export type RuleReason = VerdictReason & { rule: RuleName }

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

const sink: Rule = (given) => {
  const reading = given.readings.after.sink?.payload
  if (!reading) return seen(given, 'sink', 'heldSinks', 'masterBypass')
  const held = reading.duration ?? 60
  if (held < SHORTEST_HOLD)
    return {
      ...{ rule: 'sink', outcome: 'notYet', code: 'cannotTell' },
      ...{ figure: held, limit: SHORTEST_HOLD, unit: 's' },
    }
  const perMinute = (reading.value / held) * 60
  return atMost(given, 'sink', perMinute, 'mm/min', 'masterBypass')
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
  const under = valueOf(given.readings.after, 'levelUnder')
  if (under !== undefined && under > (readingKind('levelUnder').presentFrom as number))
    return { rule: 'levelFall', outcome: 'notYet', note: 'levelLow' }
  const { error } = readingKind('heldDrop')
  const held = valueOf(given.readings.after, 'heldDrop')
  const pressed = atMost(given, 'levelFall', held, 'mm', 'unionLeak', NINETY * error[0])
  if (pressed?.outcome === 'notYet') return { ...pressed, by: 'heldDrop' }
  return (
    atMost(given, 'levelFall', valueOf(given.readings.after, 'reservoirDrop'), 'mm', 'unionLeak') ??
    low ??
    (pressed && { ...pressed, by: 'heldDrop' })
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

/** Tests of the switches that a pedal may have, each by what it does. */
const SWITCH_FAULTS = [
  'startsPedalUp',
  'cruiseStays',
  'switchDead',
  'switchUnreached',
  'switchHolds',
] as const
/** Every switch at its place: the starting one after the disc is free, and before mats and carpets take the rest. */
const switches: Rule = (given) => {
  const cause = 'switchOut'
  for (const finding of SWITCH_FAULTS)
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

/**
 * What every rule says that there is something to judge by; the others say nothing. A finding that nobody hands over, or was not
 * looked at again, takes the place of what the figures of its rule let pass.
 */
export function accept(given: ProofCase): RuleReason[] {
  const figures = EACH.flatMap((rule) => rule(given) ?? [])
  const left = gone(given, figures)
  const lost = worse(given, figures)
  const bad = new Set(
    [...left, ...lost].flatMap(({ rule, outcome }) => (outcome === 'notYet' ? [rule] : [])),
  )
  const stand = figures.filter(({ rule, outcome }) => outcome !== 'pass' || !bad.has(rule))
  return [...stand, ...left, ...lost, ...causes(given)]
}

/** Each confirmed cause is tied to what was done, or was put off on purpose. */
function causes({ causes: confirmed, done, putOff, renewed }: ProofCase): RuleReason[] {
  if (confirmed.length === 0) return []
  const loose = untied(confirmed, done, putOff, renewed)
  return loose.length === 0
    ? [{ rule: 'cause', outcome: 'pass' }]
    : loose.map((cause) => ({ rule: 'cause', outcome: 'notYet', cause }))
}

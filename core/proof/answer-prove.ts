import {
  choiceOf,
  InputError,
  inRange,
  objectOf,
  pointerTo,
  readCircuit,
  WANTED_RESERVE,
  yesOrNo,
} from '../circuit'
import {
  COMPLAINT_IDS,
  FAULT_IDS,
  FINDING_IDS,
  READING_NAMES,
  readingKind,
  stopsOf,
  type FindingId,
  type ReadingName,
} from '../diagnosis'
import {
  ARCHETYPES,
  aroundCircuit,
  fromArchetype,
  readMeasured,
  type Installation,
} from '../installation'
import {
  GRADES,
  type Graded,
  type Measurement,
  type Outcome,
  type Readings,
  type RuleName,
} from '../journal'
import { formatOf } from '../quantity'
import { OPERATIONS } from '../work'
import { accept, type ProofCase } from './accept'
import { gradedReason } from './judge'
import { operationsOf, RENEWABLE, RENEWS } from './must-be-gone'
import { phaseFigures } from './phase'
import { reasonWords } from './reason-words'
import { rechecksAfter, type Recheck } from './rechecks'
import { LIMIT_ROWS, PROOF_CHECKS, PROOF_READINGS, RULE_OF, type Limits } from './rules'

/** What a proof answers: every reason with its words, what is still to be measured, and when it is looked at again. */
export interface ProveAnswer {
  outcome: Outcome
  reasons: object[]
  owed: RuleName[]
  recheck: Recheck[]
}

const FIELDS = [
  ...['archetype', 'measured', 'circuit', 'before', 'after', 'findings'],
  ...['foundBefore', 'renewed', 'causes', 'done', 'putOff'],
  ...['graded', 'bleed', 'shared', 'wantedReserve', 'limits'],
]
const OPERATION_IDS = OPERATIONS.map(({ id }) => id)
const PLAIN = formatOf('metric')

/**
 * { archetype, measured? | circuit, before?, after, findings?, foundBefore?, renewed?, causes?, done?, putOff?, graded?, bleed?,
 * shared?, wantedReserve?, limits? } → { outcome, reasons, owed, recheck }. What was renewed was done.
 * @throws InputError with a JSON pointer to what is wrong
 */
export function answerProve(input: unknown): ProveAnswer {
  const given = objectOf(input, '', FIELDS)
  if (given.circuit !== undefined && given.archetype !== undefined)
    throw new InputError('give a circuit or an archetype, not both', '/circuit')
  const { wantedReserve = WANTED_RESERVE } = given
  inRange(wantedReserve, '/wantedReserve', { unit: 'mm', min: 0, max: 200 }, 'Wanted reserve')
  const start = installationOf(given)
  const before = readReadings(given.before ?? {}, '/before', 'asFound')
  const after = readReadings(given.after, '/after', 'after')
  const findings = readFindings(given.findings ?? {}, '/findings')
  const foundBefore = readFindings(given.foundBefore ?? {}, '/foundBefore')
  const renewed = namesIn(given.renewed ?? [], '/renewed', RENEWABLE)
  const causes = namesIn(given.causes ?? [], '/causes', FAULT_IDS)
  const done = namesIn(given.done ?? [], '/done', OPERATION_IDS)
  const putOff = namesIn(given.putOff ?? [], '/putOff', OPERATION_IDS)
  const graded = readGraded(given.graded ?? [])
  const found: ProofCase['found'] = (id) => findings[id] ?? 'notLooked'
  if (given.shared !== undefined) yesOrNo(given.shared, '/shared')
  const shared = (given.shared as boolean | undefined) ?? start.reservoir.sharedWithBrakes
  const proofCase: ProofCase = {
    after: phaseFigures(start, after, wantedReserve),
    readings: { before, after },
    found,
    clearInRow: readBleed(given.bleed),
    shared,
    foundBefore: (id) => foundBefore[id] ?? 'notLooked',
    renewed: new Set([...renewed, ...done.flatMap((id) => RENEWS[id] ?? [])]),
    causes,
    done: [...done, ...operationsOf(renewed)],
    putOff,
    wantedReserve,
    limits: readLimits(given.limits ?? {}),
  }
  const judged = accept(proofCase)
  const said = new Set<string>(judged.map(({ rule }) => rule))
  // A pitted bore that stayed in is one that somebody rebuilt.
  const kept = !renewed.some((part) => CYLINDERS.has(part))
  const stops = stopsOf({ findings, readings: {} }, start.circuit.master.portClosure, kept)
    .filter(({ stop }) => stop !== 'rodClearance' && !SAID_ELSEWHERE.has(stop))
    .map(({ stop }) => ({ rule: stop as string, outcome: 'stop' as const }))
  const reasons = [
    ...stops,
    ...graded.map((one) => ({ ...gradedReason(one.of, one), rule: 'complaint', note: one.of })),
    ...judged,
  ]
  // Not measured, or seen as found and not looked at again.
  const again = judged.filter(({ code }) => code === 'owed').map(({ rule }) => rule)
  const owed = [
    ...new Set([...owedRules(start, before, shared).filter((rule) => !said.has(rule)), ...again]),
  ]
  const has = (outcome: Outcome) => reasons.some((one) => one.outcome === outcome)
  const outcome = has('stop') ? 'stop' : has('notYet') || owed.length > 0 ? 'notYet' : 'pass'
  return {
    outcome,
    reasons: reasons.map((one) => ({ ...one, words: reasonWords(one, PLAIN) })),
    owed,
    recheck: outcome === 'pass' ? rechecksAfter(shared) : [],
  }
}
const CYLINDERS: ReadonlySet<string> = new Set(['master', 'slave', 'concentric'])
/** Stop-work findings that a rule speaks of already. */
const SAID_ELSEWHERE: ReadonlySet<string> = new Set(['wayHomeShut', 'brakePedalChanged'])

/** Rules of which something has to be known: what any work needs, and again what was measured as found. */
function owedRules({ circuit }: Installation, before: Readings, shared: boolean): RuleName[] {
  const external = circuit.slave.type === 'external'
  const readings = PROOF_READINGS.filter(
    ({ reading, again }) =>
      (!again || before[reading] !== undefined) && (reading !== 'rodStroke' || external),
  ).map(({ reading }) => RULE_OF[reading])
  const checks = PROOF_CHECKS.filter(({ sharedOnly }) => !sharedOnly || shared).map(
    ({ finding }) => RULE_OF[finding],
  )
  return [...new Set([...readings, ...checks])].filter((rule) => rule !== undefined)
}

function installationOf(given: Record<string, unknown>): Installation {
  if (given.circuit !== undefined) {
    const around = aroundCircuit(readCircuit(given.circuit, '/circuit'))
    return given.measured === undefined ? around : readMeasured(around, given.measured, '/measured')
  }
  const known = ARCHETYPES.map(({ id }) => id)
  const { archetype } = given
  if (typeof archetype !== 'string' || !known.includes(archetype))
    throw new InputError(`archetype must be one of ${known.join(', ')}`, '/archetype')
  const start = fromArchetype(archetype)
  return given.measured === undefined ? start : readMeasured(start, given.measured, '/measured')
}

const DURATION = { unit: 's', min: 1, max: 604_800 }
function readReadings(input: unknown, path: string, phase: Measurement['phase']): Readings {
  const given = objectOf(input, path, [...READING_NAMES])
  const readings: Readings = {}
  for (const name of Object.keys(given) as ReadingName[]) {
    const at = pointerTo(path, name)
    const one = given[name]
    const { label, ...bounds } = readingKind(name)
    const { value, duration } =
      typeof one === 'object' && one !== null
        ? objectOf(one, at, ['value', 'duration'])
        : { value: one, duration: undefined }
    const valueAt = typeof one === 'object' ? `${at}/value` : at
    inRange(value, valueAt, bounds, label)
    if (duration !== undefined) inRange(duration, `${at}/duration`, DURATION, 'Duration')
    readings[name] = heldOf({
      reading: name,
      value,
      phase,
      ...(duration !== undefined && { duration }),
    })
  }
  return readings
}
/** A reading as a job would hold it, with no entry behind it. */
const heldOf = (payload: Measurement): NonNullable<Readings[ReadingName]> => ({
  ...{ payload, id: '', at: '', by: '', sent: true, corrections: [] },
})

function readFindings(input: unknown, at: string): Partial<Record<FindingId, 'present' | 'absent'>> {
  const given = objectOf(input, at, [...FINDING_IDS])
  for (const [id, state] of Object.entries(given))
    choiceOf(state, pointerTo(at, id), ['present', 'absent'] as const)
  return given
}

const MOST_NAMES = 40
function namesIn<T extends string>(input: unknown, at: string, known: readonly T[]): T[] {
  if (!Array.isArray(input)) throw new InputError('must be a list', at)
  if (input.length > MOST_NAMES)
    throw new InputError(`at most ${MOST_NAMES} can be given`, `${at}/${MOST_NAMES}`)
  return input.map((one, i) => choiceOf(one, `${at}/${i}`, known))
}

function readGraded(input: unknown): Graded[] {
  if (!Array.isArray(input)) throw new InputError('must be a list', '/graded')
  if (input.length > 40) throw new InputError('at most 40 can be given', '/graded/40')
  return input.map((one, i) => {
    const at = `/graded/${i}`
    const given = objectOf(one, at, ['of', 'grade', 'remaining', 'words'])
    const of = choiceOf(given.of, `${at}/of`, [...COMPLAINT_IDS, ...FINDING_IDS] as const)
    const grade = choiceOf(given.grade, `${at}/grade`, GRADES)
    if (given.words !== undefined && typeof given.words !== 'string')
      throw new InputError('must be a text', `${at}/words`)
    return {
      of,
      grade,
      ...(given.remaining !== undefined && {
        remaining: choiceOf(given.remaining, `${at}/remaining`, FAULT_IDS),
      }),
      ...(given.words !== undefined && { words: given.words }),
    }
  })
}

function readBleed(input: unknown): number | null {
  if (input === undefined) return null
  const { clearInRow } = objectOf(input, '/bleed', ['clearInRow'])
  inRange(clearInRow, '/bleed/clearInRow', { unit: '', min: 0, max: 1000 }, 'Clear in a row')
  if (!Number.isInteger(clearInRow)) throw new InputError('must be a whole number', '/bleed/clearInRow')
  return clearInRow
}

function readLimits(input: unknown): Limits {
  const given = objectOf(
    input,
    '/limits',
    LIMIT_ROWS.map(({ rule }) => rule),
  )
  for (const [rule, value] of Object.entries(given))
    inRange(value, pointerTo('/limits', rule), { unit: '', min: 0, max: 1000 }, `Limit of ${rule}`)
  return given as Limits
}

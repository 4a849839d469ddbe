import { NINETY } from '../circuit'
import { readingKind, type ReadingName } from '../diagnosis'
import type { RuleName } from '../journal'
import type { OperationId } from '../work'
import type { ProofCase, RuleReason } from './accept'

/** A reading that may be worse after the work than it was found. */
export interface WorseRow {
  reading: ReadingName
  rule: RuleName
  worse: 'less' | 'more'
  /** In the reading's unit: from here on it is not passed until somebody has said what would explain it; null: never held back. */
  much: number | null
  reason: string
}
export const WORSE: readonly WorseRow[] = [
  {
    ...{ reading: 'takeUpHeight', rule: 'reserve', worse: 'less', much: 10 },
    reason: 'A finger’s width of pedal that was there before the work: the work took it.',
  },
  {
    ...{ reading: 'reserve', rule: 'reserve', worse: 'less', much: 10 },
    reason: 'As with the take-up.',
  },
  {
    ...{ reading: 'freeTravel', rule: 'reserve', worse: 'more', much: 10 },
    reason: 'So much more before anything is felt is air, or a gap, that came with the work.',
  },
  {
    ...{ reading: 'rodStroke', rule: 'rodStroke', worse: 'less', much: 3 },
    reason: 'The fork got more before: twice what a rule beside a moving rod is out by, and some.',
  },
  {
    ...{ reading: 'sink', rule: 'sink', worse: 'more', much: null },
    reason: 'Within its limit a tape tells little; it is said.',
  },
  {
    ...{ reading: 'returnTime', rule: 'returnTime', worse: 'more', much: null },
    reason: 'Cold fluid alone may do it; it is said.',
  },
  {
    ...{ reading: 'gearWait', rule: 'gearQuiet', worse: 'more', much: null },
    reason: 'Tried, not measured; it is said.',
  },
]

/** Work that is meant to move the pedal's figures: what it makes worse within the limits was set so. */
const SETS: ReadonlySet<OperationId> = new Set<OperationId>([
  'rod',
  'linkage',
  'stop',
  'pedal',
  'pin',
  'bracket',
  'fork',
  'clutch',
])
/** mm by which a rod that was shortened explains more free travel. */
const SHORTENED = 0.3

function isExplained({ readings, done }: ProofCase): boolean {
  const was = readings.before.rodClearance?.payload.value
  const is = readings.after.rodClearance?.payload.value
  return (
    done.some((id) => SETS.has(id)) || (was !== undefined && is !== undefined && is - was >= SHORTENED)
  )
}

/** What is worse than it was found, beyond the errors of both readings: said whatever the limits, one for each rule. */
export function worse(given: ProofCase): RuleReason[] {
  const { before, after } = given.readings
  const told: RuleReason[] = []
  for (const { reading, rule, worse: way, much } of WORSE) {
    const [was, is] = [before[reading]?.payload, after[reading]?.payload]
    if (!was || !is || told.some((one) => one.rule === rule)) continue
    const { error, unit, over } = readingKind(reading)
    // Of a hold what counts is how fast it went.
    const perHold = ({ value, duration }: typeof was) =>
      over === undefined ? value : (value / (duration ?? over)) * over
    const [from, to] = [perHold(was), perHold(is)]
    const by = way === 'less' ? from - to : to - from
    if (by <= NINETY * Math.SQRT2 * error[0]) continue
    const held = much !== null && by > much && !isExplained(given)
    const outcome = held ? 'notYet' : 'pass'
    told.push({ rule, outcome, code: 'worse', by: reading, figure: to, was: from, unit })
  }
  return told
}

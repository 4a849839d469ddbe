import { NINETY } from '../circuit'
import { readingKind, type ReadingName } from '../diagnosis'
import type { Readings, RuleName } from '../journal'
import type { OperationId } from '../work'
import type { ProofCase, RuleReason } from './accept'
import { SHORTEST_HOLD } from './rules'

/** A reading that may be worse after the work than it was found. */
interface WorseRow {
  reading: ReadingName
  rule: RuleName
  worse: 'less' | 'more'
  /** In the reading's unit: from here on it is not passed until somebody has said what would explain it; null: never held back. */
  much: number | null
  reason: string
}
const WORSE: readonly WorseRow[] = [
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

/** A reading as it counts here: of a hold how far it went in its usual time; null where it says nothing. */
function figureOf(held: Readings[ReadingName], over: number | undefined): number | null {
  if (!held) return null
  const { value, duration = over } = held.payload
  if (over === undefined || duration === undefined) return value
  return duration < SHORTEST_HOLD ? null : (value / duration) * over
}

/**
 * What is worse than it was found, beyond the errors of both readings: said whatever the limits, for each rule the reading that
 * keeps it back, else the first.
 * @param figures reasons of the rules themselves: what is out of its limit is not worse within it
 */
export function worse(given: ProofCase, figures: readonly RuleReason[]): RuleReason[] {
  const { before, after } = given.readings
  const told = new Map<RuleName, RuleReason>()
  for (const { reading, rule, worse: way, much } of WORSE) {
    const { error, unit, over } = readingKind(reading)
    const [was, figure] = [figureOf(before[reading], over), figureOf(after[reading], over)]
    if (was === null || figure === null) continue
    const by = way === 'less' ? was - figure : figure - was
    if (by <= NINETY * Math.SQRT2 * error[0]) continue
    const out = figures.some((one) => one.rule === rule && one.outcome !== 'pass')
    const back = out || (much !== null && by > much && !isExplained(given))
    if (told.has(rule) && !(back && told.get(rule)!.outcome === 'pass')) continue
    const outcome = back ? 'notYet' : 'pass'
    told.set(rule, { rule, outcome, code: 'worse', by: reading, figure, was, unit })
  }
  return [...told.values()]
}

import { NINETY } from '../circuit'
import { findingKind, readingKind, type FindingId } from '../diagnosis'
import type { ProofCase, RuleReason } from './accept'
import { MUST_BE_GONE, type MustBeGone } from './must-be-gone'
import { SHORTEST_HOLD } from './rules'

type Looked = Pick<ProofCase, 'found' | 'foundBefore' | 'renewed' | 'readings'>

/** Whether a finding that was present as found has to be looked at again, and has not been. */
export function isOwedAgain(given: Looked, row: MustBeGone): boolean {
  const { found, foundBefore, renewed } = given
  return (
    row.sort !== 'way' &&
    foundBefore(row.finding) === 'present' &&
    found(row.finding) === 'notLooked' &&
    !(row.unless && [found, foundBefore].some((said) => said(row.unless!) === 'present')) &&
    !row.parts.some((part) => renewed.has(part)) &&
    !isMeasured(given, row.finding)
  )
}

/** A figure after the work that answers what a look would. */
function isMeasured({ readings: { after } }: Looked, finding: FindingId): boolean {
  switch (finding) {
    case 'heldSinks':
      return after.sink !== undefined && (after.sink.payload.duration ?? 60) >= SHORTEST_HOLD
    case 'fadesOvernight':
      return after.overnightGrowth !== undefined
    case 'pumpsUp':
      return after.pumpUpGain !== undefined
    default:
      return false
  }
}

/** Present after the work, as it was seen or as a figure says it. */
function isPresent(
  { found, readings: { after } }: ProofCase,
  { finding, unless }: MustBeGone,
): boolean {
  if (unless && found(unless) === 'present') return false
  if (found(finding) === 'present') return true
  const { error } = readingKind('pumpUpGain')
  const gain = after.pumpUpGain?.payload.value
  return finding === 'pumpsUp' && gain !== undefined && gain > NINETY * error[0]
}

/**
 * What was seen that nobody hands over, and what was seen as found and not looked at again.
 * @param figures reasons of the rules themselves: what contradicts a good figure says that it cannot be told
 */
export function gone(given: ProofCase, figures: readonly RuleReason[]): RuleReason[] {
  return MUST_BE_GONE.flatMap((row): RuleReason[] => {
    const { finding: note, rule, cause, againstFigure } = row
    if (isPresent(given, row)) {
      // A stop is said as one.
      if (findingKind(note).stop) return []
      // The rule has said it already, or has stopped all by itself.
      if (figures.some((one) => one.rule === rule && (one.note === note || one.outcome === 'stop')))
        return []
      const good = figures.some(
        (one) => one.rule === rule && one.outcome === 'pass' && one.figure !== undefined,
      )
      return [
        {
          ...{ rule, outcome: 'notYet', note },
          ...(againstFigure && good && { code: 'cannotTell' as const }),
          ...(cause && { cause }),
        },
      ]
    }
    return isOwedAgain(given, row) ? [{ rule, outcome: 'notYet', code: 'owed', note }] : []
  })
}

import { KINDS, type Entry } from '../core/journal'
import { KINDS_AT_BOUNDARY } from './entries'
import type { KindAtBoundary } from './entries/kind'
import type { FieldProblem } from './problem'

/**
 * What a schema cannot say of an entry: whose it may be, bounds that depend on another field, and geometry that must
 * agree.
 */
export function checkEntry({ kind, subject, payload }: Entry, at = ''): FieldProblem[] {
  const owners: readonly string[] = KINDS[kind].subjects
  if (!owners.includes(subject.type)) {
    const message = `must be ${owners.join(' or ')}: ${kind} belongs to a ${owners[0]}`
    return [{ path: `${at}/subject/type`, message }]
  }
  const { check } = KINDS_AT_BOUNDARY[kind] as KindAtBoundary<unknown>
  return check?.(payload, `${at}/payload`) ?? []
}

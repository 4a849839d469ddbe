import { findingKind, type FindingId, type ReadingName } from '../diagnosis'
import type { Installation } from '../installation'
import type { JobState } from '../journal'
import { operationOf, type Touched } from '../work'
import { isOwedAgain } from './gone'
import { ofJob, workOn } from './of-job'
import { MUST_BE_GONE } from './must-be-gone'
import { PROOF_CHECKS, PROOF_READINGS, SWITCH_CHECKS } from './rules'

/**
 * What the work has touched, by what was said to be done and whether it was bled; null where nobody has said what was done:
 * then it may have been anything.
 */
export function touchedBy(state: JobState): ReadonlySet<Touched> | null {
  const mended = workOn(state).map(operationOf)
  if (mended.length === 0) return null
  const touched = new Set(mended.flatMap(({ touches }) => touches))
  if (state.bleed.cycles.length > 0) touched.add('circuit')
  return touched
}
const asks = (touched: ReadonlySet<Touched> | null, by: readonly Touched[]): boolean =>
  touched === null || by.some((one) => touched.has(one))

/** Readings that the proof asks of this job: what every such work needs, and again what was measured as found. */
export function readingsAsked(state: JobState): ReadingName[] {
  const touched = touchedBy(state)
  return PROOF_READINGS.filter(
    ({ reading, touched: by, again }) =>
      asks(touched, by) && (!again || state.readings.asFound[reading]),
  ).map(({ reading }) => reading)
}
/** Those of them that are not measured yet. */
export const readingsOwed = (state: JobState): ReadingName[] =>
  readingsAsked(state).filter((name) => !state.readings.after[name])

/** A look that a proof asks for, and how it stands after the work. */
export interface ProofLook {
  finding: FindingId
  owed: string
  state: 'present' | 'absent' | 'notLooked'
  /** Asked for by what was seen, not by the work: as found and its part not renewed, or after the work. */
  again?: true
}
/**
 * Looks that the proof asks of this job: what every such work needs, a test of each switch that is noted, and again what was seen
 * as found and not renewed; and those that were taken all the same.
 */
export function proofChecks(installation: Installation, state: JobState): ProofLook[] {
  const touched = touchedBy(state)
  const stateOf = (finding: FindingId) => state.found.after[finding]?.payload.state ?? 'notLooked'
  const noted = new Set<string>(installation.switches?.map(({ does }) => does))
  const asked = [
    ...PROOF_CHECKS.filter(({ sharedOnly }) => !sharedOnly || installation.reservoir.sharedWithBrakes),
    ...SWITCH_CHECKS.filter(({ does }) => noted.has(does)),
  ]
    .filter(({ finding, touched: by }) => stateOf(finding) !== 'notLooked' || asks(touched, by))
    .map(({ finding, owed }) => ({
      finding,
      owed: finding === 'switchDead' ? eachOther(installation) : owed,
      state: stateOf(finding),
    }))
  const given = ofJob(state)
  const known = new Set<FindingId>(asked.map(({ finding }) => finding))
  const again = MUST_BE_GONE.filter(({ finding }) => !known.has(finding)).flatMap(
    (row): ProofLook[] => {
      const { finding } = row
      const owed = isOwedAgain(given, row)
      if (!owed && stateOf(finding) === 'notLooked') return []
      return [{ finding, owed: findingKind(finding).label, state: stateOf(finding), again: true }]
    },
  )
  return [...asked, ...again]
}

/** The look at switches that neither start nor cruise, each of them named by its place: one look is good when all are. */
function eachOther({ switches = [] }: Installation): string {
  const places = switches.filter(({ does }) => does === 'other').map(({ at }) => at)
  return places.length > 1
    ? `Each of ${places.length} other switches (${places.join(', ')}) does its work`
    : 'The other switch does its work'
}

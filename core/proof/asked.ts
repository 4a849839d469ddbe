import type { ReadingName } from '../diagnosis'
import type { Installation } from '../installation'
import type { JobState } from '../journal'
import { PACKAGES } from '../plan'
import { operationOf, OPERATIONS, type OperationId, type Touched } from '../work'
import { PROOF_CHECKS, PROOF_READINGS } from './rules'

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
/** Work that was done on the vehicle, each once, as it was said or by the steps of the plan; looking at it is none. */
export function workOn({
  workDone,
  stepsTold,
}: Pick<JobState, 'workDone' | 'stepsTold'>): OperationId[] {
  const said = workDone.map(({ payload }) => payload.operation)
  return [...new Set([...said, ...workOf(stepsTold)])].filter((id) => !operationOf(id).looks)
}
/** Work of which a step of the plan is done. */
function workOf(stepsTold: JobState['stepsTold']): OperationId[] {
  const begun = new Set(
    stepsTold.flatMap(({ payload }) => (payload.act === 'done' ? [payload.step.split('.')[0]!] : [])),
  )
  const named = [...begun].map((id) => PACKAGES.get(id)?.operation)
  return OPERATIONS.filter(({ id }) => named.includes(id)).map(({ id }) => id)
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

/** Checks that the proof asks of this job, or that were looked at all the same, and how they stand in the after phase. */
export function proofChecks(installation: Installation, state: JobState) {
  const touched = touchedBy(state)
  return PROOF_CHECKS.filter(({ sharedOnly }) => !sharedOnly || installation.reservoir.sharedWithBrakes)
    .map((check) => ({
      ...check,
      state: state.found.after[check.finding]?.payload.state ?? 'notLooked',
    }))
    .filter(({ touched: by, state: said }) => said !== 'notLooked' || asks(touched, by))
}

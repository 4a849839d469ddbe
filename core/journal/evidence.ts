import { USUAL_CONDITIONS } from '../diagnosis/names'
import type { Conditions, Evidence, FindingId, Need } from '../diagnosis'
import type { Phase } from '../entries'
import type { JobState } from './fold'

/** What is looked for: what is wrong as it came in, or what is left after the work. */
export type Looking = 'asFound' | 'after'

const PHASES_OF: Record<Looking, readonly Phase[]> = {
  asFound: ['asFound', 'working'],
  after: ['after'],
}

/** A bore that was judged, as a finding of an opened cylinder: one that is rejected tells more than one that is sound. */
export function boreFound({ bores, found }: JobState): 'present' | 'absent' | null {
  const judged = Object.values(bores)
  if (judged.length === 0) return null
  const last = judged.reduce((a, b) => (a.at > b.at ? a : b))
  const said = found.working.borePitted ?? found.asFound.borePitted
  // What somebody said of it since counts.
  if (said && said.at > last.at) return null
  if (judged.some(({ payload }) => payload.verdict === 'reject')) return 'present'
  return judged.every(({ payload }) => payload.verdict === 'pass') ? 'absent' : null
}

/**
 * What a job's entries say of its faults. As found: what was seen and measured before the work was done, the later over the
 * earlier. After: only what was looked at again, with what was felt graded; what is less is still there.
 */
export function evidenceOf(state: JobState, looking: Looking = 'asFound'): Evidence {
  const findings: Partial<Record<FindingId, 'present' | 'absent'>> = {}
  const readings: Record<string, { value: number; duration?: number }> = {}
  for (const phase of PHASES_OF[looking]) {
    for (const held of Object.values(state.found[phase])) {
      const { finding, state: said } = held.payload
      if (said === 'notLooked') delete findings[finding]
      else findings[finding] = said
    }
    // Free travel while bleeding tells how the bleed goes, not what was wrong.
    if (phase === 'working') continue
    for (const { payload } of Object.values(state.readings[phase]))
      readings[payload.reading] = {
        value: payload.value,
        ...(payload.duration !== undefined && { duration: payload.duration }),
      }
  }
  const bore = looking === 'asFound' ? boreFound(state) : null
  if (bore !== null) findings.borePitted = bore
  if (looking === 'asFound')
    return { complaints: state.complaints.map(({ complaint }) => complaint), findings, readings }
  const complaints: Evidence['complaints'][number][] = []
  for (const { complaint } of state.complaints) {
    const grade = state.graded[complaint]?.payload.grade
    if (grade === 'less' || grade === 'same') complaints.push(complaint)
  }
  for (const id of Object.keys(state.found.asFound) as FindingId[]) {
    const grade = state.graded[id]?.payload.grade
    if (grade !== undefined) findings[id] = grade === 'gone' ? 'absent' : 'present'
  }
  return { complaints, findings, readings }
}

/** What holds in the workshop: what was said, else what is usual. */
export function conditionsOf(state: JobState): Conditions {
  const conditions = { ...USUAL_CONDITIONS }
  for (const need of Object.keys(conditions) as Need[]) {
    const said = state.conditions[need]
    if (said) conditions[need] = said.payload.holds
  }
  return conditions
}

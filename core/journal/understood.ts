import { COMPLAINT_IDS, FAULT_IDS, FINDING_IDS, NEEDS, READING_NAMES, REPAIRS } from '../diagnosis'
import { CAME_OUT, GRADES, METHODS, PHASES, type Entry, type Kind, type Payloads } from './entry'

const setOf = (ids: readonly string[]): ReadonlySet<string> => new Set(ids)
const complaints = setOf(COMPLAINT_IDS)
const faults = setOf(FAULT_IDS)
const findings = setOf(FINDING_IDS)
const readings = setOf(READING_NAMES)
const needs = setOf(NEEDS.map(({ id }) => id))
const repairs = setOf(REPAIRS.map(({ id }) => id))
const phases = setOf(PHASES)
const grades = setOf(GRADES)
const methods = setOf(METHODS)
const cameOut = setOf(CAME_OUT)

type Knows = { [K in Kind]: (payload: Payloads[K]) => boolean }
const yes = () => true

/** Whether every name in a payload stands in this version's tables; a kind that is not here does not compile. */
const KNOWS: Knows = {
  goal: yes,
  complaint: ({ complaint }) => complaints.has(complaint),
  finding: ({ finding, phase }) => findings.has(finding) && phases.has(phase),
  measurement: ({ reading, phase }) => readings.has(reading) && phases.has(phase),
  graded: ({ of, grade, remaining }) =>
    (complaints.has(of) || findings.has(of)) &&
    grades.has(grade) &&
    (remaining === undefined || faults.has(remaining)),
  condition: ({ condition }) => needs.has(condition),
  takenOver: ({ stop }) => stop === 'rodClearance' || findings.has(stop),
  decision: (decision) => decision.repairs.every((id) => repairs.has(id)),
  cause: (cause) => cause.faults.every((id) => faults.has(id)),
  parameter: yes,
  installation: yes,
  route: yes,
  calibration: yes,
  plan: yes,
  bleedCycle: (cycle) => methods.has(cycle.method) && cameOut.has(cycle.cameOut),
  topUp: yes,
  verdict: yes,
  note: yes,
  withdrawal: yes,
}

/**
 * Whether this version of the program knows what an entry says. A tab may be older than the data: what it does not know it
 * keeps and shows as filed by a newer version, and reckons without.
 */
export function understood({ kind, payload }: Pick<Entry, 'kind' | 'payload'>): boolean {
  const knows = Object.hasOwn(KNOWS, kind) ? (KNOWS[kind] as (payload: unknown) => boolean) : null
  return knows !== null && knows(payload)
}

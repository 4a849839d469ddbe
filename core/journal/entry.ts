import type { PedalReadings } from '../estimate'
import type { Installation, RoutePoint } from '../installation'
import type { Change } from '../whatif'
import type { ComplaintId, FindingId } from '../diagnosis'
import type { ReadingName } from './readings'

/** Whose history an entry belongs to. */
export interface Subject {
  type: 'job' | 'vehicle'
  id: string
}

export const JOB_KINDS = [
  'fault',
  'refresh',
  'upgrade',
  'fluidService',
  'partsBrought',
  'afterOtherWork',
] as const
export type JobKind = (typeof JOB_KINDS)[number]

/** When in the job something was seen or measured. */
export const PHASES = ['asFound', 'working', 'after'] as const
export type Phase = (typeof PHASES)[number]

export const CAME_OUT = ['nothing', 'foam', 'large', 'few', 'clear'] as const
/** What came out of the bleeder: nothing, foam, large bubbles, few, clear. */
export type CameOut = (typeof CAME_OUT)[number]

export const METHODS = [
  'openPush',
  'pumpHold',
  'prop',
  'submerged',
  'checkValve',
  'gravity',
  'pressure',
  'vacuum',
  'inject',
  'hang',
] as const
export type Method = (typeof METHODS)[number]

export type Outcome = 'pass' | 'notYet' | 'stop'

export interface Goal {
  jobKind: JobKind
  wanted: string
}
export interface Complaint {
  complaint: ComplaintId
  words?: string
}
export interface Finding {
  finding: FindingId
  state: 'present' | 'absent' | 'notLooked'
  phase: Phase
}
export interface Measurement {
  reading: ReadingName
  /** In the reading's own unit: mm. */
  value: number
  /** s; for readings over a hold. */
  duration?: number
  phase: Phase
}
/** One field of the installation, measured or read off. */
export interface Parameter {
  /** Dotted path in the circuit, or of its place in the vehicle. */
  field: string
  value: number
}
/** The line's way, drawn or typed, along its present length. */
export interface RouteDrawn {
  points: RoutePoint[]
}
/** What is planned for the circuit, to be compared with what was found. */
export interface Plan {
  changes: Change[]
}
export interface BleedCycle {
  method: Method
  strokes: number
  cameOut: CameOut
  colour?: 'dark' | 'fresh'
  /** Volume in the bottle from this cycle, mm³. */
  bottle?: number
}
export interface TopUp {
  /** mm³ */
  volume?: number
}
export interface VerdictReason {
  rule: string
  outcome: Outcome
  words: string
  figure?: number
  limit?: number
  unit?: string
}
export interface Verdict {
  outcome: Outcome
  reasons: VerdictReason[]
}

/** Payload of each kind of entry. */
export interface Payloads {
  goal: Goal
  complaint: Complaint
  finding: Finding
  measurement: Measurement
  parameter: Parameter
  installation: Installation
  route: RouteDrawn
  /** Readings of a pedal that is known to be good; kept with the vehicle. */
  calibration: PedalReadings
  plan: Plan
  bleedCycle: BleedCycle
  topUp: TopUp
  verdict: Verdict
  note: { words: string }
  withdrawal: { reason?: string }
}
export type Kind = keyof Payloads

interface Head {
  /** ULID, made where the entry is made. */
  id: string
  subject: Subject
  /** ISO 8601, UTC. */
  at: string
  /** Id of the person. */
  by: string
  /** Id of the entry that this one puts right. */
  corrects?: string
  /** Id of the entry that this one takes back. */
  withdraws?: string
  /** Place in the subject's history, given by the server; missing while the entry waits to be sent. */
  sequence?: number
}
export type EntryOf<K extends Kind> = Head & { kind: K; payload: Payloads[K] }
export type Entry = { [K in Kind]: EntryOf<K> }[Kind]

import type { PedalReadings } from '../estimate'
import type { Installation, RoutePoint } from '../installation'
import type { Change } from '../whatif'
import type { ComplaintId, FaultId, FindingId, Need, ReadingName, School } from '../diagnosis'

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
/** Felt and heard results are graded: a partial cure keeps its remaining cause. */
export const GRADES = ['gone', 'less', 'same'] as const
export type Grade = (typeof GRADES)[number]
export interface Graded {
  of: ComplaintId | FindingId
  grade: Grade
  /** What is left to cause it, as far as is known. */
  remaining?: FaultId
  /** What is done about it: the part that is ordered, when it is looked at again. */
  words?: string
}
/** What holds in the workshop just now, and so which looks can be taken. */
export interface Condition {
  condition: Need
  holds: boolean
}
/** A named person takes a stop-work finding over; whoever files it is that person. */
export interface TakenOver {
  /** A finding that stops work, or the measured rod. */
  stop: FindingId | 'rodClearance'
  reason: string
}
/** How it is gone about, and why. */
export interface DecisionMade extends School {
  /** Repairs that are chosen, by their names in the table. */
  repairs: string[]
  reasons: string[]
  minutes: number
  /** Parts and fluid, in the shop’s money. */
  money: number
  /** Chance that it comes back, as reckoned when it was decided. */
  comebackRisk: number
}
/** What it was, confirmed when the job is done; it goes into the shop’s record. */
export interface Cause {
  faults: FaultId[]
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
  graded: Graded
  condition: Condition
  takenOver: TakenOver
  decision: DecisionMade
  cause: Cause
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

import {
  COMPLAINT_IDS,
  complaintLabel,
  FINDING_IDS,
  findingKind,
  NEEDS,
  READING_NAMES,
  readingKind,
} from '../diagnosis/names'
import type { ComplaintId, FindingId, Need, ReadingName } from '../diagnosis'
import { newestByTime, type Held } from './held'
import type { Format } from '../quantity'
import { JOB_KIND_WORDS } from '../words'
import { namesOf, type EntryKind } from './kind'
import { over, PHASE_WORDS } from './phrases'

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

export interface Goal {
  jobKind: JobKind
  wanted: string
}
export interface Complaint {
  complaint: ComplaintId
  words?: string
}
export interface FoundState {
  finding: FindingId
  state: 'present' | 'absent' | 'notLooked'
  phase: Phase
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
export interface Measurement {
  reading: ReadingName
  /** In the reading's own unit: mm. */
  value: number
  /** s; for readings over a hold. */
  duration?: number
  phase: Phase
}

export interface FindPayloads {
  goal: Goal
  complaint: Complaint
  finding: FoundState
  condition: Condition
  takenOver: TakenOver
  measurement: Measurement
}

export type Readings = Partial<Record<ReadingName, Held<Measurement>>>
export type Found = Partial<Record<FindingId, Held<FoundState>>>

export interface FindState {
  goal: Held<Goal> | null
  complaints: { complaint: ComplaintId; held: Held<Complaint> }[]
  /** Latest state of each finding in each phase. */
  found: Record<Phase, Found>
  /** Latest of each reading in each phase. */
  readings: Record<Phase, Readings>
  /** Free travel and the rest as they went while bleeding, in order. */
  course: Held<Measurement>[]
  /** What was said to hold in the workshop; what was not is as usual. */
  conditions: Partial<Record<Need, Held<Condition>>>
  /** Stops that a named person has taken over. */
  takenOver: Partial<Record<TakenOver['stop'], Held<TakenOver>>>
}

export const startFind = (): FindState => ({
  goal: null,
  complaints: [],
  found: { asFound: {}, working: {}, after: {} },
  readings: { asFound: {}, working: {}, after: {} },
  course: [],
  conditions: {},
  takenOver: {},
})

const complaints = namesOf(COMPLAINT_IDS)
const findings = namesOf(FINDING_IDS)
const readings = namesOf(READING_NAMES)
const needs = namesOf(NEEDS.map(({ id }) => id))
const phases = namesOf(PHASES)

type Kinds = { [K in keyof FindPayloads]: EntryKind<FindPayloads[K], FindState> }

export const FIND_KINDS: Kinds = {
  goal: {
    stages: [],
    subjects: ['job'],
    replaces: () => 'goal',
    take: (slice, held) => (slice.goal = held),
    tell: ({ jobKind, wanted }) =>
      wanted ? `${JOB_KIND_WORDS[jobKind]}: ${wanted}` : JOB_KIND_WORDS[jobKind],
  },
  complaint: {
    stages: ['find'],
    subjects: ['job'],
    knows: ({ complaint }) => complaints.has(complaint),
    replaces: ({ complaint }) => complaint,
    take: (slice, held) => {
      const { complaint } = held.payload
      slice.complaints = slice.complaints.filter((known) => known.complaint !== complaint)
      slice.complaints.push({ complaint, held })
    },
    tell: ({ complaint }) => `Driver: ${complaintLabel(complaint)}`,
  },
  finding: {
    stages: 'byPhase',
    subjects: ['job'],
    knows: ({ finding, phase }) => findings.has(finding) && phases.has(phase),
    replaces: ({ finding, phase }) => `${phase} ${finding}`,
    byTime: true,
    take: (slice, held) => {
      const { phase, finding } = held.payload
      slice.found[phase][finding] = newestByTime(slice.found[phase][finding], held)
    },
    tell: ({ finding, state, phase }) => {
      const { label, present, absent } = findingKind(finding)
      const seen = { present, absent, notLooked: 'not looked at' }[state]
      return `${label}: ${seen}${PHASE_WORDS[phase]}`
    },
  },
  condition: {
    stages: ['find'],
    subjects: ['job'],
    knows: ({ condition }) => needs.has(condition),
    replaces: ({ condition }) => condition,
    take: (slice, held) => (slice.conditions[held.payload.condition] = held),
    tell: ({ condition, holds }) =>
      `${NEEDS.find(({ id }) => id === condition)!.label}: ${holds ? 'yes' : 'no'}`,
  },
  takenOver: {
    stages: ['find'],
    subjects: ['job'],
    knows: ({ stop }) => stop === 'rodClearance' || findings.has(stop),
    replaces: ({ stop }) => stop,
    take: (slice, held) => (slice.takenOver[held.payload.stop] = held),
    tell: ({ stop, reason }) => {
      const { label } = stop === 'rodClearance' ? readingKind(stop) : findingKind(stop)
      return `Stop overridden (${label}): ${reason}`
    },
  },
  measurement: {
    stages: 'byPhase',
    subjects: ['job'],
    knows: ({ reading, phase }) => readings.has(reading) && phases.has(phase),
    // Readings while bleeding are a course, of which every one is drawn.
    replaces: ({ reading, phase }) => (phase === 'working' ? null : `${phase} ${reading}`),
    byTime: true,
    take: (slice, held) => {
      const { reading, phase } = held.payload
      slice.readings[phase][reading] = newestByTime(slice.readings[phase][reading], held)
      if (phase === 'working') slice.course.push(held)
    },
    tell: ({ reading, value, duration, phase }, format: Format) => {
      const { label, unit } = readingKind(reading)
      const figure = unit === 'mm' ? format.length(value) : format.figure(value, unit)
      return `${label} ${figure}${over(duration)}${PHASE_WORDS[phase]}`
    },
  },
}

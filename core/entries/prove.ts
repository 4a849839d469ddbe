import {
  COMPLAINT_IDS,
  COMPLAINTS,
  FAULT_IDS,
  faultKind,
  FINDING_IDS,
  findingKind,
} from '../diagnosis/names'
import type { ComplaintId, FaultId, FindingId, ReadingName } from '../diagnosis'
import type { Held } from './held'
import { OUTCOME_WORDS } from '../words'
import { namesOf, type EntryKind } from './kind'

export type Outcome = 'pass' | 'notYet' | 'stop'

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
/** What it was, confirmed when the job is done; it goes into the shop’s record. */
export interface Cause {
  faults: FaultId[]
}
export const REASON_CODES = [
  'preloaded',
  'portCovered',
  'felt',
  'doubt',
  'misfit',
  'owed',
  'takenOver',
  'cannotTell',
  'slack',
  'early',
  'late',
  'worse',
] as const
export type ReasonCode = (typeof REASON_CODES)[number]
/** What bounds a reading: the pedal's travel, the slave's stroke, this circuit without air, or the free travel beside it. */
export const BOUNDS = ['travel', 'stroke', 'noAir', 'freeTravel'] as const
export type Bound = (typeof BOUNDS)[number]
/** A reason as it is kept: what it says is worded when it is read, in the units of whoever reads. */
export interface VerdictReason {
  rule: string
  outcome: Outcome
  /** Which of its rule's sentences, where outcome and figures do not say it. */
  code?: ReasonCode | Grade
  /** The reading that it rests on, where there may be several. */
  by?: ReadingName
  /** What likely causes it. */
  cause?: FaultId
  figure?: number
  /** 90 % range of the figure. */
  low?: number
  high?: number
  limit?: number
  /** Of figure, range and limit. */
  unit?: string
  /** Figure as it was found, where it is worse now. */
  was?: number
  /** What a reading that cannot be was held against. */
  against?: Bound
  /** Reserve that the limit would leave, mm. */
  wanted?: number
  /** Why a named person took a stop over, or the finding that it rests on. */
  note?: string
  /** The whole sentence: entries from before reasons were kept as figures. */
  words?: string
}
export interface Verdict {
  outcome: Outcome
  reasons: VerdictReason[]
  /** Id of the look again that this verdict is the answer to. */
  recheck?: string
}

export interface ProvePayloads {
  graded: Graded
  cause: Cause
  verdict: Verdict
}
export interface ProveState {
  /** How each felt or heard thing went after the work. */
  graded: Partial<Record<ComplaintId | FindingId, Held<Graded>>>
  cause: Held<Cause> | null
  verdict: Held<Verdict> | null
  /** Ids of the looks again that were taken. */
  rechecked: string[]
}
export const startProve = (): ProveState => ({
  graded: {},
  cause: null,
  verdict: null,
  rechecked: [],
})

/** A complaint or a finding by its name. */
export const observationLabel = (id: ComplaintId | FindingId): string =>
  COMPLAINTS.find((complaint) => complaint.id === id)?.label ?? findingKind(id as FindingId).label

const observations = namesOf([...COMPLAINT_IDS, ...FINDING_IDS])
const faults = namesOf(FAULT_IDS)
const grades = namesOf(GRADES)

type Kinds = { [K in keyof ProvePayloads]: EntryKind<ProvePayloads[K], ProveState> }

export const PROVE_KINDS: Kinds = {
  graded: {
    stages: ['prove'],
    subjects: ['job'],
    knows: ({ of, grade, remaining }) =>
      observations.has(of) && grades.has(grade) && (remaining === undefined || faults.has(remaining)),
    replaces: ({ of }) => of,
    take: (slice, held) => (slice.graded[held.payload.of] = held),
    tell: ({ of, grade, remaining, words }) => {
      const left = remaining ? `; left: ${faultKind(remaining).label}` : ''
      return `${observationLabel(of)}: ${grade}${left}${words ? `; ${words}` : ''}`
    },
  },
  cause: {
    stages: ['prove'],
    subjects: ['job'],
    knows: (cause) => cause.faults.every((id) => faults.has(id)),
    replaces: () => 'cause',
    take: (slice, held) => (slice.cause = held),
    tell: (cause) => `It was: ${cause.faults.map((id) => faultKind(id).label).join('; ')}`,
  },
  verdict: {
    stages: ['prove'],
    subjects: ['job'],
    // One that answers a look again counts as that, too, when another has been filed since.
    replaces: ({ recheck }) => (recheck === undefined ? 'verdict' : `verdict ${recheck}`),
    take: (slice, held) => {
      slice.verdict = held
      if (held.payload.recheck !== undefined) slice.rechecked.push(held.payload.recheck)
    },
    tell: ({ outcome, recheck }) =>
      `${recheck === undefined ? 'Verdict' : 'Looked at again'}: ${OUTCOME_WORDS[outcome]}`,
  },
}

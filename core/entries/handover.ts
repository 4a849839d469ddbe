import { readingKind, READING_NAMES, REPAIRS } from '../diagnosis/names'
import type { ReadingName, RepairId } from '../diagnosis'
import type { Held } from './held'
import { namesOf, type EntryKind } from './kind'
import { dayWords } from './phrases'

export const RULES = [
  'complaint',
  'reserve',
  'sink',
  'rodStroke',
  'rodClearance',
  'returnTime',
  'gearQuiet',
  'overnight',
  'levelFall',
  'pushBack',
  'switches',
  'unionsDry',
  'slip',
  'drag',
  'clearInRow',
  'brakes',
  'ledger',
  'cause',
] as const
/** What a finished job is judged by. */
export type RuleName = (typeof RULES)[number]

export const APPROVED_HOW = ['spoken', 'written', 'signed'] as const
export type ApprovedHow = (typeof APPROVED_HOW)[number]

/** Finished work that is looked at again: after so long, or at so many km on the clock, whichever comes first. */
export interface Recheck {
  /** Id of the verdict. */
  of: string
  /** Day, 2026-03-31. */
  due?: string
  atKm?: number
  rules: RuleName[]
}
/** A repair put off on purpose: what is watched meanwhile, and the figure that ends it. */
export interface Deferred {
  repair: RepairId
  watch: ReadingName
  /** In the reading’s own unit. */
  limit: number
  until?: string
  atKm?: number
  words?: string
}
/** Something that is owed to this vehicle. Said again with `done` it is no longer. */
export interface FollowUp {
  what: string
  due?: string
  atKm?: number
  done?: boolean
}
/** What the customer agreed to. */
export interface Approval {
  option: string
  by: string
  how: ApprovedHow
}

export interface HandoverPayloads {
  recheck: Recheck
  deferred: Deferred
  followUp: FollowUp
  approval: Approval
}
export interface HandoverState {
  rechecks: Held<Recheck>[]
  deferred: Partial<Record<RepairId, Held<Deferred>>>
  /** Newest of each that is owed, done or not. */
  followUps: Record<string, Held<FollowUp>>
  approvals: Held<Approval>[]
}
export const startHandover = (): HandoverState => ({
  rechecks: [],
  deferred: {},
  followUps: {},
  approvals: [],
})

const rules = namesOf(RULES)
const repairs = namesOf(REPAIRS.map(({ id }) => id))
const readings = namesOf(READING_NAMES)
const hows = namesOf(APPROVED_HOW)
const repairLabel = (id: RepairId) => REPAIRS.find((one) => one.id === id)?.label ?? id
export const APPROVED_HOW_WORDS: Record<ApprovedHow, string> = {
  spoken: 'by word',
  written: 'in writing',
  signed: 'signed',
}

type Kinds = { [K in keyof HandoverPayloads]: EntryKind<HandoverPayloads[K], HandoverState> }

export const HANDOVER_KINDS: Kinds = {
  recheck: {
    stages: ['prove', 'record'],
    subjects: ['job'],
    knows: ({ rules: list }) => list.every((one) => rules.has(one)),
    take: (slice, held) => slice.rechecks.push(held),
    tell: ({ due, atKm, rules: list }, format) =>
      [
        'Look again',
        ...(due ? [`by ${dayWords(due)}`] : []),
        ...(atKm === undefined ? [] : [`${due ? 'or ' : ''}at ${format.figure(atKm, 'km')}`]),
      ].join(' ') + `: ${list.length} ${list.length === 1 ? 'thing' : 'things'} to measure`,
  },
  deferred: {
    stages: ['record'],
    subjects: ['job'],
    knows: ({ repair, watch }) => repairs.has(repair) && readings.has(watch),
    replaces: ({ repair }) => `deferred ${repair}`,
    take: (slice, held) => (slice.deferred[held.payload.repair] = held),
    tell: ({ repair, watch, limit, until, atKm, words }, format) => {
      const { label, unit } = readingKind(watch)
      return [
        `Put off: ${repairLabel(repair).toLowerCase()}; ends at ${format.figure(limit, unit)} of ${label.toLowerCase()}`,
        ...(until ? [`by ${dayWords(until)} at the latest`] : []),
        ...(atKm === undefined ? [] : [`or at ${format.figure(atKm, 'km')}`]),
        ...(words ? [words] : []),
      ].join(', ')
    },
  },
  followUp: {
    stages: ['record'],
    subjects: ['job'],
    replaces: ({ what }) => `followUp ${what}`,
    take: (slice, held) => (slice.followUps[held.payload.what] = held),
    tell: ({ what, due, atKm, done }, format) =>
      [
        done ? `Done: ${what}` : `Still owed: ${what}`,
        ...(due && !done ? [`by ${dayWords(due)}`] : []),
        ...(atKm !== undefined && !done ? [`at ${format.figure(atKm, 'km')}`] : []),
      ].join(', '),
  },
  approval: {
    stages: ['record'],
    subjects: ['job'],
    knows: ({ how }) => hows.has(how),
    take: (slice, held) => slice.approvals.push(held),
    tell: ({ option, by, how }) => `Agreed ${APPROVED_HOW_WORDS[how]} by ${by}: ${option}`,
  },
}

import {
  faultKind,
  REPAIRS,
  whyFavoured,
  type FaultId,
  type Favoured,
  type RepairId,
  type Policy,
} from '../diagnosis'
import { SEAT_WORDS, type End, type JoinCode, type Joint, type Seal } from '../fitting'
import { isJointPlace, type JointPlace } from '../installation'
import type { Held } from './held'
import { chanceWords, FIRST_WORDS, jointWords, SCOPE_WORDS, WAY_WORDS } from '../words'
import { namesOf, type EntryKind } from './kind'

/** What the figures favoured in a question, or a fault with its chance, when it was decided. */
export type DecisionReason = Favoured | { fault: FaultId; chance: number }

/** How it is gone about, and why. */
export interface DecisionMade extends Policy {
  /** Repairs that are chosen, by their names in the table. */
  repairs: RepairId[]
  /** Why, as whoever decided typed it. */
  why?: string
  /** Worded when read; from before they were kept as figures, whole sentences. */
  reasons: (DecisionReason | string)[]
  minutes: number
  /** Parts and fluid, in the shop’s money. */
  money: number
  /** Chance that it comes back, as reckoned when it was decided. */
  comebackRisk: number
}

/**
 * A joint of the line. With a verdict: two ends checked against each other before anything is joined. Without one: an end as
 * it is in the vehicle, read off; the other stays as it was.
 */
export interface JointChecked {
  at: JointPlace
  /** Nearer the reservoir; null where nobody looked. */
  a: End | null
  /** Further on. */
  b: End | null
  verdict: Joint['verdict'] | null
  reasons: { code: JoinCode; figure?: number; limit?: number }[]
  /** Seals and washers that lay ready. */
  atHand?: Seal[]
}

export interface ChoosePayloads {
  decision: DecisionMade
  joint: JointChecked
}
export interface ChooseState {
  decision: Held<DecisionMade> | null
  /** The last check of each joint. */
  joints: Partial<Record<JointPlace, Held<JointChecked>>>
}
export const startChoose = (): ChooseState => ({ decision: null, joints: {} })

/** An end in a few words: its thread, its seat. */
export const endWords = ({ thread, gender, seat }: End): string =>
  [thread, gender === 'none' ? null : gender, SEAT_WORDS[seat]].filter(Boolean).join(' ')
export const VERDICT_OF_JOINT: Record<Joint['verdict'], string> = {
  joins: 'joins',
  joinsWith: 'joins once its seal is there',
  refused: 'does not join',
}

const repairs = namesOf(REPAIRS.map(({ id }) => id))

type Kinds = { [K in keyof ChoosePayloads]: EntryKind<ChoosePayloads[K], ChooseState> }

export const CHOOSE_KINDS: Kinds = {
  decision: {
    subjects: ['job'],
    knows: (decision) => decision.repairs.every((id) => repairs.has(id)),
    replaces: () => 'decision',
    take: (slice, held) => (slice.decision = held),
    tell: ({ scope, way, first }) =>
      `Decided: ${[SCOPE_WORDS[scope], WAY_WORDS[way], FIRST_WORDS[first]].join(', ').toLowerCase()}`,
  },
  joint: {
    subjects: ['job', 'vehicle'],
    knows: ({ at }) => isJointPlace(at),
    replaces: ({ at, verdict }) => (verdict === null ? null : at),
    take: (slice, held) => {
      const { at, verdict } = held.payload
      if (verdict !== null) slice.joints = { ...slice.joints, [at]: held }
    },
    tell: ({ at, a, b, verdict }) => {
      const ends = [a, b].map((end) => (end ? endWords(end) : 'not known'))
      if (verdict !== null)
        return `${jointWords(at)}: ${VERDICT_OF_JOINT[verdict]} (${ends.join(', ')})`
      const told = [a && `${endWords(a)}, master’s side`, b && `${endWords(b)}, slave’s side`]
      return `${jointWords(at)}: ${told.filter(Boolean).join('; ') || 'not known'}`
    },
  },
}

const ANSWERS = { ...SCOPE_WORDS, ...WAY_WORDS, ...FIRST_WORDS }

/** A reason of a decision in words. */
export function decisionReasonWords(reason: DecisionReason | string): string {
  if (typeof reason === 'string') return reason
  if ('fault' in reason)
    return `${faultKind(reason.fault).label}, ${chanceWords(reason.chance)} when it was decided`
  return `${ANSWERS[reason.favoured]} favoured: ${whyFavoured(reason)}`
}

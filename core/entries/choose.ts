import {
  faultKind,
  REPAIRS,
  whyFavoured,
  type FaultId,
  type Favoured,
  type RepairId,
  type Policy,
} from '../diagnosis'
import type { Held } from './held'
import { chanceWords, FIRST_WORDS, SCOPE_WORDS, WAY_WORDS } from '../words'
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

export interface ChoosePayloads {
  decision: DecisionMade
}
export interface ChooseState {
  decision: Held<DecisionMade> | null
}
export const startChoose = (): ChooseState => ({ decision: null })

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
}

const ANSWERS = { ...SCOPE_WORDS, ...WAY_WORDS, ...FIRST_WORDS }

/** A reason of a decision in words. */
export function decisionReasonWords(reason: DecisionReason | string): string {
  if (typeof reason === 'string') return reason
  if ('fault' in reason)
    return `${faultKind(reason.fault).label}, ${chanceWords(reason.chance)} when it was decided`
  return `${ANSWERS[reason.favoured]} favoured: ${whyFavoured(reason)}`
}

import { REPAIRS, type School } from '../diagnosis'
import type { Held } from '../journal/entry'
import { FIRST_WORDS, SCOPE_WORDS, WAY_WORDS } from '../words'
import { namesOf, type EntryKind } from './kind'

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

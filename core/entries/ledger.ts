import { PUT_ON, PUT_ON_ITEMS, REMOVED, REMOVED_ITEMS } from '../plan/names'
import type { PutOnItem, RemovedItem } from '../plan'
import type { Held } from './held'
import { namesOf, type EntryKind } from './kind'

/** Something put on the vehicle for the work, that must come off again. */
export interface PutOn {
  item: PutOnItem
  place: string
}
/** Something taken off or unplugged, that must go back. */
export interface Removed {
  item: RemovedItem
  place: string
  /** Where it lies meanwhile: a bag, a tray, its number. */
  bag?: string
}
/** By the id of the entry that put it on, or took it off. */
export interface Reversed {
  of: string
}

export interface LedgerPayloads {
  putOn: PutOn
  takenOff: Reversed
  removed: Removed
  refitted: Reversed
}
export interface LedgerState {
  putOn: Held<PutOn>[]
  removed: Held<Removed>[]
  /** Ids of what came off again, and of what is back: an entry may come in before the one that it names. */
  reversed: ReadonlyMap<string, Held<Reversed>>
}
export const startLedger = (): LedgerState => ({ putOn: [], removed: [], reversed: new Map() })

/** Put on, and not off again. */
export const stillOn = ({ putOn, reversed }: LedgerState): Held<PutOn>[] =>
  putOn.filter(({ id }) => !reversed.has(id))
/** Taken off, and not back. */
export const stillOff = ({ removed, reversed }: LedgerState): Held<Removed>[] =>
  removed.filter(({ id }) => !reversed.has(id))

export const putOnWords = ({ item, place }: PutOn): string => `${PUT_ON[item].words}, ${place}`
export const removedWords = ({ item, place, bag }: Removed): string =>
  `${REMOVED[item]}, ${place}${bag ? ` (${bag})` : ''}`

const on = namesOf(PUT_ON_ITEMS)
const off = namesOf(REMOVED_ITEMS)
const reverse = (slice: LedgerState, held: Held<Reversed>) =>
  (slice.reversed = new Map(slice.reversed).set(held.payload.of, held))

type Kinds = { [K in keyof LedgerPayloads]: EntryKind<LedgerPayloads[K], LedgerState> }

export const LEDGER_KINDS: Kinds = {
  putOn: {
    stages: ['fit'],
    subjects: ['job'],
    knows: ({ item }) => on.has(item),
    take: (slice, held) => slice.putOn.push(held),
    tell: (said) => `Put on: ${putOnWords(said)}`,
  },
  takenOff: {
    stages: ['fit'],
    subjects: ['job'],
    take: reverse,
    tell: () => 'Off again',
  },
  removed: {
    stages: ['fit'],
    subjects: ['job'],
    knows: ({ item }) => off.has(item),
    take: (slice, held) => slice.removed.push(held),
    tell: (said) => `Taken off: ${removedWords(said)}`,
  },
  refitted: {
    stages: ['fit'],
    subjects: ['job'],
    take: reverse,
    tell: () => 'Back in its place',
  },
}

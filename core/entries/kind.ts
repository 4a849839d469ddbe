import type { Held, Subject } from './held'
import type { Stage } from './stages'
import type { Format } from '../quantity'

/**
 * A kind of entry, in one place: whose history it may stand in, whether this version knows the names in it, what of it a
 * later one replaces, what it does to its stage's slice of the state, and how it is said.
 */
export interface EntryKind<P, S> {
  subjects: readonly Subject['type'][]
  /** Stages on which it stands, so that undo may take it back there; findings and readings, those of their phase. */
  stages: readonly Stage[] | 'byPhase'
  /** Whether every name in the payload stands in this version's tables. */
  knows?: (payload: P) => boolean
  /** The key under which a later entry replaces this one in the state; null or none where every one counts. */
  replaces?: (payload: P) => string | null
  /** Of those with one key the one that was made last holds, not the one that came in last. */
  byTime?: true
  /** True where an entry says nothing of the state: only the journal shows it. */
  silent?: boolean
  /** Takes it into the slice of the state that its stage keeps. */
  take: (slice: S, held: Held<P>) => void
  /** In a line, as one would say it, in the units of whoever reads. */
  tell: (payload: P, format: Format) => string
}

/** Names of a table, for asking whether one is known. */
export const namesOf = (ids: readonly string[]): { has: (name: string) => boolean } => new Set(ids)

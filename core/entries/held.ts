import type { Entry } from '../journal'

/** Whose history an entry belongs to. */
export interface Subject {
  type: 'job' | 'vehicle'
  id: string
}

/** A payload that holds, and the entries behind it. */
export interface Held<T> {
  payload: T
  /** Id of the first entry; what a correction or an undo names. */
  id: string
  at: string
  by: string
  /** False while it waits to be sent. */
  sent: boolean
  /** Corrections that were made to it; more than one are rivals, and the last holds. */
  corrections: Entry[]
}

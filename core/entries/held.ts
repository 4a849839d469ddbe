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
  /** When the server took it in, where the device’s clock says another time. */
  filedAt?: string
  /** False while it waits to be sent. */
  sent: boolean
  /** Corrections that were made to it; more than one are rivals, and the last holds. */
  corrections: Entry[]
  /** Of what the newest by its own time replaces: those that came in later all the same, made on a device that was away. */
  late?: Held<T>[]
}

/** Whichever was made last holds, however late the other came in; what came late is kept beside it, to be shown. */
export function newestByTime<T>(before: Held<T> | undefined, held: Held<T>): Held<T> {
  if (!before || held.at >= before.at) return held
  return { ...before, late: [...(before.late ?? []), held] }
}

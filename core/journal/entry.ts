import type { Kind, Payloads } from '../entries'

/** Whose history an entry belongs to. */
export interface Subject {
  type: 'job' | 'vehicle'
  id: string
}

interface Head {
  /** ULID, made where the entry is made. */
  id: string
  subject: Subject
  /** ISO 8601, UTC. */
  at: string
  /** Id of the person. */
  by: string
  /** Id of the entry that this one puts right. */
  corrects?: string
  /** Id of the entry that this one takes back. */
  withdraws?: string
  /** Place in the subject's history, given by the server; missing while the entry waits to be sent. */
  sequence?: number
}
export type EntryOf<K extends Kind> = Head & { kind: K; payload: Payloads[K] }
export type Entry = { [K in Kind]: EntryOf<K> }[Kind]

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

import type { Kind, Payloads, Subject } from '../entries'

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
  /** When the server took it in, by its own clock; only where the device’s clock says another time. */
  filedAt?: string
  /** Place in the subject's history, given by the server; missing while the entry waits to be sent. */
  sequence?: number
}
export type EntryOf<K extends Kind> = Head & { kind: K; payload: Payloads[K] }
export type Entry = { [K in Kind]: EntryOf<K> }[Kind]

import { KINDS, type Kind } from '../entries'
import type { EntryKind } from '../entries'
import type { Format } from '../quantity'
import type { Entry } from './entry'

type Any = EntryKind<unknown, unknown>

/** A kind by its name; null where this version has none of that name, and for what every object has. */
export const kindOf = (kind: string): Any | null =>
  Object.hasOwn(KINDS, kind) ? (KINDS[kind as Kind] as unknown as Any) : null

/**
 * Whether this version of the program knows what an entry says. A tab may be older than the data: what it does not know it
 * keeps and shows as filed by a newer version, and reckons without.
 */
export function understood({ kind, payload }: Pick<Entry, 'kind' | 'payload'>): boolean {
  const known = kindOf(kind)
  return known !== null && (known.knows?.(payload) ?? true)
}

/** What this version is too old to read. */
export const NEWER = 'Filed by a newer version: reload the page to read it'

/** An entry in a line, as one would say it, in the units of whoever reads. */
export function tell(entry: Pick<Entry, 'kind' | 'payload'>, format: Format): string {
  return understood(entry)
    ? kindOf(entry.kind)!.tell(entry.payload, format)
    : `${NEWER} (${entry.kind})`
}

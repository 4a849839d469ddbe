import { entrySchemaOf, NewEntrySchema } from '../../../contract'
import { KINDS, type Entry, type Kind } from '../../../core/journal'
import { checker } from '../validate'

const byKind = new Map<string, (value: unknown) => unknown>()
let ofAnyKind: ((value: unknown) => unknown) | undefined

/**
 * A posted entry, refused field by field where it is not one. Each kind's check is compiled when the first of its kind comes: a
 * server that has just started answers at once, and does not compile all kinds for a note.
 */
export function checkNewEntry(value: unknown): Entry {
  const kind = (value as { kind?: unknown } | null)?.kind
  if (typeof kind !== 'string' || !Object.hasOwn(KINDS, kind))
    return (ofAnyKind ??= checker(NewEntrySchema))(value) as Entry
  let check = byKind.get(kind)
  if (!check) byKind.set(kind, (check = checker(entrySchemaOf(kind as Kind))))
  return check(value) as Entry
}

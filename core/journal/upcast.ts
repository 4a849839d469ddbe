import type { Entry } from './entry'

/** Kinds that have had another name. */
const RENAMED: Readonly<Record<string, string>> = { plan: 'circuitPlan' }

/**
 * An entry as this version has it: what an older tab still sends, or an older file still holds, is lifted as it is read. What
 * needs no lifting comes back as it is.
 */
export function upcast<E extends Pick<Entry, 'kind'>>(entry: E): E {
  const { kind } = entry
  return Object.hasOwn(RENAMED, kind) ? { ...entry, kind: RENAMED[kind] } : entry
}

import type { Entry } from './entry'

/** Ids of the files that an entry names: they must be there before it is. */
export function filesOf(entry: Pick<Entry, 'kind' | 'payload'>): string[] {
  if (entry.kind === 'photo') return [(entry as Extract<Entry, { kind: 'photo' }>).payload.file]
  if (entry.kind !== 'modelNote' && entry.kind !== 'asFound') return []
  const { photo } = entry.payload as { photo?: string }
  return photo === undefined ? [] : [photo]
}

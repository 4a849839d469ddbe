import type { Entry } from './entry'

/** An entry as it stands now, after corrections and withdrawals. */
export interface Standing {
  /** The entry that was first made. */
  origin: Entry
  /** The entry whose payload holds. */
  holds: Entry
  /** Every correction still standing, in order; more than one means rivals. */
  corrections: Entry[]
}

export interface Timeline {
  /** In the order in which they were first made. */
  standing: Standing[]
  /** Ids of entries taken back. */
  withdrawn: ReadonlySet<string>
}

/**
 * Sequence order; what is not yet sent comes last, in the order in which it was given. Ids say nothing of that order: a
 * clock may have been put back between two of them.
 */
function inOrder(entries: readonly Entry[]): Entry[] {
  const once = new Map<string, Entry>()
  for (const entry of entries) {
    const known = once.get(entry.id)
    // The server's copy knows its place; the browser's waiting copy does not.
    if (!known || known.sequence === undefined) once.set(entry.id, entry)
  }
  const place = (entry: Entry) => entry.sequence ?? Infinity
  return [...once.values()].sort((a, b) => (place(a) === place(b) ? 0 : place(a) - place(b)))
}

/**
 * What stands: a correction takes its entry's place and the later of rivals holds; a withdrawal takes an entry,
 * a correction or another withdrawal back. Nothing is ever erased, and only an earlier entry can be acted on.
 */
export function timeline(entries: readonly Entry[]): Timeline {
  const ordered = inOrder(entries)
  const index = new Map(ordered.map((entry, i) => [entry.id, i]))
  const withdrawn = new Set<string>()
  for (let i = ordered.length - 1; i >= 0; i--) {
    const { id, withdraws } = ordered[i]!
    if (withdraws === undefined || withdrawn.has(id)) continue
    const target = index.get(withdraws)
    if (target !== undefined && target < i) withdrawn.add(withdraws)
  }
  const standing = new Map<string, Standing>()
  const originOf = new Map<string, string>()
  ordered.forEach((entry, i) => {
    if (entry.kind === 'withdrawal') return
    const target = entry.corrects === undefined ? undefined : index.get(entry.corrects)
    if (entry.corrects === undefined) {
      originOf.set(entry.id, entry.id)
      if (!withdrawn.has(entry.id))
        standing.set(entry.id, { origin: entry, holds: entry, corrections: [] })
      return
    }
    if (target === undefined || target >= i) return
    const origin = originOf.get(entry.corrects)
    if (origin === undefined || ordered[index.get(origin)!]!.kind !== entry.kind) return
    originOf.set(entry.id, origin)
    const stands = standing.get(origin)
    if (stands && !withdrawn.has(entry.id)) {
      stands.holds = entry
      stands.corrections.push(entry)
    }
  })
  return { standing: [...standing.values()], withdrawn }
}

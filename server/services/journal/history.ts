import { relevantOf, relevantOnwards, type Entry, type Subject } from '../../../core/journal'
import type { Database } from '../../database/database'
import { onCommitted } from '../../live/news'
import { readEntries } from './entries'

/** Entries kept in memory, of all subjects together; the least lately asked for go first. */
const MOST_ENTRIES = 60_000

/** A history, and what bore its state when that was last asked for: the first so many of its entries. */
interface Kept {
  history: Entry[]
  bore: { entries: Entry[]; of: number } | null
}

class Histories {
  private readonly known = new Map<string, Kept>()
  private entries = 0

  of(key: string): Kept {
    return this.known.get(key) ?? { history: [], bore: null }
  }
  keep(key: string, kept: Kept): void {
    this.entries += kept.history.length - this.of(key).history.length
    this.known.delete(key)
    this.known.set(key, kept)
    for (const [oldest, { history }] of this.known) {
      if (this.entries <= MOST_ENTRIES || oldest === key) break
      this.known.delete(oldest)
      this.entries -= history.length
    }
  }
}

let ofDatabase = new WeakMap<Database, Histories>()
// After a restore nothing that was read before holds.
onCommitted((news) => {
  if (news === 'restored') ofDatabase = new WeakMap()
})

/**
 * All entries of a subject in sequence order. What was read once is kept, for nothing in a history ever changes: only
 * what has been added since is read.
 *
 * @param lastSequence the subject's, where it has just been read: then nothing more is asked where all is known
 */
export const historyOf = async (
  database: Database,
  subject: Subject,
  lastSequence?: number,
): Promise<Entry[]> => (await known(database, subject, lastSequence)).history

/** The entries that bear a subject's state, and how many it has in all. */
export async function bearingOf(
  database: Database,
  subject: Subject,
  lastSequence?: number,
): Promise<{ entries: Entry[]; of: number }> {
  const kept = await known(database, subject, lastSequence)
  const { history, bore } = kept
  if (bore?.of === history.length) return bore
  const entries = bore ? relevantOnwards(bore.entries, history, bore.of) : relevantOf(history)
  return (kept.bore = { entries, of: history.length })
}

async function known(database: Database, subject: Subject, lastSequence?: number): Promise<Kept> {
  let histories = ofDatabase.get(database)
  if (!histories) ofDatabase.set(database, (histories = new Histories()))
  const key = `${subject.type} ${subject.id}`
  let kept = histories.of(key)
  // A database that was put back to an earlier state knows less than was kept.
  if (lastSequence !== undefined && kept.history.length > lastSequence)
    kept = { history: [], bore: null }
  if (kept.history.length !== lastSequence) {
    const newer = await readEntries(database, subject, { after: kept.history.length })
    if (newer.length > 0) kept = { ...kept, history: [...kept.history, ...newer] }
  }
  histories.keep(key, kept)
  return kept
}

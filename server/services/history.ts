import type { Entry, Subject } from '../../core/journal'
import type { Database } from '../database/database'
import { readEntries } from './entries'

/** Entries kept in memory, of all subjects together; the least lately asked for go first. */
const MOST_ENTRIES = 60_000

class Histories {
  private readonly known = new Map<string, Entry[]>()
  private entries = 0

  of(key: string): Entry[] {
    return this.known.get(key) ?? []
  }
  keep(key: string, history: Entry[]): void {
    this.entries += history.length - this.of(key).length
    this.known.delete(key)
    this.known.set(key, history)
    for (const [oldest, { length }] of this.known) {
      if (this.entries <= MOST_ENTRIES || oldest === key) break
      this.known.delete(oldest)
      this.entries -= length
    }
  }
}

const ofDatabase = new WeakMap<Database, Histories>()

/**
 * All entries of a subject in sequence order. What was read once is kept, for nothing in a history ever changes: only
 * what has been added since is read.
 *
 * @param lastSequence the subject's, where it has just been read: then nothing more is asked where all is known
 */
export async function historyOf(
  database: Database,
  subject: Subject,
  lastSequence?: number,
): Promise<Entry[]> {
  let histories = ofDatabase.get(database)
  if (!histories) ofDatabase.set(database, (histories = new Histories()))
  const key = `${subject.type} ${subject.id}`
  let known = histories.of(key)
  // A database that was put back to an earlier state knows less than was kept.
  if (lastSequence !== undefined && known.length > lastSequence) known = []
  if (known.length !== lastSequence) {
    const newer = await readEntries(database, subject, { after: known.length })
    if (newer.length > 0) known = [...known, ...newer]
  }
  histories.keep(key, known)
  return known
}

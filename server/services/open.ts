import type { WithEntries } from '../../contract'
import { bearing, type Subject } from '../../core/journal'
import type { Database } from '../database/database'
import { historyOf } from './history'

/** A subject as it is opened: with all of its entries, or with those that bear its state. */
export async function opened<T extends { lastSequence: number }>(
  database: Database,
  of: Subject,
  subject: T,
  wanted: 'all' | 'state',
): Promise<WithEntries<T>> {
  const history = await historyOf(database, of, subject.lastSequence)
  const entries = wanted === 'state' ? bearing(history) : history
  return {
    subject: { ...subject, lastSequence: history.length },
    entries,
    partial: entries.length < history.length,
  }
}

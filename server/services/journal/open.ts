import type { WithEntries } from '../../../contract'
import type { Subject } from '../../../core/journal'
import type { Database } from '../../database/database'
import { bearingOf, historyOf } from './history'

/** A subject as it is opened: with all of its entries, or with those that bear its state. */
export async function opened<T extends { lastSequence: number }>(
  database: Database,
  of: Subject,
  subject: T,
  wanted: 'all' | 'state',
): Promise<WithEntries<T>> {
  const { entries, of: all } =
    wanted === 'state'
      ? await bearingOf(database, of, subject.lastSequence)
      : await historyOf(database, of, subject.lastSequence).then((entries) => ({
          entries,
          of: entries.length,
        }))
  return {
    subject: { ...subject, lastSequence: all },
    entries,
    partial: entries.length < all,
  }
}

import type { Transaction } from 'sequelize'
import { fold, type Entry, type Subject } from '../../../core/journal'
import { CLOSING_WORDS, closingOwes } from '../../../core/proof'
import type { Database } from '../../database/database'
import { readEntries } from './entries'
import { Refusal } from '../refusal'

/** A closing without a word, or a correction that takes its word away. */
const isBare = (entry: Entry): boolean =>
  entry.kind === 'closed' && (entry.payload.reason ?? '').trim() === ''

/** What has been filed of a job, where one of these entries closes it without a word: else nobody asks. */
export async function filedBeforeClosing(
  database: Database,
  subject: Subject,
  entries: readonly Entry[],
  transaction: Transaction,
): Promise<Entry[]> {
  return subject.type === 'job' && entries.some(isBare)
    ? readEntries(database, subject, {}, transaction)
    : []
}

/** A job that is not proven, or not put back together, is closed with a reason, whoever closes it. */
export function closingProblem(entry: Entry, filed: readonly Entry[]): Refusal | null {
  if (!isBare(entry)) return null
  const owes = closingOwes(fold(filed))
  return owes === null
    ? null
    : new Refusal('not-proven', CLOSING_WORDS[owes], [
        { path: '/payload/reason', message: 'must say why it is closed before it is proven' },
      ])
}

import { validateEntry } from '#build/entry-validator.mjs'
import { brokenTexts, checkEntry, fieldProblems, type FieldProblem } from '~~/contract'
import type { Entry } from '~~/core/journal'

/**
 * What is wrong with an entry before it is filed; nothing where it may be. Apart from the store, for the first page files
 * nothing and carries none of the tables; opening a job or a vehicle fetches it, so that it is there when the server is not.
 */
export function problemsOf(entry: Entry): FieldProblem[] {
  if (!validateEntry(entry)) return fieldProblems(validateEntry.errors)
  const broken = brokenTexts(entry.payload, '/payload')
  return broken.length > 0 ? broken : checkEntry(entry)
}

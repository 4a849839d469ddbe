import { QueryTypes } from 'sequelize'
import type { Found, FoundSubject, SearchQueryValues } from '../../../contract'
import { linesWith, plateWords, termsOf, wordsIn, writtenIn } from '../../../core/search'
import type { Database } from '../../database/database'
import { historyOf } from '../journal/history'
import { isIndexed, whereOf, type Condition } from './paging'
import { listParts } from '../shelf/parts'
import { namesOfPeople } from '../shop/people'
import { wordsCaughtUp } from '../journal/words-kept'

/** Lines that are shown of each. */
const MOST_LINES = 3
const MOST_PARTS = 6

interface Row {
  id: string
  subject: 'job' | 'vehicle'
  vehicleId: string
  vehicleName: string
  plate: string | null
  model: string | null
  title: string | null
  changedAt: Date
  lastSequence: number
}

/** Each term begins one of the words: by the index, or, where it is too short for it, as it stands. */
export function wordConditions(terms: readonly string[]): Condition[] {
  const indexed = terms.filter(isIndexed)
  return [
    ...(indexed.length > 0
      ? [
          {
            sql: 'MATCH (s.words) AGAINST (? IN BOOLEAN MODE)',
            values: [indexed.map((term) => `+${term}*`).join(' ')],
          },
        ]
      : []),
    ...terms
      .filter((term) => !isIndexed(term))
      .map((term) => ({ sql: 's.words LIKE ?', values: [`% ${term}%`] })),
  ]
}

/** The one SELECT of a search, with what fills its places. */
export function searchStatement(
  terms: readonly string[],
  limit: number,
): { sql: string; replacements: unknown[] } {
  const where = wordConditions(terms)
  return {
    // The page first: names are joined to its rows alone.
    sql: `SELECT page.id, page.subject, page.changedAt, v.id AS vehicleId, v.name AS vehicleName, v.plate, v.model, j.title,
        COALESCE(j.lastSequence, v.lastSequence) AS lastSequence
       FROM (SELECT s.id, s.subject, s.changedAt FROM search_words s ${whereOf(where)}
              ORDER BY s.changedAt DESC, s.id DESC LIMIT ?) page
       LEFT JOIN jobs j ON page.subject = 'job' AND j.id = page.id
       JOIN vehicles v ON v.id = COALESCE(j.vehicleId, page.id)
      ORDER BY page.changedAt DESC, page.id DESC`,
    replacements: [...where.flatMap(({ values }) => values), limit + 1],
  }
}

/** Everything that was written, by words that begin as asked: jobs and vehicles in which all of them stand, and parts. */
export async function searchEverything(
  database: Database,
  { search, limit = 20 }: SearchQueryValues,
): Promise<Found> {
  const terms = termsOf(search)
  if (terms.length === 0) return { subjects: [], more: false, parts: [] }
  // What was filed a moment ago is found.
  await wordsCaughtUp(database)
  const { sql, replacements } = searchStatement(terms, limit)
  const [rows, parts] = await Promise.all([
    database.sequelize.query<Row>(sql, { replacements, type: QueryTypes.SELECT }),
    listParts(database, { search, limit: MOST_PARTS }),
  ])
  const names = rows.length > 0 ? await namesOfPeople(database) : new Map<string, string>()
  const subjects: FoundSubject[] = []
  for (const row of rows.slice(0, limit)) {
    const history = await historyOf(database, { type: row.subject, id: row.id }, row.lastSequence)
    const { id, subject, vehicleId, vehicleName, plate, title } = row
    // What the names say already tells no line from another, unless they say all of it.
    const named = [
      ...wordsIn([vehicleName, row.model ?? '', title ?? ''].join(' ')),
      ...plateWords(plate),
    ]
    const left = terms.filter((term) => !named.some((word) => word.startsWith(term)))
    const lines = linesWith(writtenIn(history), left.length > 0 ? left : terms, MOST_LINES)
    subjects.push({
      subject,
      id,
      vehicleId,
      vehicleName,
      plate,
      title,
      at: row.changedAt.toISOString(),
      lines: lines.map((line) => ({ ...line, name: names.get(line.by) ?? '' })),
    })
  }
  return {
    subjects,
    more: rows.length > limit,
    parts: parts.items.map(({ id, name, number }) => ({ id, words: name, number })),
  }
}

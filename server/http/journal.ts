import { EntriesQuery, IdPath } from '../../contract'
import { upcast, type Entry, type Subject } from '../../core/journal'
import { appendEntry } from '../services/journal/append-queue'
import { checkNewEntry } from '../services/journal/check-new-entry'
import { listEntries } from '../services/journal/entries'
import { checker } from '../services/validate'
import { route } from './route'

const checkPath = checker(IdPath)
const checkQuery = checker(EntriesQuery, 'query')

/** What an older tab sends, as this version has it; what is no entry at all is left to the check. */
const lifted = (body: unknown): unknown =>
  typeof body === 'object' && body !== null && 'kind' in body && typeof body.kind === 'string'
    ? upcast(body as Entry)
    : body

/** The two routes of a subject's journal. */
export const entriesOf = (type: Subject['type']) =>
  route(({ database, params, query }) =>
    listEntries(database, { type, id: checkPath(params).id }, checkQuery(query)),
  )

export const appendTo = (type: Subject['type']) =>
  route(async ({ database, params, body, created }) => {
    const { id } = checkPath(params)
    const done = await appendEntry(database, { type, id }, checkNewEntry(lifted(await body())))
    created(done.created)
    return done.entry
  })

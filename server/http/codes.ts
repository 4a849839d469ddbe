/**
 * Every problem that the API answers with, by its frozen code: its status, and when it comes. `docs/formats.md` is printed from it
 * (problem-codes.test.ts).
 */
export const CODES = {
  'no-json': { status: 400, words: 'The body is no JSON.' },
  'cut-off': { status: 400, words: 'The body ended before it was whole.' },
  'foreign-site': {
    status: 403,
    words: 'Asked from another site, or under a name that this server does not go by.',
  },
  'not-found': { status: 404, words: 'There is nothing at this address, or no such thing.' },
  'not-allowed': { status: 405, words: 'There is something at this address, but not for this method.' },
  'too-slow': { status: 408, words: 'The body did not come within its time.' },
  taken: { status: 409, words: 'Something else has this id or name.' },
  'name-taken': { status: 409, words: 'Somebody, or some vehicle, goes by this name already.' },
  namesakes: {
    status: 409,
    words:
      'People or vehicles of the file are here under other ids: `namesakes` asks which are the same.',
  },
  merged: { status: 409, words: 'This person is merged into another: part them first.' },
  'not-merged': { status: 409, words: 'These two are not merged: there is nothing to part.' },
  'entry-differs': {
    status: 409,
    words: 'An entry with this id and other content is filed already.',
  },
  draft: { status: 409, words: 'The order is still a draft: place it first.' },
  placed: { status: 409, words: 'The order went out already: cancel what is not wanted.' },
  'no-plan': {
    status: 409,
    words: 'No plan of the work was chosen for this job, or none can be made.',
  },
  'too-large': {
    status: 413,
    words: 'The body, a row or a picture is over its bound, which the text names.',
  },
  'not-json': { status: 415, words: 'The body is not sent as `application/json`.' },
  'no-photograph': { status: 415, words: 'The file is no picture that can be read.' },
  invalid: { status: 422, words: 'Fields are wrong: `errors` names each with its path and its bound.' },
  newer: { status: 422, words: 'The file is of a newer version than this server.' },
  'no-installation': {
    status: 422,
    also: 409,
    words: 'A vehicle needs its installation; 409 where it has none that stands.',
  },
  'no-vehicle': { status: 422, words: 'The job names a vehicle that is not here.' },
  'no-goal': { status: 422, words: 'A job needs its goal.' },
  'no-job': { status: 422, words: 'A line names a job that is not here.' },
  'wrong-subject': { status: 422, words: 'The entry names another subject than its address.' },
  'no-target': { status: 422, words: 'The entry that this one acts on is not in this history.' },
  'other-kind': { status: 422, words: 'An entry is put right by one of its own kind.' },
  'no-file': { status: 422, words: 'The photograph of this entry has not come here.' },
  'no-container': { status: 422, words: 'The container of this entry is not on the shelf here.' },
  'by-order': {
    status: 422,
    words: 'What happens to an order is told to the order, not filed as an entry.',
  },
  'too-much': { status: 422, words: 'More than is there, or than was ordered.' },
  'not-proven': { status: 422, words: 'The job cannot be closed yet: the text says what it owes.' },
  nobody: { status: 422, words: 'Nobody with this id works here: pick a name at the bench.' },
  failed: { status: 500, words: 'The server failed on this request. Nothing was stored.' },
  busy: { status: 503, words: 'Something else holds this just now: it is worth asking again.' },
  'database-full': {
    status: 503,
    words: 'The server cannot write: its disk is full, or its database is locked.',
  },
  'database-away': { status: 503, words: 'The database does not answer.' },
} as const satisfies Record<string, { status: number; also?: number; words: string }>

export type ProblemCode = keyof typeof CODES
/** Problem details of a code. @param status another than its usual one */
export const problemBody = <More extends object>(
  code: ProblemCode,
  detail: string,
  more?: More,
  status: number = CODES[code].status,
) => ({
  type: `urn:mellow-anchor:${code}`,
  title: code.replaceAll('-', ' '),
  status,
  detail,
  ...more,
})

import type { Problem } from '~~/contract'
import { heardTime } from '~/sync/clock'
import { keptAnswers, shownAsOf } from '~/sync/kept'
import { heardOfShop } from '~/sync/put-back'

/** The server did not take it: why, and whether trying again later can help. */
export class ApiError extends Error {
  override readonly name = 'ApiError'
  constructor(
    readonly problem: Problem,
    /** HTTP status; 0 where there was no answer of the server's own. */
    readonly status: number,
  ) {
    super(problem.detail)
  }
}

const AWAY: Problem = {
  type: 'urn:mellow-anchor:server-away',
  title: 'server away',
  status: 0,
  detail: 'The server does not answer.',
}
const FOREIGN: Problem = {
  ...AWAY,
  type: 'urn:mellow-anchor:foreign-answer',
  title: 'foreign answer',
  detail: 'Something other than the server answers: look at the network, then try again.',
}
const ANSWER_WITHIN = 12_000
type Verb = 'GET' | 'POST' | 'PUT' | 'DELETE'

/** Questions whose answers are of no use later: what came after a sequence, looks ahead, whether the server lives. */
const MOMENTARY = /[?&]after=|\/look$|^\/health|^\/supplier|\/note$/

/**
 * One call of the API: JSON there and back, errors as ApiError. A question that the server does not answer is answered by what
 * it said last, where this browser knows that; `shownAsOf` then says of when it is.
 */
export async function api<T>(
  path: string,
  body?: unknown,
  method: Verb = body === undefined ? 'GET' : 'POST',
): Promise<T> {
  const keeps = method === 'GET' && !MOMENTARY.test(path)
  try {
    const answer = await call<T>(path, body, method)
    shownAsOf.value = null
    if (keeps) keptAnswers.keep(path, answer)
    return answer
  } catch (error) {
    const away = error instanceof ApiError && error.status === 0
    if (away && keeps) {
      const known = await keptAnswers.answer(path)
      if (known) {
        shownAsOf.value = Math.min(shownAsOf.value ?? Infinity, known.at)
        return known.answer as T
      }
    }
    throw error
  }
}

async function call<T>(path: string, body: unknown, method: Verb): Promise<T> {
  let response: Response
  let text: string
  const asked = Date.now()
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
      signal: AbortSignal.timeout(ANSWER_WITHIN),
    })
    heardTime(response.headers.get('date'), asked, Date.now())
    heardOfShop(response.headers.get('mellow-restored-at'))
    text = await response.text()
  } catch {
    throw new ApiError(AWAY, 0)
  }
  const read = jsonIn(text)
  if (!response.ok) {
    const detail = `The server answered ${response.status}.`
    const problem = (read as Problem | null)?.detail ? (read as Problem) : { ...AWAY, detail }
    throw new ApiError({ ...problem, status: response.status }, response.status)
  }
  if (read === undefined) throw new ApiError(FOREIGN, 0)
  return read as T
}

function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text) as unknown
  } catch {
    return undefined
  }
}

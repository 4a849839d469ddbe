import type { Problem } from '~~/contract'

/** The server did not take it: why, and whether trying again later can help. */
export class ApiError extends Error {
  override readonly name = 'ApiError'
  constructor(
    readonly problem: Problem,
    /** No answer, or an answer that says the database is away. */
    readonly away: boolean,
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
const ANSWER_WITHIN = 12_000

/** One call of the API: JSON there and back, errors as ApiError. */
export async function api<T>(
  path: string,
  body?: unknown,
  method: 'GET' | 'POST' | 'PUT' = body === undefined ? 'GET' : 'POST',
): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: body === undefined ? {} : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
      signal: AbortSignal.timeout(ANSWER_WITHIN),
    })
  } catch {
    throw new ApiError(AWAY, true)
  }
  const text = await response.text()
  if (response.ok) return JSON.parse(text) as T
  throw new ApiError(problemFrom(response.status, text), response.status >= 500)
}

function problemFrom(status: number, text: string): Problem {
  try {
    return JSON.parse(text) as Problem
  } catch {
    return { ...AWAY, status, detail: `The server answered ${status}.` }
  }
}

import {
  defineEventHandler,
  getQuery,
  getRouterParams,
  setResponseHeader,
  setResponseStatus,
  type H3Event,
} from 'h3'
import pino from 'pino'
import { currentDatabase } from '../database/current'
import type { Database } from '../database/database'
import { restoredAt } from '../live/keeping'
import { counted } from '../services/lists/crowd'
import { readJson } from './body'
import { problemOf } from './problem'

const log = pino(
  {
    name: 'mellow-anchor',
    level: process.env.MELLOW_LOG ?? 'info',
    serializers: { err: loggedError },
  },
  pino.destination(2),
)

/** An error as it is logged: where it came from and what the database said, and nothing of what people have entered. */
function loggedError(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error }
  const { name, message, stack = '', cause } = error
  const { code, errno } = ((error as { original?: object }).original ?? error) as Record<
    string,
    unknown
  >
  return {
    type: name,
    message: message.split('\n')[0]!.slice(0, 300),
    ...(code !== undefined && { code }),
    ...(errno !== undefined && { errno }),
    stack: stack.slice(stack.indexOf('\n    at ') + 1),
    ...(cause !== undefined && { cause: loggedError(cause) }),
  }
}

/** What a route gets to work with. */
export interface Request {
  database: Database
  event: H3Event
  query: unknown
  params: unknown
  body: () => Promise<unknown>
  /** Answer 201 instead of 200. */
  created: (yes: boolean) => void
  status: (code: number) => void
}

/**
 * A thin route: its work, and every error as problem details.
 * @param lasts where its answer goes on and on: nobody waits for its end
 */
export function route(work: (request: Request) => Promise<unknown>, lasts?: 'lasts') {
  return defineEventHandler(async (event) => {
    setResponseHeader(event, 'cache-control', 'no-store')
    setResponseHeader(event, 'cross-origin-resource-policy', 'same-origin')
    // A page that was open before sees by it that all it has shown is of another shop.
    const shop = restoredAt()
    if (shop) setResponseHeader(event, 'mellow-restored-at', shop)
    try {
      const answer = () =>
        work({
          database: currentDatabase(),
          event,
          query: getQuery(event),
          params: getRouterParams(event),
          body: () => readJson(event),
          created: (yes) => setResponseStatus(event, yes ? 201 : 200),
          status: (code) => setResponseStatus(event, code),
        })
      return await (lasts ? answer() : counted(answer))
    } catch (error) {
      const problem = problemOf(error)
      if (problem.status >= 500) log.error({ err: error, path: event.path }, problem.title)
      setResponseStatus(event, problem.status)
      setResponseHeader(event, 'content-type', 'application/problem+json')
      return JSON.stringify(problem)
    }
  })
}

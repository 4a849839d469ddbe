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
import { readJson } from './body'
import { problemOf } from './problem'

const log = pino(
  {
    name: 'mellow-anchor',
    level: process.env.MELLOW_LOG ?? 'info',
    // An error as it is logged has its stack and what caused it.
    serializers: { err: pino.stdSerializers.errWithCause },
  },
  pino.destination(2),
)

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

/** A thin route: its work, and every error as problem details. */
export function route(work: (request: Request) => Promise<unknown>) {
  return defineEventHandler(async (event) => {
    setResponseHeader(event, 'cache-control', 'no-store')
    setResponseHeader(event, 'cross-origin-resource-policy', 'same-origin')
    try {
      return await work({
        database: currentDatabase(),
        event,
        query: getQuery(event),
        params: getRouterParams(event),
        body: () => readJson(event),
        created: (yes) => setResponseStatus(event, yes ? 201 : 200),
        status: (code) => setResponseStatus(event, code),
      })
    } catch (error) {
      const problem = problemOf(error)
      if (problem.status >= 500) log.error({ err: error, path: event.path }, problem.title)
      setResponseStatus(event, problem.status)
      setResponseHeader(event, 'content-type', 'application/problem+json')
      return JSON.stringify(problem)
    }
  })
}

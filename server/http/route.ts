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
import { problemOf } from './problem'
import { Refusal } from '../services/refusal'

const log = pino(
  { name: 'mellow-anchor', level: process.env.MELLOW_LOG ?? 'info' },
  pino.destination(2),
)

/** What a route gets to work with. */
export interface Request {
  database: Database
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
    try {
      return await work({
        database: currentDatabase(),
        query: getQuery(event),
        params: getRouterParams(event),
        body: () => readJson(event),
        created: (yes) => setResponseStatus(event, yes ? 201 : 200),
        status: (code) => setResponseStatus(event, code),
      })
    } catch (error) {
      const problem = problemOf(error)
      if (problem.status >= 500) log.error({ error, path: event.path }, problem.title)
      setResponseStatus(event, problem.status)
      setResponseHeader(event, 'content-type', 'application/problem+json')
      return JSON.stringify(problem)
    }
  })
}

/** A job's first entries fit many times over. */
const MOST_BYTES = 256 * 1024

/** The body as JSON, bounded while it is read so that a body of unstated length is bounded too. */
async function readJson(event: H3Event): Promise<unknown> {
  const { req } = event.node
  if (!/^application\/json\b/.test(req.headers['content-type'] ?? ''))
    throw new Refusal(415, 'not-json', 'Send application/json')
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > MOST_BYTES) {
      setResponseHeader(event, 'connection', 'close')
      throw new Refusal(413, 'too-large', `A body holds at most ${MOST_BYTES / 1024} KiB`)
    }
    chunks.push(chunk)
  }
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8'))
  } catch {
    throw new Refusal(400, 'no-json', 'The body is not readable as JSON')
  }
}

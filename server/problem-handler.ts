import { send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import { problemBody } from './http/codes'

/** What no route took: problem details under /api, a plain line elsewhere. */
export default function problemHandler(error: H3Error, event: H3Event) {
  const status = error.statusCode || 500
  setResponseStatus(event, status)
  const api = event.path.startsWith('/api')
  const detail =
    status === 404 ? 'There is nothing at this address' : 'The server failed on this request'
  setResponseHeader(
    event,
    'content-type',
    api ? 'application/problem+json' : 'text/plain; charset=utf-8',
  )
  const body = problemBody(status === 404 ? 'not-found' : 'failed', detail, {}, status)
  return send(event, api ? JSON.stringify(body) : detail)
}

import type { Server } from 'node:http'
import type { H3Event } from 'h3'

/** ms within which a request's headers, and the whole of it, must have come. */
const HEADERS_WITHIN = 10_000
const REQUEST_WITHIN = 30_000
/**
 * ms that a connection stays open for the next request. Node's own 5 s are fewer than the longest work that ever held the
 * thread up: then connections were ended with a request in them that had not been read yet.
 */
const KEPT_OPEN = 65_000
/** ms between looks for connections that have become idle while the server ends. */
const LOOK = 50

let server: Server | undefined

/** The server that listens is known from the first request on; connections that send slower than any tablet are ended. */
export function bound(event: H3Event): void {
  if (server) return
  server = (event.node.req.socket as unknown as { server?: Server }).server
  if (!server) return
  server.headersTimeout = HEADERS_WITHIN
  server.requestTimeout = REQUEST_WITHIN
  server.keepAliveTimeout = KEPT_OPEN
}

/** Takes no more requests and lets those that are there be answered. @param within ms after which they are cut off */
export async function stopListening(within: number): Promise<void> {
  const own = server
  if (!own) return
  const closed = new Promise<void>((resolve) => own.close(() => resolve()))
  const look = setInterval(() => own.closeIdleConnections(), LOOK)
  const late = setTimeout(() => own.closeAllConnections(), within)
  await closed
  clearInterval(look)
  clearTimeout(late)
}

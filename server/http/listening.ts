import type { IncomingMessage, Server, ServerResponse } from 'node:http'
import type { Socket } from 'node:net'
import type { H3Event } from 'h3'

/** ms within which a request's headers, and the whole of it, must have come. */
const HEADERS_WITHIN = 10_000
const REQUEST_WITHIN = 30_000
/**
 * ms that a connection stays open for the next request. Node's own 5 s are fewer than the longest work that ever held the
 * thread up: then connections were ended with a request in them that had not been read yet.
 */
const KEPT_OPEN = 65_000

let server: Server | undefined
let ending = false
/** Connections with how many requests on each are being answered. */
const connections = new Map<Socket, number>()

/** The server that listens is known from the first request on; connections that send slower than any tablet are ended. */
export function bound({ node: { req, res } }: H3Event): void {
  if (server) return
  server = (req.socket as unknown as { server?: Server }).server
  if (!server) return
  server.headersTimeout = HEADERS_WITHIN
  server.requestTimeout = REQUEST_WITHIN
  server.keepAliveTimeout = KEPT_OPEN
  // Over https a connection is the secured one: what carries it is not what requests come by.
  server.on('setSecureContext' in server ? 'secureConnection' : 'connection', follow)
  server.on('request', answering)
  follow(req.socket)
  answering(req, res)
}

function follow(socket: Socket): void {
  connections.set(socket, 0)
  socket.once('close', () => connections.delete(socket))
}
function answering({ socket }: IncomingMessage, response: ServerResponse): void {
  const count = (by: number) => {
    const left = (connections.get(socket) ?? 0) + by
    if (connections.has(socket)) connections.set(socket, left)
    if (ending && left === 0) socket.destroy()
  }
  count(1)
  response.once('close', () => count(-1))
}

/**
 * Takes no more requests and lets those that are there be answered; connections on which nothing is asked, those of browsers
 * that only keep one ready among them, are ended at once.
 * @param within ms after which the rest is cut off
 */
export async function stopListening(within: number): Promise<void> {
  const own = server
  if (!own) return
  ending = true
  const closed = new Promise<void>((resolve) => own.close(() => resolve()))
  for (const [socket, asked] of connections) if (asked === 0) socket.destroy()
  const late = setTimeout(() => own.closeAllConnections(), within)
  await closed
  clearTimeout(late)
}

import { problemBody } from '../http/codes'
import {
  defineEventHandler,
  getRequestHeader,
  send,
  setResponseHeader,
  setResponseStatus,
  type H3Event,
} from 'h3'

/**
 * There is no sign-in yet, so a page elsewhere must not be able to speak for the person at this browser: a foreign origin is
 * refused, what the browser itself says comes from another site too, and so is a host name that is not this server's (DNS
 * rebinding).
 */
export default defineEventHandler((event) => {
  if (!event.path.startsWith('/api')) return
  const host = getRequestHeader(event, 'host') ?? ''
  const origin = getRequestHeader(event, 'origin')
  const ours =
    isOurs(host, event) && (origin === undefined || hostOf(origin) === host) && fromHere(event)
  if (ours) return
  setResponseStatus(event, 403)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  setResponseHeader(event, 'cross-origin-resource-policy', 'same-origin')
  return send(
    event,
    JSON.stringify(
      problemBody(
        'foreign-site',
        'Asked from another site or under another name; set MELLOW_NAMES to the names this server goes by',
      ),
    ),
  )
})

const names = new Set([
  'localhost',
  '127.0.0.1',
  '[::1]',
  ...(process.env.MELLOW_NAMES ?? '').split(',').map((name) => name.trim().toLowerCase()),
])
names.delete('')

/** A name that we go by, or the very address at which we were reached: no foreign name leads there. */
function isOurs(host: string, event: H3Event): boolean {
  const name = host.replace(/:\d+$/, '').toLowerCase()
  const at = event.node.req.socket.localAddress?.replace(/^::ffff:/, '') ?? ''
  return names.has(name) || (at !== '' && (name === at || name === `[${at}]`))
}

/** What the browser says of where the call comes from; other programs say nothing. */
function fromHere(event: H3Event): boolean {
  const site = getRequestHeader(event, 'sec-fetch-site')
  return site === undefined || site === 'same-origin' || (site === 'none' && event.method === 'GET')
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host
  } catch {
    return null
  }
}

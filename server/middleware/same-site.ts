import { defineEventHandler, getRequestHeader, send, setResponseHeader, setResponseStatus } from 'h3'

/**
 * There is no sign-in yet, so a page elsewhere must not be able to speak for the person at this browser:
 * a foreign origin is refused, and so is a host name that is not this server's (DNS rebinding).
 */
export default defineEventHandler((event) => {
  if (!event.path.startsWith('/api')) return
  const host = getRequestHeader(event, 'host') ?? ''
  const origin = getRequestHeader(event, 'origin')
  const ours = isOurs(host) && (origin === undefined || hostOf(origin) === host)
  if (ours) return
  setResponseStatus(event, 403)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return send(
    event,
    JSON.stringify({
      type: 'urn:mellow-anchor:foreign-site',
      title: 'foreign site',
      status: 403,
      detail:
        'Asked from another site or under another name; set MELLOW_NAMES to the names this server goes by',
    }),
  )
})

const names = new Set([
  'localhost',
  '127.0.0.1',
  '[::1]',
  ...(process.env.MELLOW_NAMES ?? '').split(','),
])
const isOurs = (host: string) => names.has(host.replace(/:\d+$/, ''))

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host
  } catch {
    return null
  }
}

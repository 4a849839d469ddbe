import type { Server } from 'node:http'

/** ms within which a request's headers, and the whole of it, must have come. */
const HEADERS_WITHIN = 10_000
const REQUEST_WITHIN = 30_000
const LOOPBACK = /^(localhost|127\.\d+\.\d+\.\d+|::1)$/

/**
 * There is no sign-in: a server that others can reach says what that opens, and starts only where that is wanted. And
 * connections that send slower than any tablet does are ended.
 */
export default defineNitroPlugin((nitro) => {
  const host = process.env.NITRO_HOST ?? process.env.HOST ?? ''
  if (!LOOPBACK.test(host) && process.env.MELLOW_OPEN !== 'yes') {
    process.stderr.write(
      `Not started: ${host || 'no NITRO_HOST'} lets the whole network in, and there is no sign-in yet. ` +
        'Set MELLOW_OPEN=yes where that is wanted.\n',
    )
    process.exit(78)
  }
  let bounded = false
  nitro.hooks.hook('request', (event) => {
    if (bounded) return
    bounded = true
    const { server } = event.node.req.socket as unknown as { server?: Server }
    if (!server) return
    server.headersTimeout = HEADERS_WITHIN
    server.requestTimeout = REQUEST_WITHIN
  })
})

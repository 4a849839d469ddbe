import { defineNitroPlugin } from 'nitropack/runtime'
import { bound } from '../http/listening'

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
  nitro.hooks.hook('request', bound)
})

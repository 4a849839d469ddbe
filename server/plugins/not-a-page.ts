import { defineNitroPlugin } from 'nitropack/runtime'
import { setResponseHeader } from 'h3'

/** What only looks like the API is not answered with the page: to a program, 200 would say that it is done. */
const API = /^\/+api(?:[/?#]|$)/i
const READS = ['GET', 'HEAD']

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:before', (context) => {
    const { event } = context
    const [isApi, reads] = [API.test(event.path), READS.includes(event.method)]
    if (!isApi && reads) return
    if (!isApi) setResponseHeader(event, 'allow', READS.join(', '))
    const [statusCode, code] = isApi ? ([404, 'not-found'] as const) : ([405, 'not-allowed'] as const)
    context.response = {
      statusCode,
      statusMessage: isApi ? 'Not Found' : 'Method Not Allowed',
      headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store' },
      body: JSON.stringify({
        type: `urn:mellow-anchor:${code}`,
        title: code.replace('-', ' '),
        status: statusCode,
        detail: `There is nothing at this address for ${event.method}`,
      }),
    }
  })
})

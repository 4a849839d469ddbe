import { defineNitroPlugin } from 'nitropack/runtime'
import { setResponseHeader } from 'h3'
import { problemBody } from '../http/codes'

/** What only looks like the API is not answered with the page: to a program, 200 would say that it is done. */
const API = /^\/+api(?:[/?#]|$)/i
const READS = ['GET', 'HEAD']

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:before', (context) => {
    const { event } = context
    const [isApi, reads] = [API.test(event.path), READS.includes(event.method)]
    if (!isApi && reads) return
    if (!isApi) setResponseHeader(event, 'allow', READS.join(', '))
    const problem = problemBody(
      isApi ? 'not-found' : 'not-allowed',
      `There is nothing at this address for ${event.method}`,
    )
    context.response = {
      statusCode: problem.status,
      statusMessage: isApi ? 'Not Found' : 'Method Not Allowed',
      headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store' },
      body: JSON.stringify(problem),
    }
  })
})

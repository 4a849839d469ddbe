import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { setTimeout as wait } from 'node:timers/promises'
import { BadRequest, Supplier, type Control } from './supplier'

/** Bytes of a request. */
const MOST = 256 * 1024

/** A stand-in for a supplier's ordering service, with its faults at `PUT /control`; only for loopback. */
export function supplierServer(supplier = new Supplier()): Server {
  return createServer((request, response) => {
    void answer(supplier, request, response).catch((error: Error) =>
      send(response, error instanceof BadRequest ? 400 : 500, { error: error.message }),
    )
  })
}

function send(response: ServerResponse, status: number, body: unknown): void {
  if (response.destroyed || response.headersSent) return
  response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body))
}

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  let text = ''
  for await (const chunk of request as AsyncIterable<Buffer>) {
    text += chunk.toString('utf8')
    if (text.length > MOST) throw new BadRequest('too large')
  }
  try {
    return JSON.parse(text)
  } catch {
    throw new BadRequest('no JSON')
  }
}

async function answer(
  supplier: Supplier,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  const url = new URL(request.url ?? '/', 'http://supplier')
  const asked = `${request.method} ${url.pathname.split('/')[1] ?? ''}`
  const rest = decodeURIComponent(url.pathname.split('/').slice(2).join('/'))
  if (asked === 'PUT control') {
    const { reset, ...control } = (await bodyOf(request)) as Partial<Control> & { reset?: boolean }
    if (reset) supplier.reset()
    Object.assign(supplier.control, control)
    return send(response, 200, supplier.control)
  }
  if (asked === 'GET control')
    return send(response, 200, {
      ...supplier.control,
      orders: supplier.count,
      repeats: supplier.repeats,
    })
  const { down, latencyMs } = supplier.control
  if (down) return void request.socket.destroy()
  const body = request.method === 'POST' ? await bodyOf(request) : null
  const fails = supplier.fails()
  // An order is taken before it is answered: whoever gave up waiting has ordered all the same.
  const done = fails ? null : work(supplier, asked, rest, url, body)
  if (latencyMs > 0) await wait(latencyMs)
  if (!done) return send(response, 500, { error: 'out of order' })
  send(response, done.status, done.body)
}

function work(supplier: Supplier, asked: string, rest: string, url: URL, body: unknown) {
  switch (asked) {
    case 'GET catalogue':
      return { status: 200, body: { items: supplier.catalogue(url.searchParams.get('q') ?? '') } }
    case 'GET stock':
      return { status: 200, body: { number: rest, stock: supplier.stockTold(rest) } }
    case 'POST orders': {
      const { id, lines } = body as { id?: unknown; lines?: unknown }
      if (typeof id !== 'string' || !Array.isArray(lines)) throw new BadRequest('id and lines')
      return {
        status: 200,
        body: supplier.order(id, lines as { number: string; quantity: number }[]),
      }
    }
    case 'GET orders': {
      const order = supplier.find(rest)
      return order ? { status: 200, body: order } : { status: 404, body: { error: 'no such order' } }
    }
    default:
      return { status: 404, body: { error: 'not found' } }
  }
}

import { createServer } from 'node:http'
import { connect, type AddressInfo } from 'node:net'
import { once } from 'node:events'
import type { H3Event } from 'h3'
import { expect, it, vi } from 'vitest'

/** A server whose answers wait until they are let go, as the application's own is bound. */
async function listening() {
  vi.resetModules()
  const { bound, stopListening } = await import('./listening')
  const held: (() => void)[] = []
  const server = createServer((req, res) => {
    bound({ node: { req, res } } as unknown as H3Event)
    if (req.url === '/') res.end('ok')
    else held.push(() => res.end('late'))
  })
  server.listen(0, '127.0.0.1')
  await once(server, 'listening')
  const { port } = server.address() as AddressInfo
  const address = `http://127.0.0.1:${port}`
  expect(await (await fetch(`${address}/`)).text()).toBe('ok')
  return { server, address, port, held, stopListening }
}

it('keeps a connection for longer than any work has held the thread up', async () => {
  const { server, stopListening } = await listening()
  expect(server.keepAliveTimeout).toBe(65_000)
  await stopListening(1000)
})

it('ends with what is being answered, and does not wait for a connection on which nothing was asked', async () => {
  const { address, port, held, stopListening } = await listening()
  const ready = connect(port, '127.0.0.1')
  await once(ready, 'connect')
  const answer = fetch(`${address}/slow`)
  await vi.waitFor(() => expect(held).toHaveLength(1))
  const ended = vi.fn()
  const ending = stopListening(60_000).then(ended)
  await once(ready, 'close')
  await expect(fetch(`${address}/`)).rejects.toThrow()
  expect(ended).not.toHaveBeenCalled()
  held[0]!()
  expect(await (await answer).text()).toBe('late')
  await ending
})

it('cuts off what does not end in its time', async () => {
  const { address, held, stopListening } = await listening()
  const answer = fetch(`${address}/never`).catch((error: Error) => error)
  await vi.waitFor(() => expect(held).toHaveLength(1))
  await stopListening(50)
  expect(await answer).toBeInstanceOf(Error)
})

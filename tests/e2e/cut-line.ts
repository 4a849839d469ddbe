import { once } from 'node:events'
import { connect, createServer, type AddressInfo, type Socket } from 'node:net'

/** A line to the server that can be cut and mended: streams that are open break, and no new one comes through meanwhile. */
export async function cutLine(to: string) {
  const { hostname, port } = new URL(to)
  const open = new Set<Socket>()
  let isCut = false
  const server = createServer((near) => {
    if (isCut) return near.destroy()
    const far = connect(Number(port), hostname)
    for (const [one, other] of [
      [near, far],
      [far, near],
    ] as const) {
      open.add(one)
      one.pipe(other)
      one.on('error', () => other.destroy())
      one.on('close', () => {
        open.delete(one)
        other.destroy()
      })
    }
  })
  server.listen(0, '127.0.0.1')
  await once(server, 'listening')
  const close = () => {
    isCut = true
    for (const one of open) one.destroy()
  }
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    cut: close,
    mend: () => (isCut = false),
    close: async () => {
      close()
      server.close()
      await once(server, 'close')
    },
  }
}

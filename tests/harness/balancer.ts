import { connect, createServer, type Socket } from 'node:net'

/** A way to several servers that can be cut: what a workshop's network does, and a balancer before two machines. */
export interface Balancer {
  address: string
  /** Ends every connection and takes none, until it is mended. */
  cut: () => void
  mend: () => void
  close: () => Promise<void>
}

/** Hands each connection to the next server that takes it. */
export async function balance(ports: readonly number[]): Promise<Balancer> {
  const open = new Set<Socket>()
  let cut = false
  let turn = 0
  const server = createServer((client) => {
    open.add(client)
    client.on('close', () => open.delete(client))
    client.on('error', () => client.destroy())
    if (cut) client.destroy()
    else forward(client, ports.length)
  })
  function forward(client: Socket, tries: number): void {
    const onward = connect(ports[turn++ % ports.length]!, '127.0.0.1')
    let joined = false
    onward.on('connect', () => {
      joined = true
      client.pipe(onward).pipe(client)
    })
    onward.on('error', () => {
      if (!joined && tries > 1) forward(client, tries - 1)
      else client.destroy()
    })
    onward.on('close', () => joined && client.destroy())
    client.on('close', () => onward.destroy())
  }
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as { port: number }
  return {
    address: `http://127.0.0.1:${port}`,
    cut: () => {
      cut = true
      for (const socket of open) socket.destroy()
    },
    mend: () => (cut = false),
    close: () =>
      new Promise((resolve) => {
        for (const socket of open) socket.destroy()
        server.close(() => resolve())
      }),
  }
}

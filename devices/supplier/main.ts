import { supplierServer } from './server'

/** `tsx devices/supplier/main.ts`: the stand-in on SUPPLIER_PORT of loopback, until it is ended. */
const port = Number(process.env.SUPPLIER_PORT ?? 0)
const server = supplierServer()
server.listen(port, '127.0.0.1', () => {
  const at = server.address()
  process.stdout.write(`supplier at ${typeof at === 'object' && at ? at.port : port}\n`)
})
for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.once(signal, () => {
    server.closeAllConnections()
    server.close(() => process.exit(0))
  })

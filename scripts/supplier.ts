import type { ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import { Plain } from './debian'
import { startService, stopService } from './ending.mjs'
import { root } from './packages.mjs'

const READY_WITHIN = 20_000
const ENDS_WITHIN = 2000

/** The stand-in while it runs. */
export interface Supplier {
  url: string
  child: ChildProcess
}

/** Starts the stand-in for a supplier, in a process of its own on loopback. */
export async function startSupplier(port: number): Promise<Supplier> {
  const child = startService(
    process.execPath,
    ['--import', 'tsx', join(root, 'devices', 'supplier', 'main.ts')],
    {
      cwd: root,
      env: { ...process.env, SUPPLIER_PORT: String(port) },
      stdio: ['ignore', 'pipe', 'inherit'],
    },
    (own) => stopService(own, ENDS_WITHIN),
  )
  await new Promise<void>((resolve, reject) => {
    const late = setTimeout(
      () => reject(new Plain('The stand-in for a supplier would not start')),
      READY_WITHIN,
    )
    child.stdout!.once('data', () => (clearTimeout(late), resolve()))
    child.once('exit', (code) =>
      reject(new Plain(`The stand-in for a supplier would not start: it ended with ${code}`)),
    )
  })
  child.stdout!.resume()
  return { url: `http://127.0.0.1:${port}`, child }
}

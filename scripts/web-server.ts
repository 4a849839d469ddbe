import type { ChildProcess } from 'node:child_process'
import { openSync, readFileSync } from 'node:fs'
import { request as overTls } from 'node:https'
import { networkInterfaces } from 'node:os'
import { setTimeout as wait } from 'node:timers/promises'
import type { Health } from '../contract'
import { Plain } from './debian'
import { hasEnded, startService, stopService } from './ending.mjs'

export interface WebServer {
  address: string
  child: ChildProcess
  /** Lets it finish what it answers, then ends it. */
  stop: () => Promise<void>
}

/** Certificate and key, as PEM. */
export interface Tls {
  cert: string
  key: string
}

interface Options {
  entry: string
  host: string
  port: number
  env: Record<string, string>
  tls?: Tls | null
  /** File for its log; the terminal where none is given. */
  log?: string
}

const READY_WITHIN = 30_000
const ENDS_WITHIN = 10_000
const LOOPBACK = /^(localhost|127\.\d+\.\d+\.\d+|::1)$/
const EVERY: Record<string, string> = { '0.0.0.0': '127.0.0.1', '::': '::1' }

export const isLoopback = (host: string): boolean => LOOPBACK.test(host)

/** Certificate and key from the files that the environment names; null where it names none. */
export function tlsFrom(env: NodeJS.ProcessEnv): Tls | null {
  const { MELLOW_TLS_CERT: cert, MELLOW_TLS_KEY: key } = env
  if (!cert && !key) return null
  if (!cert || !key)
    throw new Plain('For https set both MELLOW_TLS_CERT and MELLOW_TLS_KEY, each to a PEM file.')
  try {
    return { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') }
  } catch (error) {
    throw new Plain(`The certificate or its key cannot be read: ${(error as Error).message}`)
  }
}

/** Addresses at which a server that listens on a host can be reached, this machine's own first. */
export function addressesOf(host: string, port: number, tls: boolean): string[] {
  const own = host in EVERY ? [EVERY[host]!] : [host]
  const others = host in EVERY ? Object.values(networkInterfaces()).flatMap((list) => list ?? []) : []
  const names = [
    ...own,
    ...others.filter((one) => !one.internal && one.family === 'IPv4').map((one) => one.address),
  ]
  return names.map(
    (name) => `http${tls ? 's' : ''}://${name.includes(':') ? `[${name}]` : name}:${port}`,
  )
}

/** Starts the built server and waits until it and its database answer. */
export async function startWebServer(options: Options): Promise<WebServer> {
  const { entry, host, port, env, tls = null, log } = options
  const output = log ? openSync(log, 'a') : ('inherit' as const)
  const child = startService(
    process.execPath,
    [entry],
    {
      env: {
        ...process.env,
        ...env,
        ...(tls && { NITRO_SSL_CERT: tls.cert, NITRO_SSL_KEY: tls.key }),
        NODE_ENV: 'production',
        NITRO_HOST: host,
        NITRO_PORT: String(port),
      },
      stdio: ['ignore', log ? output : 'ignore', output],
    },
    (own) => stopService(own, ENDS_WITHIN),
  )
  const ended = new Promise<string>((resolve) =>
    child.once('exit', (code, signal) => resolve(`it ended with ${code ?? signal}`)),
  )
  const stop = () => stopService(child, ENDS_WITHIN)
  const [address] = addressesOf(host, port, tls !== null) as [string]
  const state = await Promise.race([answers(address, child), ended])
  if (state !== 'ok') {
    await stop()
    throw new Plain(`The web server would not start: ${state}${log ? `; see ${log}` : ''}`)
  }
  return { address, child, stop }
}

async function answers(address: string, child: ChildProcess): Promise<string> {
  const until = Date.now() + READY_WITHIN
  let last = 'it does not answer'
  while (Date.now() < until && !hasEnded(child)) {
    try {
      const health = await healthAt(address)
      if (health.status === 'ok') return 'ok'
      last = `its database is ${health.database}`
    } catch (error) {
      // Some ports are closed to every browser (Fetch standard, "bad port"), and so to this check.
      const cause = error instanceof Error ? (error.cause as Error | undefined) : undefined
      if (cause?.message === 'bad port') return 'browsers refuse this port; set MELLOW_PORT to another'
    }
    await wait(100)
  }
  return last
}

async function healthAt(address: string): Promise<Health> {
  const url = `${address}/api/health`
  if (address.startsWith('http:')) return (await (await fetch(url)).json()) as Health
  return new Promise((resolve, reject) => {
    // Our own server, which we have just started: its certificate is for the names by which others call it.
    const asked = overTls(url, { rejectUnauthorized: false }, (response) => {
      let text = ''
      response.on('data', (piece: Buffer) => (text += piece.toString()))
      response.on('end', () => {
        try {
          resolve(JSON.parse(text) as Health)
        } catch (error) {
          reject(error as Error)
        }
      })
    })
    asked.on('error', reject)
    asked.end()
  })
}

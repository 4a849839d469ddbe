import { spawn, type ChildProcess } from 'node:child_process'
import { openSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import type { Health } from '../contract'
import { Plain } from './debian'

export interface WebServer {
  address: string
  child: ChildProcess
  /** Lets it finish what it answers, then ends it. */
  stop: () => Promise<void>
}

interface Options {
  entry: string
  host: string
  port: number
  env: Record<string, string>
  /** File for its log; the terminal where none is given. */
  log?: string
}

/** Starts the built server and waits until it and its database answer. */
export async function startWebServer({ entry, host, port, env, log }: Options): Promise<WebServer> {
  const output = log ? openSync(log, 'a') : ('inherit' as const)
  const child = spawn(process.execPath, [entry], {
    env: {
      ...process.env,
      ...env,
      NODE_ENV: 'production',
      NITRO_HOST: host,
      NITRO_PORT: String(port),
      NITRO_SHUTDOWN_TIMEOUT: '5000',
    },
    stdio: ['ignore', log ? output : 'ignore', output],
    detached: true,
  })
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve))
  const stop = async () => {
    if (child.exitCode !== null || child.signalCode !== null) return
    child.kill('SIGTERM')
    const gone = await Promise.race([ended.then(() => true), wait(10_000, false, { ref: false })])
    if (!gone) child.kill('SIGKILL')
    await ended
  }
  const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`
  const state = await Promise.race([answers(address), ended.then((code) => `it ended with ${code}`)])
  if (state !== 'ok') {
    await stop()
    throw new Plain(`The web server would not start: ${state}${log ? `; see ${log}` : ''}`)
  }
  return { address, child, stop }
}

async function answers(address: string): Promise<string> {
  const until = Date.now() + 30_000
  let last = 'it does not answer'
  while (Date.now() < until) {
    try {
      const health = (await (await fetch(`${address}/api/health`)).json()) as Health
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

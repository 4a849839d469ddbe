import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { monotonicFactory } from 'ulid'
import { fromArchetype } from '../../core/installation'
import type { Entry, Kind, Subject } from '../../core/journal'
import { ensureBuilt } from '../../scripts/build'
import {
  databaseEnvironment,
  freePort,
  privateMariadb,
  type PrivateMariadb,
} from '../../scripts/mariadb'
import { root } from '../../scripts/packages.mjs'
import { startWebServer, type WebServer } from '../../scripts/web-server'
import type { Database } from '../../server/database/database'
import { freshDatabase } from '../harness/running'

/** How much of a full campaign is run: `npm run trials` all of it, `npm test` a tenth. */
export const SCALE = Number(process.env.MELLOW_TRIALS ?? 0.1)
export const scaled = (full: number): number => Math.max(1, Math.round(full * SCALE))

const FOLDER = join(root, '.data', 'trials')
export const newId = monotonicFactory()

/** Draws that come again with the same seed; `MELLOW_SEED` sets another. */
export function draws(seed = Number(process.env.MELLOW_SEED ?? 1)): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}

/** A server process that may be killed and started again at its port. */
export interface Process {
  address: string
  kill: () => Promise<void>
  start: () => Promise<void>
}

/** A database of its own with two server processes on it. */
export interface Workshop {
  mariadb: PrivateMariadb
  database: Database
  servers: [Process, Process]
  close: () => Promise<void>
}

export async function openWorkshop(
  name: string,
  fill?: (database: Database) => Promise<unknown>,
): Promise<Workshop> {
  mkdirSync(FOLDER, { recursive: true })
  // As the demo runs it, with every commit on the disk.
  const mariadb = await privateMariadb({ folder: FOLDER })
  const database = await freshDatabase(mariadb.settings, `mellow_${name}`)
  await fill?.(database)
  const env = databaseEnvironment({ ...mariadb.settings, name: `mellow_${name}` })
  const entry = await ensureBuilt()
  const process = async (n: number): Promise<Process & { stop: () => Promise<void> }> => {
    const port = await freePort()
    const log = join(FOLDER, `${name}-${n}.log`)
    const begin = () => startWebServer({ entry, host: '127.0.0.1', port, env, log })
    let web: WebServer = await begin()
    return {
      address: web.address,
      start: async () => {
        web = await begin()
      },
      kill: async () => {
        const gone = new Promise((resolve) => web.child.once('exit', resolve))
        web.child.kill('SIGKILL')
        await gone
      },
      stop: () => web.stop(),
    }
  }
  const [one, two] = [await process(1), await process(2)]
  return {
    mariadb,
    database,
    servers: [one, two],
    close: async () => {
      await Promise.all([one.stop(), two.stop()])
      await database.sequelize.close()
      await mariadb.stop()
    },
  }
}

export interface Answer {
  /** 0 where none came. */
  status: number
  body: unknown
  text: string
  type: string
}

/** One call that never throws: a killed server gives no answer. */
export async function ask(
  url: string,
  { method = 'GET', body, headers }: { method?: string; body?: unknown; headers?: object } = {},
): Promise<Answer> {
  try {
    const response = await fetch(url, {
      method,
      headers: { ...(body !== undefined && { 'content-type': 'application/json' }), ...headers },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
      signal: AbortSignal.timeout(12_000),
    })
    const text = await response.text()
    let read: unknown = null
    try {
      read = JSON.parse(text)
    } catch {
      // No JSON.
    }
    const type = response.headers.get('content-type') ?? ''
    return { status: response.status, body: read, text, type }
  } catch {
    return { status: 0, body: null, text: '', type: '' }
  }
}

/** An entry as it is posted. */
export const made = (
  by: string,
  subject: Subject,
  kind: Kind,
  payload: unknown,
  more: object = {},
): Entry =>
  ({
    id: newId(),
    subject,
    kind,
    at: new Date().toISOString(),
    by,
    payload,
    ...more,
  }) as Entry

/** A person, and so many jobs, each on a vehicle of its own. */
export async function aBench(address: string, jobs: number) {
  const by = newId()
  const post = async (path: string, body: unknown) => {
    const { status, text } = await ask(`${address}/api${path}`, { method: 'POST', body })
    if (status !== 201) throw new Error(`${path}: ${status} ${text}`)
  }
  await post('/people', { id: by, name: `Trial ${by}` })
  const subjects: Subject[] = []
  for (let i = 0; i < jobs; i++) {
    const vehicle: Subject = { type: 'vehicle', id: newId() }
    const job: Subject = { type: 'job', id: newId() }
    await post('/vehicles', {
      id: vehicle.id,
      name: `Van ${i}`,
      entries: [made(by, vehicle, 'installation', fromArchetype('long-line'))],
    })
    await post('/jobs', {
      id: job.id,
      vehicleId: vehicle.id,
      title: `Job ${i}`,
      entries: [made(by, job, 'goal', { jobKind: 'fault', wanted: '' })],
    })
    subjects.push(job, vehicle)
  }
  return { by, subjects }
}

import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { QueryTypes } from 'sequelize'
import { monotonicFactory } from 'ulid'
import type { BenchJob, Page } from '../contract'
import { fromArchetype } from '../core/installation'
import type { Kind } from '../core/journal'
import { databaseEnvironment, freePort } from '../scripts/mariadb'
import { root } from '../scripts/packages.mjs'
import { openDatabase, type Database } from '../server/database/database'
import { jobsStatement } from '../server/services/bench'
import { startSuite, stopSuite } from '../tests/harness/running'
import { atOnce, type Row } from './measure'

const JOBS = 5000
const EACH = 40
const VEHICLES = 1000
const CLIENTS = 16
const CALLS = 1600
const ulid = monotonicFactory()

/** The bench's list with 5 000 jobs and 200 000 entries, beside a route that runs the same SELECT and returns its rows. */
export async function benchLists(): Promise<Row[]> {
  const { address, settings } = await startSuite('bench', fill)
  const database = openDatabase(settings)
  const port = await freePort()
  const { sql, replacements } = jobsStatement({ limit: 40 })
  const bare = spawn(process.execPath, ['--import', 'tsx', join(root, 'bench', 'bare-route.ts')], {
    cwd: root,
    stdio: 'inherit',
    env: {
      ...process.env,
      ...databaseEnvironment(settings),
      NODE_ENV: 'production',
      BARE_STATEMENT: JSON.stringify({ sql, replacements }),
      BARE_PORT: String(port),
    },
  })
  try {
    const started = performance.now()
    while ((await staleJobs(database)) > 0) await wait(200)
    const keptIn = (performance.now() - started) / 1000
    const get = (url: string) => async () => {
      const response = await fetch(url)
      if (!response.ok) throw new Error(await response.text())
      return response.text()
    }
    const list = get(`${address}/api/jobs?limit=40`)
    const same = get(`http://127.0.0.1:${port}/`)
    while (!(await same().catch(() => null))) await wait(100)
    const { items } = JSON.parse(await list()) as Page<BenchJob>
    if (items.length !== 40) throw new Error(`a page of ${items.length} jobs`)
    for (const warm of [list, same]) await atOnce(warm, 400, CLIENTS)
    const [rows, page] = [await atOnce(same, CALLS, CLIENTS), await atOnce(list, CALLS, CLIENTS)]
    const filtered = await atOnce(get(`${address}/api/jobs?limit=40&filter=stopped`), 400, CLIENTS)
    const searched = await atOnce(get(`${address}/api/jobs?limit=40&search=van+77`), 400, CLIENTS)
    const of = `the same SELECT, ${CLIENTS} clients`
    return [
      { name: `floor: a route with that SELECT, 95th percentile`, value: rows.p95, unit: 'ms' },
      {
        name: `GET /jobs, ${JOBS} jobs, ${JOBS * EACH} entries, 95th percentile`,
        value: page.p95,
        unit: 'ms',
        ratio: page.p95 / rows.p95,
        of,
      },
      {
        name: 'GET /jobs, median',
        value: page.median,
        unit: 'ms',
        ratio: page.median / rows.median,
        of,
      },
      { name: 'GET /jobs of those stopped, 95th percentile', value: filtered.p95, unit: 'ms' },
      { name: 'GET /jobs with words searched for, 95th percentile', value: searched.p95, unit: 'ms' },
      {
        name: `the steps of ${JOBS} jobs worked out anew, in the background`,
        value: keptIn,
        unit: 's',
      },
    ]
  } finally {
    bare.kill('SIGKILL')
    await database.sequelize.close()
    await stopSuite('bench')
  }
}

async function staleJobs({ sequelize }: Database): Promise<number> {
  const [row] = await sequelize.query<{ n: number }>('SELECT COUNT(*) AS n FROM jobs WHERE fresh = 0', {
    type: QueryTypes.SELECT,
  })
  return Number(row!.n)
}

async function fill(database: Database): Promise<void> {
  const day = 86_400_000
  const now = Date.now()
  const person = ulid()
  const insert = async (table: string, columns: string, rows: unknown[][]) => {
    for (let i = 0; i < rows.length; i += 1000) {
      const some = rows.slice(i, i + 1000)
      const places = some.map((row) => `(${row.map(() => '?').join()})`).join()
      await database.sequelize.query(`INSERT INTO ${table} (${columns}) VALUES ${places}`, {
        replacements: some.flat(),
        type: QueryTypes.INSERT,
      })
    }
  }
  await insert('people', 'id, name, createdAt', [[person, 'Bench hand', new Date()]])
  const installation = JSON.stringify(fromArchetype('long-line'))
  const vehicles = Array.from({ length: VEHICLES }, (_, i) => [ulid(), `Van ${i}`, new Date(), 1])
  await insert('vehicles', 'id, name, createdAt, lastSequence', vehicles)
  const entries: unknown[][] = vehicles.map(([id]) => [
    ...[ulid(), null, id, 1, 'installation', new Date(), person, installation],
  ])
  const jobs = Array.from({ length: JOBS }, (_, n) => {
    const id = ulid()
    const at = new Date(now - (n * 90 * day) / JOBS)
    for (let i = 1; i <= EACH; i++) {
      const [kind, payload] = entryOf(i, n)
      entries.push([ulid(), id, null, i, kind, at, person, JSON.stringify(payload)])
    }
    return [id, vehicles[n % VEHICLES]![0], `Pedal soft ${n}`, 'fault', at, EACH, at, person]
  })
  await insert(
    'jobs',
    'id, vehicleId, title, kind, createdAt, lastSequence, changedAt, changedById',
    jobs,
  )
  await insert('entries', 'id, jobId, vehicleId, sequence, kind, at, byId, payload', entries)
}

/** What a job's entry number i says: a goal, a complaint, and then readings, findings and notes. */
function entryOf(i: number, job: number): [Kind, unknown] {
  if (i === 1) return ['goal', { jobKind: 'fault', wanted: '' }]
  if (i === 2) return ['complaint', { complaint: 'soft' }]
  if (i === 3 && job % 20 === 0)
    return ['finding', { finding: 'forkCracked', state: 'present', phase: 'asFound' }]
  if (i % 3 === 0) return ['finding', { finding: 'bootWet', state: 'absent', phase: 'asFound' }]
  return i % 3 === 1
    ? ['measurement', { reading: 'freeTravel', value: 20 + (i % 30), phase: 'asFound' }]
    : ['note', { words: `looked at it, ${i}` }]
}

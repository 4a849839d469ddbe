import { spawn, type ChildProcess } from 'node:child_process'
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
import { jobsStatement } from '../server/services/lists/bench'
import { dueStatement } from '../server/services/lists/due'
import { searchStatement } from '../server/services/lists/search'
import { historyStatement } from '../server/services/lists/vehicle-history'
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
  const bares: ChildProcess[] = []
  /** A route that runs one SELECT and returns its rows. */
  const bareRoute = async (statement: { sql: string; replacements: unknown[] }) => {
    const port = await freePort()
    bares.push(
      spawn(process.execPath, ['--import', 'tsx', join(root, 'bench', 'bare-route.ts')], {
        cwd: root,
        stdio: 'inherit',
        env: {
          ...process.env,
          ...databaseEnvironment(settings),
          NODE_ENV: 'production',
          BARE_STATEMENT: JSON.stringify(statement),
          BARE_PORT: String(port),
        },
      }),
    )
    return `http://127.0.0.1:${port}/`
  }
  const jobsAlone = await bareRoute(jobsStatement({ limit: 40 }))
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
    const same = get(jobsAlone)
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
      ...(await afterwards(address, database, bareRoute)),
    ]
  } finally {
    for (const bare of bares) bare.kill('SIGKILL')
    await database.sequelize.close()
    await stopSuite('bench')
  }
}

/** Search, what is due and a vehicle's history, each beside a route with its own SELECT. */
async function afterwards(
  address: string,
  database: Database,
  bareRoute: (statement: { sql: string; replacements: unknown[] }) => Promise<string>,
): Promise<Row[]> {
  const started = performance.now()
  while ((await unsearched(database)) > 0) await wait(200)
  const wordsIn = (performance.now() - started) / 1000
  const [vehicle] = await database.models.Vehicle.findAll({ limit: 1 })
  const cases = [
    ['one plate or name', '/search?search=van+777', searchStatement(['van', '777'], 20)],
    ['a rare word', '/search?search=thread4711', searchStatement(['thread4711'], 20)],
    ['two common words', '/search?search=free+travel', searchStatement(['free', 'travel'], 20)],
    ['what is due', '/due?limit=12', dueStatement({ limit: 12 })],
    ['a vehicle’s history', `/vehicles/${vehicle!.id}/history`, historyStatement(vehicle!.id)],
  ] as const
  const rows: Row[] = [
    { name: `words of ${JOBS + VEHICLES} jobs and vehicles kept anew`, value: wordsIn, unit: 's' },
  ]
  for (const [name, path, statement] of cases) {
    const get = (url: string) => async () => {
      const response = await fetch(url)
      if (!response.ok) throw new Error(await response.text())
      return response.text()
    }
    const [bare, route] = [get(await bareRoute(statement)), get(`${address}/api${path}`)]
    while (!(await bare().catch(() => null))) await wait(100)
    for (const warm of [bare, route]) await atOnce(warm, 100, CLIENTS)
    const [alone, whole] = [await atOnce(bare, 640, CLIENTS), await atOnce(route, 640, CLIENTS)]
    const once = performance.now()
    await route()
    rows.push(
      { name: `${name}: once, with nobody else`, value: performance.now() - once, unit: 'ms' },
      {
        name: `${name}: 95th percentile`,
        value: whole.p95,
        unit: 'ms',
        ratio: whole.p95 / alone.p95,
        of: `the same SELECT, ${CLIENTS} clients`,
      },
    )
  }
  return rows
}

async function unsearched({ sequelize }: Database): Promise<number> {
  const [row] = await sequelize.query<{ n: number }>(
    'SELECT (SELECT COUNT(*) FROM jobs WHERE searched = 0) + (SELECT COUNT(*) FROM vehicles WHERE searched = 0) AS n',
    { type: QueryTypes.SELECT },
  )
  return Number(row!.n)
}

async function staleJobs({ sequelize }: Database): Promise<number> {
  const [row] = await sequelize.query<{ n: number }>('SELECT COUNT(*) AS n FROM jobs WHERE fresh = 0', {
    type: QueryTypes.SELECT,
  })
  return Number(row!.n)
}

export async function fill(database: Database): Promise<void> {
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
  if (i === 5) return ['note', { words: `marked thread${job} on the rod` }]
  if (i === 8 && job % 4 === 0)
    return ['followUp', { what: `boot ${job}`, due: `2027-0${1 + (job % 9)}-1${job % 10}` }]
  if (i % 3 === 0) return ['finding', { finding: 'bootWet', state: 'absent', phase: 'asFound' }]
  return i % 3 === 1
    ? ['measurement', { reading: 'freeTravel', value: 20 + (i % 30), phase: 'asFound' }]
    : ['note', { words: `looked at it, ${i}` }]
}

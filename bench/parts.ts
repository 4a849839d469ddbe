import { spawn } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { ImportTold, Page, Part } from '../contract'
import { guessMapping, LIST_COLUMNS } from '../core/shelf'
import { databaseEnvironment, freePort } from '../scripts/mariadb'
import { root } from '../scripts/packages.mjs'
import { partsStatement } from '../server/services/shelf/parts'
import { startSuite, stopSuite, type Running } from '../tests/harness/running'
import { atOnce, type Row } from './measure'

const PARTS = 20_000
const MANY = 100_000
const CLIENTS = 16
const CALLS = 1600
/** Bytes that a server may grow to while it reads the largest list. */
const MEMORY = 256 * 1024 * 1024

const KINDS = [
  'master cylinder',
  'slave cylinder',
  'hose',
  'washer',
  'seal kit',
  'adapter',
  'pin',
  'clip',
]
const BORES = [14.29, 15.87, 17.46, 19.05, 20.64, 22.2]

function list(rows: number, from: string): string {
  const lines = [LIST_COLUMNS.join(',')]
  for (let i = 0; i < rows; i++) {
    const kind = KINDS[i % KINDS.length]!
    const bore = BORES[i % BORES.length]!
    lines.push(
      `${from}-${i},${kind} type ${i % 97} for model ${i % 389},${kind},Factor ${from}${i % 7},${(i % 900) / 10},,${i % 9},${i % 6},${i % 8 < 2 ? bore : ''},,,,,,,,${i % 8 === 2 ? 300 + (i % 50) : ''},`,
    )
  }
  return lines.join('\r\n')
}

async function read(
  { address }: Running,
  csv: string,
): Promise<{ seconds: number; told: number; done: ImportTold & { stage: 'done' } }> {
  const plan = encodeURIComponent(JSON.stringify({ mapping: guessMapping(LIST_COLUMNS) }))
  const started = performance.now()
  const response = await fetch(`${address}/api/parts/import?plan=${plan}`, {
    method: 'POST',
    headers: { 'content-type': 'text/csv' },
    body: csv,
  })
  const lines = (await response.text()).trim().split('\n')
  const seconds = (performance.now() - started) / 1000
  const done = JSON.parse(lines.at(-1)!) as ImportTold
  if (done.stage !== 'done' || done.refused > 0) throw new Error(lines.at(-1)!.slice(0, 500))
  return { seconds, told: lines.length, done }
}

/** Most memory that a process has had, bytes; Linux keeps it. */
const peakOf = (pid: number): number =>
  Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) * 1024

/** The shelf with 20 000 parts: read in, searched beside a route with the same SELECT; and 100 000 rows in how much memory. */
export async function benchParts(): Promise<Row[]> {
  const running = await startSuite('bench')
  const { address, settings, pid } = running
  const port = await freePort()
  const query = { search: 'slave type', kind: undefined, limit: 60, sort: 'name' } as const
  const bare = spawn(process.execPath, ['--import', 'tsx', join(root, 'bench', 'bare-route.ts')], {
    cwd: root,
    stdio: 'inherit',
    env: {
      ...process.env,
      ...databaseEnvironment(settings),
      NODE_ENV: 'production',
      BARE_STATEMENT: JSON.stringify(partsStatement(query)),
      BARE_PORT: String(port),
    },
  })
  try {
    const twenty = await read(running, list(PARTS, 'A'))
    const get = (url: string) => async () => {
      const response = await fetch(url)
      if (!response.ok) throw new Error(await response.text())
      return response.text()
    }
    const search = get(`${address}/api/parts?search=slave+type&limit=60&sort=name`)
    const same = get(`http://127.0.0.1:${port}/`)
    for (let n = 0; !(await same().catch(() => null)); n++)
      if (n > 10_000) throw new Error('no bare route')
    const { items } = JSON.parse(await search()) as Page<Part>
    if (items.length !== 60) throw new Error(`a page of ${items.length} parts`)
    for (const warm of [search, same]) await atOnce(warm, 400, CLIENTS)
    const [rows, page] = [await atOnce(same, CALLS, CLIENTS), await atOnce(search, CALLS, CLIENTS)]
    const plain = await atOnce(get(`${address}/api/parts?limit=100&sort=name`), 800, CLIENTS)
    const far = await atOnce(get(`${address}/api/parts?limit=100&sort=name&after=19000`), 400, CLIENTS)
    const before = peakOf(pid)
    const hundred = await read(running, list(MANY, 'B'))
    const peak = peakOf(pid)
    return [
      {
        name: `import of ${PARTS} rows, told how far in ${twenty.told} lines`,
        value: twenty.seconds,
        unit: 's',
        ratio: twenty.seconds / 10,
        of: 'the 10 s that it may take',
      },
      { name: 'floor: a route with the same SELECT, 95th percentile', value: rows.p95, unit: 'ms' },
      {
        name: `search in ${PARTS} parts, ${CLIENTS} clients, 95th percentile`,
        value: page.p95,
        unit: 'ms',
        ratio: page.p95 / rows.p95,
        of: 'the same SELECT',
      },
      { name: 'first page of the shelf, 95th percentile', value: plain.p95, unit: 'ms' },
      { name: 'a page at its end, 95th percentile', value: far.p95, unit: 'ms' },
      { name: `import of ${MANY} rows`, value: hundred.seconds, unit: 's' },
      {
        name: `memory of the server at its most, ${Math.round(before / 1024 / 1024)} MB before it`,
        value: peak / 1024 / 1024,
        unit: 'MB',
        ratio: peak / MEMORY,
        of: 'the 256 MB that it may take',
      },
    ]
  } finally {
    bare.kill('SIGKILL')
    await stopSuite('bench')
  }
}

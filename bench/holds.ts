import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import sharp from 'sharp'
import { QueryTypes } from 'sequelize'
import { LIST_COLUMNS, guessMapping } from '../core/shelf'
import { root } from '../scripts/packages.mjs'
import { openDatabase } from '../server/database/database'
import { startSuite, stopSuite } from '../tests/harness/running'
import { fill } from './lists'
import type { Row } from './measure'

/** What one thing that anybody can send does to all others: how long the server's own thread is held up, and its memory. */
interface Heavy {
  name: string
  send: (address: string) => Promise<Response>
}

const MIB = 1024 * 1024
const PLAN = encodeURIComponent(JSON.stringify({ mapping: guessMapping(LIST_COLUMNS) }))
const HEADER = LIST_COLUMNS.join(',')
const row = (n: number, name = 'Slave') =>
  LIST_COLUMNS.map(
    (column) =>
      (
        ({ number: `H${n}`, name, kind: 'slave', supplier: 'Bench', price: '12' }) as Record<
          string,
          string
        >
      )[column] ?? '',
  ).join(',')

const list = (body: string) => (address: string) =>
  fetch(`${address}/api/parts/import?plan=${PLAN}`, {
    method: 'POST',
    headers: { 'content-type': 'text/csv' },
    body,
  })
const pack = (steps: object[]) => (address: string) =>
  fetch(`${address}/api/shop/packages/own-bench`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      $schema: 'urn:mellow-anchor:package:1',
      id: 'own-bench',
      title: 'Bench',
      steps: steps.map((more, i) => ({
        ...{ id: `s${i}`, title: `Step ${i}`, place: 'bench', minutes: [1, 2, 3] },
        ...more,
      })),
    }),
  })
const steps = (count: number, places: readonly string[]) =>
  Array.from({ length: count }, (_, i) => ({ place: places[i % places.length] }))
const ALL = ['bench', 'engineBay', 'under', 'footwell', 'wheelArch', 'road']

async function heavies(jobs: readonly string[]): Promise<Heavy[]> {
  const huge = await sharp({
    create: { width: 10_000, height: 10_000, channels: 3, background: '#369' },
  })
    .avif({ effort: 0 })
    .toBuffer()
  const [short, long] = jobs
  const paper = (job: string) => (address: string) => fetch(`${address}/api/jobs/${job}/papers/card`)
  return [
    { name: 'nothing', send: (address) => fetch(`${address}/api/health`) },
    { name: 'package, 12 steps in two places', send: pack(steps(12, ['bench', 'engineBay'])) },
    { name: 'package, 60 steps in six places', send: pack(steps(60, ALL)) },
    {
      name: 'package, 40 steps, a dead end at the last',
      send: pack([
        ...steps(38, ['bench', 'footwell']),
        { needs: ['plugged:a'], forbids: ['plugged:b'] },
        { puts: ['plugged:a', 'plugged:b'] },
      ]),
    },
    { name: 'job card as a PDF, the first', send: paper(short!) },
    { name: 'job card as a PDF, the second', send: paper(short!) },
    { name: 'job card of 5000 entries as a PDF', send: paper(long!) },
    {
      name: `picture of ${huge.length} bytes, 10 000 × 10 000`,
      send: (address) => fetch(`${address}/api/files`, { method: 'POST', body: new Uint8Array(huge) }),
    },
    {
      name: 'list of one field of 30 MB',
      send: list(`${HEADER}\n${row(0, `"${'x'.repeat(30 * MIB)}`)}\n`),
    },
    {
      name: 'list of 60 000 rows',
      send: list(`${HEADER}\n${Array.from({ length: 60_000 }, (_, i) => row(i)).join('\n')}\n`),
    },
    { name: 'the shelf as a list', send: (address) => fetch(`${address}/api/parts/export`) },
    {
      name: 'the shop as a file, 205 000 entries',
      send: (address) => fetch(`${address}/api/shop/file`),
    },
  ]
}

export async function benchHolds(): Promise<Row[]> {
  process.env.MELLOW_MEASURE = 'yes'
  const { address, pid, settings } = await startSuite('bench', fill)
  const database = openDatabase(settings)
  const log = join(root, '.data', 'test', 'bench.log')
  const said = () => readFileSync(log, 'utf8').match(/^loop \{.*\}$/gm) ?? []
  /** How long the thread was held up since it was last asked, at the longest. */
  const longest = async () => {
    const before = said().length
    process.kill(pid, 'SIGUSR2')
    while (said().length <= before) await wait(50)
    return (JSON.parse(said().at(-1)!.slice('loop '.length)) as { max: number }).max
  }
  const memory = (name: 'VmHWM' | 'VmRSS') =>
    Number(new RegExp(`${name}:\\s+(\\d+)`).exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) /
    1024
  const stale = async () =>
    (
      await database.sequelize.query<{ n: number }>(
        'SELECT (SELECT COUNT(*) FROM jobs WHERE fresh = 0 OR searched = 0) + (SELECT COUNT(*) FROM vehicles WHERE searched = 0) AS n',
        { type: QueryTypes.SELECT },
      )
    )[0]!.n
  try {
    while (Number(await stale()) > 0) await wait(500)
    const jobs = await jobsOf(database.sequelize)
    const rows: Row[] = []
    for (const { name, send } of await heavies(jobs)) {
      await longest()
      // The most memory from here on.
      writeFileSync(`/proc/${pid}/clear_refs`, '5')
      const [before, began] = [memory('VmRSS'), performance.now()]
      const answer = await send(address)
      const text = await answer.text()
      const took = (performance.now() - began) / 1000
      const end = /"stage":"(\w+)".*$/.exec(text.trimEnd().split('\n').at(-1)!.slice(0, 60))?.[1] ?? ''
      rows.push(
        { name: `${name}: ${answer.status} ${end} in`, value: took, unit: 's' },
        { name: '   the server’s own thread held up, longest', value: await longest(), unit: 'ms' },
        {
          name: '   memory, most',
          value: memory('VmHWM'),
          unit: 'MiB',
          ratio: memory('VmHWM') / before,
          of: 'before',
        },
      )
    }
    return rows
  } finally {
    delete process.env.MELLOW_MEASURE
    await database.sequelize.close()
    await stopSuite('bench')
  }
}

/** A job as they are, and one that has grown to 5 000 entries. */
async function jobsOf(sequelize: ReturnType<typeof openDatabase>['sequelize']): Promise<string[]> {
  const ids = await sequelize.query<{ id: string }>('SELECT id FROM jobs ORDER BY id LIMIT 2', {
    type: QueryTypes.SELECT,
  })
  const [short, long] = ids.map(({ id }) => id) as [string, string]
  await sequelize.query(
    `INSERT INTO entries (id, jobId, sequence, kind, at, byId, payload)
     SELECT CONCAT('00', LPAD(n.seq, 24, '0')), e.jobId, 40 + n.seq, e.kind, e.at, e.byId, e.payload
       FROM seq_1_to_4960 n JOIN entries e ON e.jobId = ? AND e.sequence = 7 + 3 * (n.seq MOD 8)`,
    { replacements: [long], type: QueryTypes.RAW },
  )
  await sequelize.query('UPDATE jobs SET lastSequence = 5000 WHERE id = ?', {
    replacements: [long],
    type: QueryTypes.UPDATE,
  })
  return [short, long]
}

import { QueryTypes } from 'sequelize'
import { monotonicFactory } from 'ulid'
import { loadDemo } from '../demo/load'
import type { BenchJob, Page, Person } from '../contract'
import { openDatabase } from '../server/database/database'
import { startSuite, stopSuite } from '../tests/harness/running'
import { quantileAsync, type Row } from './measure'

const RUNS = 400
const ulid = monotonicFactory()

/** Appending an entry and reading a job through the running server, beside a bare INSERT and an empty route. */
export async function benchServer(): Promise<Row[]> {
  const { address, settings } = await startSuite('bench', loadDemo)
  const database = openDatabase(settings)
  try {
    const get = async <T>(path: string) => (await (await fetch(`${address}/api${path}`)).json()) as T
    const [job] = (await get<Page<BenchJob>>('/jobs')).items
    const [person] = (await get<Page<Person>>('/people')).items
    await database.sequelize.query('CREATE TABLE bare (id CHAR(26) PRIMARY KEY, payload JSON)', {
      type: QueryTypes.RAW,
    })

    const entry = (i: number) =>
      JSON.stringify({
        id: ulid(),
        subject: { type: 'job', id: job!.id },
        kind: 'measurement',
        at: new Date().toISOString(),
        by: person!.id,
        payload: { reading: 'freeTravel', value: 20 + (i % 60), phase: 'working' },
      })
    const append = async (i: number) => {
      const response = await fetch(`${address}/api/jobs/${job!.id}/entries`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: entry(i),
      })
      if (response.status !== 201) throw new Error(await response.text())
      await response.text()
    }
    const insert = (i: number) =>
      database.sequelize.query('INSERT INTO bare VALUES (?, ?)', {
        replacements: [ulid(), entry(i)],
        type: QueryTypes.INSERT,
      })
    const empty = async () => (await fetch(`${address}/api/nothing`)).text()
    const read = async () => (await fetch(`${address}/api/jobs/${job!.id}`)).text()

    for (const warm of [empty, read, () => append(0), () => insert(0)]) await quantileAsync(warm, 100)
    const emptyTime = await quantileAsync(empty, RUNS)
    const insertTime = await quantileAsync(insert, RUNS)
    const appendTime = await quantileAsync(append, RUNS)
    const readTime = await quantileAsync(read, RUNS)
    return [
      { name: 'floor: a route that does nothing, median', value: emptyTime.median, unit: 'ms' },
      { name: 'floor: a bare INSERT, median', value: insertTime.median, unit: 'ms' },
      {
        name: 'append an entry, median',
        value: appendTime.median,
        unit: 'ms',
        ratio: appendTime.median / (emptyTime.median + insertTime.median),
        of: 'route + INSERT',
      },
      { name: 'append an entry, 95th percentile', value: appendTime.p95, unit: 'ms' },
      {
        name: `read a job of ${RUNS + 113} entries, median`,
        value: readTime.median,
        unit: 'ms',
        ratio: readTime.median / emptyTime.median,
        of: 'route',
      },
    ]
  } finally {
    await database.sequelize.close()
    await stopSuite('bench')
  }
}

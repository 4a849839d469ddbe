import { QueryTypes } from 'sequelize'
import { monotonicFactory } from 'ulid'
import { loadDemo } from '../demo/load'
import { chromium } from '@playwright/test'
import type { BenchJob, Job, Page, Person, WithEntries } from '../contract'
import { CHROMIUM } from '../scripts/chromium'
import { openDatabase } from '../server/database/database'
import { startSuite, stopSuite } from '../tests/harness/running'
import { atOnce, quantileAsync, type Row } from './measure'

const RUNS = 800
const CLIENTS = 4
const LONG = 5000
const ulid = monotonicFactory()

/** Appending entries and opening a long job through the running server, beside a bare INSERT and an empty route. */
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
    for (const warm of [empty, append, insert]) await atOnce(warm, 200, CLIENTS)
    const emptyTime = await atOnce(empty, RUNS, CLIENTS)
    const insertTime = await atOnce(insert, RUNS, CLIENTS)
    const appendTime = await atOnce(append, RUNS, CLIENTS)
    const floor = emptyTime.median + insertTime.median
    const alone = await quantileAsync(append, 200)
    const [aloneEmpty, aloneInsert] = [
      await quantileAsync(empty, 200),
      await quantileAsync(insert, 200),
    ]
    const of = 'route + INSERT'
    return [
      {
        name: `floor: a route that does nothing, ${CLIENTS} clients, median`,
        value: emptyTime.median,
        unit: 'ms',
      },
      {
        name: `floor: a bare INSERT, ${CLIENTS} clients, median`,
        value: insertTime.median,
        unit: 'ms',
      },
      {
        name: `append an entry to one job, ${CLIENTS} clients, median`,
        value: appendTime.median,
        unit: 'ms',
        ratio: appendTime.median / floor,
        of,
      },
      {
        name: `append an entry, ${CLIENTS} clients, 95th percentile`,
        value: appendTime.p95,
        unit: 'ms',
        ratio: appendTime.p95 / (emptyTime.p95 + insertTime.p95),
        of,
      },
      {
        name: 'append an entry, one client, median',
        value: alone.median,
        unit: 'ms',
        ratio: alone.median / (aloneEmpty.median + aloneInsert.median),
        of,
      },
      ...(await longJob(address, job!.id, append)),
    ]
  } finally {
    await database.sequelize.close()
    await stopSuite('bench')
  }
}

/** A job of 5 000 entries, as a page opens it. */
async function longJob(
  address: string,
  job: string,
  append: (i: number) => Promise<void>,
): Promise<Row[]> {
  const get = async (query: string) => (await fetch(`${address}/api/jobs/${job}${query}`)).json()
  const { subject } = (await get('?entries=state')) as WithEntries<Job>
  await atOnce(append, LONG - subject.lastSequence, 8)
  const state = await quantileAsync(() => get('?entries=state'), 40)
  const whole = await quantileAsync(() => get(''), 40)
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage()
    const opening = async () => {
      await page.goto(`${address}/jobs/${job}/bleed`)
      await page.getByRole('button', { name: 'Clear', exact: true }).waitFor()
    }
    await opening()
    const opened = await quantileAsync(opening, 7)
    return [
      {
        name: `entries that bear the state of a job of ${LONG}, median`,
        value: state.median,
        unit: 'ms',
      },
      { name: 'all of its entries, median', value: whole.median, unit: 'ms' },
      { name: 'its page, from the address to usable, median', value: opened.median, unit: 'ms' },
    ]
  } finally {
    await browser.close()
  }
}

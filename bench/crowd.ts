import { setTimeout as wait } from 'node:timers/promises'
import { QueryTypes } from 'sequelize'
import { monotonicFactory } from 'ulid'
import { openDatabase } from '../server/database/database'
import { startSuite, stopSuite } from '../tests/harness/running'
import { fill } from './lists'
import { atOnce, type Row } from './measure'

const CLIENTS = 16
const CALLS = 960
const ulid = monotonicFactory()

/** Sixteen clients who look through lists while sixteen file, at 200 000 entries: each list beside itself with nobody filing. */
export async function benchCrowd(): Promise<Row[]> {
  const { address, settings } = await startSuite('bench', fill)
  const database = openDatabase(settings)
  const count = async (sql: string) =>
    Number((await database.sequelize.query<{ n: number }>(sql, { type: QueryTypes.SELECT }))[0]!.n)
  try {
    const settled = async () => {
      while (
        (await count(
          'SELECT (SELECT COUNT(*) FROM jobs WHERE fresh = 0 OR searched = 0) + (SELECT COUNT(*) FROM vehicles WHERE searched = 0) AS n',
        )) > 0
      )
        await wait(500)
    }
    await settled()
    const jobs = await database.sequelize.query<{ id: string }>('SELECT id FROM jobs', {
      type: QueryTypes.SELECT,
    })
    const [person] = await database.sequelize.query<{ id: string }>('SELECT id FROM people', {
      type: QueryTypes.SELECT,
    })
    const get = (path: string) => async () => {
      const response = await fetch(`${address}/api${path}`)
      if (!response.ok) throw new Error(await response.text())
      return response.text()
    }
    const file = async (n: number) => {
      const { id } = jobs[(n * 7919) % jobs.length]!
      const response = await fetch(`${address}/api/jobs/${id}/entries`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          ...{ id: ulid(), subject: { type: 'job', id }, kind: 'measurement', by: person!.id },
          at: new Date().toISOString(),
          payload: { reading: 'freeTravel', value: 20 + (n % 30), phase: 'asFound' },
        }),
      })
      if (response.status !== 201) throw new Error(await response.text())
      await response.text()
    }
    const LISTS = [
      ['the bench', '/jobs?limit=40'],
      ['the bench, those stopped', '/jobs?limit=40&filter=stopped'],
      ['what is due', '/due?limit=12'],
      ['a search', '/search?search=van+777'],
      ['parts', '/parts?limit=40'],
    ] as const
    const rows: Row[] = []
    for (const [name, path] of LISTS) {
      const ask = get(path)
      await settled()
      await atOnce(ask, 200, CLIENTS)
      const alone = await atOnce(ask, CALLS, CLIENTS)
      let filing = true
      let filed = 0
      const filers = Array.from({ length: CLIENTS }, async () => {
        while (filing) await file(filed++)
      })
      await wait(1000)
      const crowded = await atOnce(ask, CALLS, CLIENTS)
      filing = false
      await Promise.all(filers)
      rows.push({
        name: `${name}: 95th percentile while ${CLIENTS} file (${filed} filed)`,
        value: crowded.p95,
        unit: 'ms',
        ratio: crowded.p95 / alone.p95,
        of: `${alone.p95.toFixed(0)} ms with nobody filing, ${CLIENTS} clients`,
      })
    }
    return rows
  } finally {
    await database.sequelize.close()
    await stopSuite('bench')
  }
}

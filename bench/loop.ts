import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { monotonicFactory } from 'ulid'
import type { BenchJob, Page, Person } from '../contract'
import { loadDemo } from '../demo/load'
import { root } from '../scripts/packages.mjs'
import { startSuite, stopSuite } from '../tests/harness/running'
import type { Row } from './measure'

const SECONDS = 12
const WRITERS = 16
const ulid = monotonicFactory()

/** How long the server's own thread is held up while benches are visited, looks are asked for and sixteen clients file. */
export async function benchLoop(): Promise<Row[]> {
  process.env.MELLOW_MEASURE = 'yes'
  const { address, pid } = await startSuite('bench', loadDemo)
  try {
    const get = async <T>(path: string) => (await (await fetch(`${address}/api${path}`)).json()) as T
    const { items: jobs } = await get<Page<BenchJob>>('/jobs')
    const [person] = (await get<Page<Person>>('/people')).items
    const file = async (job: string, n: number) => {
      const body = {
        ...{ id: ulid(), subject: { type: 'job', id: job }, kind: 'finding', by: person!.id },
        at: new Date().toISOString(),
        payload: { finding: 'bootWet', state: n % 2 ? 'present' : 'absent', phase: 'asFound' },
      }
      const { status } = await fetch(`${address}/api/jobs/${job}/entries`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
      if (status !== 201) throw new Error(`${status}`)
    }
    let filed = 0
    let looked = 0
    const until = Date.now() + SECONDS * 1000
    const running = () => Date.now() < until
    const log = join(root, '.data', 'test', 'bench.log')
    const said = () => readFileSync(log, 'utf8').match(/^loop \{.*\}$/gm) ?? []
    // What starting took is not counted: each route is loaded with its first request, each thread with its first question.
    await Promise.all(Array.from({ length: WRITERS }, (_, n) => file(jobs[n % jobs.length]!.id, n)))
    for (const { id } of jobs.slice(0, 4)) await get(`/jobs/${id}/look`)
    process.kill(pid, 'SIGUSR2')
    await wait(200)
    const before = said().length
    await Promise.all([
      ...Array.from({ length: WRITERS }, async (_, n) => {
        for (; running(); filed++) await file(jobs[n % jobs.length]!.id, filed)
      }),
      (async () => {
        for (; running(); looked++)
          for (const { id } of (await get<Page<BenchJob>>('/jobs')).items.slice(0, 4))
            await get(`/jobs/${id}/look`)
      })(),
    ])
    process.kill(pid, 'SIGUSR2')
    while (said().length <= before) await wait(50)
    const { p50, p999, max } = JSON.parse(said().at(-1)!.slice('loop '.length)) as Record<
      string,
      number
    >
    return [
      {
        name: `entries filed by ${WRITERS} clients in ${SECONDS} s, benches visited ${looked} times`,
        value: filed,
        unit: '',
      },
      { name: 'the server’s own thread held up, median', value: p50!, unit: 'ms' },
      { name: 'the server’s own thread held up, 99.9th percentile', value: p999!, unit: 'ms' },
      { name: 'the server’s own thread held up, longest', value: max!, unit: 'ms' },
    ]
  } finally {
    delete process.env.MELLOW_MEASURE
    await stopSuite('bench')
  }
}

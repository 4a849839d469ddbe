import { chromium } from '@playwright/test'
import { monotonicFactory } from 'ulid'
import { loadDemo } from '../demo/load'
import type { BenchJob, Page, Person } from '../contract'
import { CHROMIUM } from '../scripts/chromium'
import { secondServer, startSuite, stopSuite } from '../tests/harness/running'
import type { Row } from './measure'

const ENTRIES = 120
const ulid = monotonicFactory()

/** From the POST of an entry to its coming in another browser's open job, by the same server process and by another. */
export async function benchLive(): Promise<Row[]> {
  const { address } = await startSuite('bench', loadDemo)
  const other = await secondServer('bench')
  const browser = await chromium.launch(CHROMIUM)
  try {
    const get = async <T>(path: string) => (await (await fetch(`${address}/api${path}`)).json()) as T
    const [job] = (await get<Page<BenchJob>>('/jobs')).items
    const [person] = (await get<Page<Person>>('/people')).items
    const measured = async (listening: string): Promise<{ median: number; p95: number }> => {
      const page = await browser.newPage()
      await page.addInitScript(COUNT)
      await page.goto(`${listening}/jobs/${job!.id}/bleed`)
      await page.getByRole('button', { name: 'Clear', exact: true }).waitFor()
      const posted = new Map<string, number>()
      for (let i = 0; i < ENTRIES; i++) {
        const id = ulid()
        posted.set(id, Date.now())
        const body = {
          ...{ id, subject: { type: 'job', id: job!.id }, kind: 'note', by: person!.id },
          ...{ at: new Date().toISOString(), payload: { words: `n ${i}` } },
        }
        await fetch(`${address}/api/jobs/${job!.id}/entries`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        })
        await page.waitForFunction((wanted) => wanted in window.arrived, id, { polling: 20 })
      }
      const arrived = await page.evaluate(() => window.arrived)
      await page.close()
      const times = [...posted].map(([id, at]) => arrived[id]! - at).sort((a, b) => a - b)
      const at = (share: number) => times[Math.floor(share * times.length)]!
      return { median: at(0.5), p95: at(0.95) }
    }
    const own = await measured(address)
    const across = await measured(other.address)
    return [
      { name: 'from POST to another page, same server process, median', value: own.median, unit: 'ms' },
      {
        name: 'from POST to another page, same server process, 95th percentile',
        value: own.p95,
        unit: 'ms',
      },
      {
        name: 'from POST to another page, by the other process, median',
        value: across.median,
        unit: 'ms',
      },
      {
        name: 'from POST to another page, by the other process, 95th percentile',
        value: across.p95,
        unit: 'ms',
      },
    ]
  } finally {
    await browser.close()
    await other.stop()
    await stopSuite('bench')
  }
}

declare global {
  interface Window {
    arrived: Record<string, number>
  }
}
/** Notes when each entry comes in the page's own stream; whole milliseconds, by the one clock of this machine. */
const COUNT = `
  window.arrived = {}
  const Own = EventSource
  window.EventSource = class extends Own {
    constructor(...args) {
      super(...args)
      this.addEventListener('entry', (event) => (window.arrived[JSON.parse(event.data).id] = Date.now()))
    }
  }`

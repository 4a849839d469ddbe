import { chromium, type Page } from '@playwright/test'
import type { BenchJob, Page as List, Person } from '../contract'
import { loadDemo } from '../demo/load'
import { CHROMIUM } from '../scripts/chromium'
import { startSuite, stopSuite } from '../tests/harness/running'
import type { Row } from './measure'

const CALLS = 200
const WARM = 12
/** ms that a touch may take to the other device. */
const MAY = 150

/** A coached bleed on two pages: from the touch on one to the call on the other. */
export async function benchCoach(): Promise<Row[]> {
  const { address } = await startSuite('bench', loadDemo)
  const browser = await chromium.launch(CHROMIUM)
  try {
    const get = async <T>(path: string) => (await (await fetch(`${address}/api${path}`)).json()) as T
    const job = (await get<List<BenchJob>>('/jobs')).items.find((one) =>
      one.vehicleName.startsWith('Quarry'),
    )!
    const people = (await get<List<Person>>('/people')).items
    const open = async (i: number): Promise<Page> => {
      const page = await (
        await browser.newContext({ viewport: { width: 1280, height: 800 } })
      ).newPage()
      await page.addInitScript((id) => localStorage.setItem('mellow-person', id), people[i]!.id)
      await page.goto(`${address}/jobs/${job.id}/bleed/coach`)
      return page
    }
    const lead = await open(0)
    const more = lead.getByRole('button', { name: /^One cycle more/ })
    await more.waitFor()
    for (let i = 0; i < 50; i++) await more.click()
    await lead.getByRole('button', { name: 'Start calling' }).click()
    const other = await open(1)
    await other.getByRole('button', { name: 'Join at the pedal' }).click()
    const pages = { bleeder: lead, pedal: other }
    for (const page of Object.values(pages)) {
      await page.locator('[data-coach]').waitFor()
      await page.evaluate(SEEN)
    }
    const times = { lead: [] as number[], other: [] as number[] }
    for (let i = 0; times.lead.length + times.other.length < CALLS; i++) {
      const { role, state, n } = await lead.evaluate<{ role?: string; state: string; n: string }>(
        '({ ...document.querySelector("[data-coach]").dataset })',
      )
      const next = Number(n) + 1
      const from = role === 'pedal' ? other : lead
      const to = from === lead ? other : lead
      if (state !== 'call' && state !== 'waits') await lead.keyboard.press('t')
      const began = state === 'call' || state === 'waits' ? await from.evaluate<number>(TOUCH) : NaN
      const arrived = await to.evaluate<number>(`shown(${next})`)
      await from.evaluate(`shown(${next})`)
      // What the device that leads touches goes one way; the other's goes there and comes back as a new call.
      if (i >= WARM && began) times[from === lead ? 'lead' : 'other'].push(arrived - began)
    }
    const all = [...times.lead, ...times.other]
    const at = (list: number[], share: number) =>
      [...list].sort((a, b) => a - b)[Math.floor(share * (list.length - 1))]!
    return [
      {
        name: `touch to the other device, median of ${all.length} calls`,
        value: at(all, 0.5),
        unit: 'ms',
      },
      {
        name: `touch to the other device, 95th of ${all.length} calls`,
        value: at(all, 0.95),
        unit: 'ms',
        ratio: at(all, 0.95) / MAY,
        of: `the ${MAY} ms that it may take`,
      },
      { name: 'of the device that leads, 95th', value: at(times.lead, 0.95), unit: 'ms' },
      { name: 'of the other, 95th', value: at(times.other, 0.95), unit: 'ms' },
    ]
  } finally {
    await browser.close()
    await stopSuite('bench')
  }
}

/** Notes when each state was on the page, by one clock for all pages of this machine. As text: what runs this file would put names of its own into it. */
const SEEN = `
  globalThis.when = new Map()
  globalThis.waiting = new Map()
  const coach = document.querySelector('[data-coach]')
  const now = () => performance.timeOrigin + performance.now()
  const see = () => {
    const n = Number(coach.dataset.n)
    if (when.has(n)) return
    when.set(n, now())
    waiting.get(n)?.(when.get(n))
  }
  see()
  new MutationObserver(see).observe(coach, { attributes: true, attributeFilter: ['data-n'] })
  globalThis.shown = (n) =>
    when.get(n) ?? new Promise((resolve) => waiting.set(n, resolve))
`
const TOUCH = `
  (() => {
    const began = performance.timeOrigin + performance.now()
    document.querySelector('[data-answer]').click()
    return began
  })()
`

import { chromium, type Page } from '@playwright/test'
import { loadDemo } from '../demo/load'
import type { BenchJob, Page as List, Person } from '../contract'
import { CHROMIUM } from '../scripts/chromium'
import { startSuite, stopSuite } from '../tests/harness/running'
import type { Row } from './measure'

const MOVES = 240
const WARM = 20

/** Script of the page while a point is dragged, and the heavy run beside it, in the built application. */
export async function benchBrowser(): Promise<Row[]> {
  const { address } = await startSuite('bench', loadDemo)
  const browser = await chromium.launch(CHROMIUM)
  try {
    const get = async <T>(path: string) => (await (await fetch(`${address}/api${path}`)).json()) as T
    const job = (await get<List<BenchJob>>('/jobs')).items.find((one) =>
      one.vehicleName.startsWith('Mail'),
    )!
    const [person] = (await get<List<Person>>('/people')).items
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    await context.addInitScript(ANSWERS)
    await context.addInitScript((id) => localStorage.setItem('mellow-person', id), person!.id)
    const page = await context.newPage()
    await page.goto(`${address}/jobs/${job.id}/circuit/route`)
    await page.locator('[data-point="3"]').waitFor()
    await page.evaluate(COUNT)
    const idle = await moves(page, null)
    const height = await moves(page, 3)
    const union = await moves(page, 5)
    await page.goto(`${address}/jobs/${job.id}/circuit/whatif`)
    return [
      {
        name: 'floor: script of a pointer moving over nothing, median',
        value: at(idle, 0.5),
        unit: 'ms',
      },
      {
        name: 'drag a point: line, crest and ladder redrawn, script, median',
        value: at(height, 0.5),
        unit: 'ms',
        ratio: at(height, 0.5) / at(idle, 0.5),
        of: 'floor',
      },
      { name: 'drag a point, script, 95th percentile', value: at(height, 0.95), unit: 'ms' },
      {
        name: 'drag a union (lengths and budget change), 95th percentile',
        value: at(union, 0.95),
        unit: 'ms',
      },
      ...(await heavy(page)),
      ...(await interrupted(page)),
      ...(await bleeding(page, address)),
    ]
  } finally {
    await browser.close()
    await stopSuite('bench')
  }
}

const at = (times: number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.floor(share * (times.length - 1))]!

/**
 * Counts the script of every pointer move: from before the page's own listeners to after its redrawing, which it does in
 * a microtask that was asked for before ours. As text: what runs this file would put names of its own into a function.
 */
const COUNT = `
  globalThis.moves = []
  let began = 0
  addEventListener('pointermove', () => { began = performance.now() }, { capture: true })
  addEventListener('pointermove', () => queueMicrotask(() => moves.push(performance.now() - began)))
`

/** Script for each move of the pointer, ms; with a point in hand unless it is null. */
async function moves(page: Page, point: number | null): Promise<number[]> {
  const box = (await page.locator(`[data-point="${point ?? 3}"]`).boundingBox())!
  const below = point === null ? 60 : 0
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y + below)
  if (point !== null) await page.mouse.down()
  for (let i = 0; i < WARM + MOVES; i++) {
    // The first moves warm the page up.
    if (i === WARM) await page.evaluate('moves.length = 0')
    const angle = i / 9
    await page.mouse.move(x + 30 * Math.sin(angle), y + below + 30 * Math.cos(1.3 * angle))
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => done(null))))
  }
  const times = await page.evaluate<number[]>('[...moves]')
  if (times.length < MOVES) throw new Error(`only ${times.length} moves were seen`)
  if (point !== null) {
    await page.mouse.up()
    await page.getByRole('button', { name: 'Undo' }).first().click()
  }
  return times
}

/** The worker's own time for ten thousand draws, and the longest that a frame had to wait meanwhile. */
async function heavy(page: Page): Promise<Row[]> {
  await page.getByRole('button', { name: /^Draw [0-9]/ }).waitFor()
  // As text: what runs this file would put names of its own into a function.
  await page.evaluate(`
    globalThis.seen = { last: performance.now(), longest: 0, on: true }
    requestAnimationFrame(function frame() {
      const now = performance.now()
      seen.longest = Math.max(seen.longest, now - seen.last)
      seen.last = now
      if (seen.on) requestAnimationFrame(frame)
    })
  `)
  await page.getByRole('button', { name: /^Draw [0-9]/ }).click()
  const words = page.getByText(/circuits in [\d.]+ s/)
  await words.waitFor()
  const took = Number(/in ([\d.]+) s/.exec((await words.textContent())!)![1])
  const longest = await page.evaluate<number>('(seen.on = false) || seen.longest')
  return [
    {
      name: '10 000 draws in the browser’s worker, start of it included',
      value: 1000 * took,
      unit: 'ms',
    },
    { name: 'longest wait for a frame meanwhile', value: longest, unit: 'ms' },
  ]
}

/**
 * Notes when each message to a worker was sent, and when the answer of the same id came: for a run that is replaced, from the
 * newer question to the end of the older.
 */
const ANSWERS = `
  globalThis.answered = { stop: [], change: [] }
  globalThis.Worker = class extends Worker {
    asks = []
    stops = new Map()
    constructor(...args) {
      super(...args)
      this.addEventListener('message', ({ data }) => {
        const now = performance.now()
        if (this.stops.has(data?.id)) answered.stop.push(now - this.stops.get(data.id))
        const at = this.asks.findIndex((ask) => ask.id === data?.id)
        const next = at < 0 ? undefined : this.asks[at + 1]
        if (next && data.value?.ended === false) answered.change.push(now - next.sent)
        if (at >= 0) this.asks.splice(at, 1)
      })
    }
    postMessage(message, ...more) {
      const sent = performance.now()
      if (message?.path?.[0] === 'stop') this.stops.set(message.id, sent)
      if (message?.path?.[0] === 'ask') this.asks.push({ id: message.id, sent })
      super.postMessage(message, ...more)
    }
  }
`
const INTERRUPTIONS = 40

/** How soon the worker answers that it is to stop, or to draw from other figures, in the midst of ten thousand draws. */
async function interrupted(page: Page): Promise<Row[]> {
  await page.getByText('Measuring errors allowed for').click()
  const error = page.getByLabel('Tape at the pad, mm')
  const draw = page.getByRole('button', { name: /^Draw [0-9]/ })
  await page.evaluate('answered.stop.length = answered.change.length = 0')
  for (let i = 0; i < INTERRUPTIONS; i++) {
    await draw.click()
    await error.fill(String(0.5 + i / 100))
    await page.getByRole('button', { name: 'Stop', exact: true }).click()
    await draw.waitFor()
  }
  const { stop, change } = await page.evaluate<{ stop: number[]; change: number[] }>('answered')
  if (stop.length < INTERRUPTIONS / 2 || change.length < INTERRUPTIONS / 2)
    throw new Error(`the worker was interrupted only ${stop.length} and ${change.length} times`)
  return [
    {
      name: `worker answers “stop” in a run, longest of ${stop.length}`,
      value: at(stop, 1),
      unit: 'ms',
    },
    {
      name: `worker answers “change” in a run, longest of ${change.length}`,
      value: at(change, 1),
      unit: 'ms',
    },
  ]
}

/** Frames of the inside view while it plays, and tasks of the page while methods are ranked. */
async function bleeding(page: Page, address: string): Promise<Row[]> {
  const jobs = (await (await fetch(`${address}/api/jobs?limit=200`)).json()) as List<BenchJob>
  const { id } = jobs.items.find(({ vehicleName }) => vehicleName.startsWith('Ferry shuttle'))!
  await page.addInitScript(`
    globalThis.tasks = []
    new PerformanceObserver((list) => tasks.push(...list.getEntries().map((one) => one.duration)))
      .observe({ type: 'longtask' })
  `)
  await page.goto(`${address}/jobs/${id}/bleed`)
  await page.locator('[data-advice]').waitFor()
  // Both threads stand. Touched by a script: looking for a role takes the page longer than anything of its own.
  await page.waitForTimeout(1500)
  await page.evaluate(
    `tasks.length = 0
     globalThis.began = performance.now()
     document.querySelector('a[href$="/bleed/methods"]').click()`,
  )
  await page.locator('[data-way]').first().waitFor()
  const first = await page.evaluate<number>('performance.now() - began')
  await page.locator('[data-change]').first().waitFor({ timeout: 60_000 })
  await page.waitForFunction(() => !document.querySelector('main progress'), null, { timeout: 60_000 })
  const all = await page.evaluate<number>('performance.now() - began')
  const longest = await page.evaluate<number>('Math.max(0, ...tasks)')
  await page.getByRole('link', { name: 'Inside', exact: true }).click()
  const select = page.locator('[data-inside] select')
  await select.selectOption({ label: 'Pump, hold, open, close' })
  await page.locator('[data-caption]', { hasText: 'cycle 1' }).waitFor()
  // From the first callback of a frame to its last, when style and layout are asked for.
  await page.evaluate(`
    globalThis.frames = []
    globalThis.frameBegan = 0
    requestAnimationFrame(function first() {
      frameBegan = performance.now()
      requestAnimationFrame(first)
    })
  `)
  await page.getByRole('button', { name: 'Play' }).click()
  await page.evaluate(`
    requestAnimationFrame(function last() {
      void document.body.offsetHeight
      frames.push(performance.now() - frameBegan)
      requestAnimationFrame(last)
    })
  `)
  while ((await page.evaluate<number>('frames.length')) < 260) await page.waitForTimeout(200)
  const frames = await page.evaluate<number[]>('frames.slice(20)')
  return [
    { name: 'first order of ways, from the touch on Methods', value: first, unit: 'ms' },
    { name: 'all of them, what they hang on and what would change it', value: all, unit: 'ms' },
    {
      name: 'longest task of the page meanwhile',
      value: longest,
      unit: 'ms',
      ratio: longest / 50,
      of: '50 ms',
    },
    {
      name: `inside view playing, script, style and layout of a frame, 95th of ${frames.length}`,
      value: at(frames, 0.95),
      unit: 'ms',
      ratio: at(frames, 0.95) / 8,
      of: 'the 8 ms that it may take',
    },
  ]
}

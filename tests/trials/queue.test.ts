import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Page as List, BenchJob, Person } from '../../contract'
import type { Entry } from '../../core/journal'
import { loadDemo } from '../../demo/load'
import { CHROMIUM } from '../../scripts/chromium'
import { ask, openWorkshop, SCALE, type Workshop } from './workshop'

let workshop: Workshop
let browser: Browser
let person: string
let job: string
beforeAll(async () => {
  workshop = await openWorkshop('queue', loadDemo)
  browser = await chromium.launch(CHROMIUM)
  const get = async <T>(path: string) =>
    (await ask(`${workshop.servers[0].address}/api${path}`)).body as T
  person = (await get<List<Person>>('/people')).items[0]!.id
  job = (await get<List<BenchJob>>('/jobs')).items.find(
    (one) => one.vehicleName === 'Quarry tipper',
  )!.id
})
afterAll(async () => {
  await browser.close()
  await workshop.close()
})

/** Notes of the job at the server that begin with a word, in their order. */
async function notes(word: string): Promise<string[]> {
  const { body } = await ask(`${workshop.servers[0].address}/api/jobs/${job}`)
  return (body as { entries: Entry[] }).entries
    .filter(({ kind }) => kind === 'note')
    .map(({ payload }) => (payload as { words: string }).words)
    .filter((words) => words.startsWith(`${word} `))
}
async function context(script = ''): Promise<BrowserContext> {
  const made = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  await made.addInitScript((id) => {
    try {
      localStorage.setItem('mellow-person', id)
    } catch {
      // This browser keeps nothing.
    }
  }, person)
  if (script) await made.addInitScript(script)
  return made
}
const LINE = 'Say what was seen, felt or measured'
async function open(of: BrowserContext): Promise<Page> {
  const page = await of.newPage()
  await page.goto(`${workshop.servers[0].address}/jobs/${job}/bleed`)
  await page.getByRole('textbox', { name: LINE }).waitFor({ timeout: 20_000 })
  return page
}
async function say(page: Page, words: string): Promise<void> {
  const line = page.getByRole('textbox', { name: LINE })
  await line.fill(`note ${words}`)
  await line.press('Enter')
  await page.waitForFunction(
    (name) => document.querySelector<HTMLInputElement>(`[aria-label="${name}"]`)!.value === '',
    LINE,
  )
}
const status = (page: Page) => page.locator('header [role=status]').innerText()
const settles = (page: Page, words: string | RegExp) =>
  expect.poll(() => status(page), { timeout: 30_000 }).toMatch(words)
/** Answers every entry that is posted instead of the server, until it is let go. */
async function between(of: BrowserContext, status: number, body = '<html>between</html>') {
  await of.route('**/api/jobs/*/entries', (route) =>
    route.request().method() === 'POST'
      ? route.fulfill({ status, contentType: 'text/html', body })
      : route.continue(),
  )
  return () => of.unroute('**/api/jobs/*/entries')
}

const ALL_CODES = Array.from({ length: 105 }, (_, i) => 400 + i)
const CODES = SCALE >= 1 ? ALL_CODES : [400, 502]
const REFUSED = new Set([400, 409, 413, 415, 422])

describe('what was entered in a browser', () => {
  it('is never lost, whatever something between the browser and the server answers', async () => {
    const of = await context()
    const lost: string[] = []
    for (const code of CODES) {
      const letGo = await between(of, code)
      const page = await open(of)
      await say(page, `code${code} 1`)
      await settles(page, REFUSED.has(code) ? /the rest is sent/ : /kept here/)
      await letGo()
      await page.close()
      const again = await open(of)
      if (REFUSED.has(code)) {
        const aside = again.locator('[data-aside]').filter({ hasText: `code${code} 1` })
        await aside.waitFor()
        await aside.getByRole('button', { name: 'Send again' }).click()
      }
      await settles(again, 'all sent')
      const there = await notes(`code${code}`)
      if (there.length !== 1) lost.push(`${code}: ${there.length}`)
      await again.close()
    }
    expect(lost).toEqual([])
    await of.close()
  })

  it('behind a network’s own log-in page waits, and so it does in a tab that is closed', async () => {
    const of = await context()
    const letGo = await between(of, 200)
    const page = await open(of)
    for (let i = 1; i <= 4; i++) await say(page, `closed ${i}`)
    await settles(page, '4 kept here, server away')
    const other = await open(of)
    await settles(other, '4 kept here, server away')
    await say(other, 'closed 5')
    await page.close()
    await letGo()
    await settles(other, 'all sent')
    expect(await notes('closed')).toEqual([1, 2, 3, 4, 5].map((i) => `closed ${i}`))
    await of.close()
  })

  it('in two tabs is sent by one of them at a time, and either says what waits in the other', async () => {
    const of = await context()
    const letGo = await between(of, 503)
    const [one, two] = [await open(of), await open(of)]
    await say(one, 'tabs 1')
    await settles(two, '1 kept here')
    await say(two, 'tabs 2')
    await settles(one, '2 kept here')
    const posted: string[] = []
    of.on('request', (request) => {
      if (request.method() === 'POST' && request.url().endsWith('/entries'))
        posted.push((request.postDataJSON() as Entry).id)
    })
    await letGo()
    await settles(one, 'all sent')
    await settles(two, 'all sent')
    expect(await notes('tabs')).toEqual(['tabs 1', 'tabs 2'])
    expect(posted).toHaveLength(new Set(posted).size)
    await of.close()
  })

  const STORES = [
    ['that has no store', `Object.defineProperty(window, 'indexedDB', { value: undefined })`],
    [
      'whose store may not be opened',
      `IDBFactory.prototype.open = () => { throw new DOMException('insecure', 'SecurityError') }`,
    ],
    [
      'whose store never answers',
      `IDBFactory.prototype.open = () => Object.setPrototypeOf({ addEventListener() {}, removeEventListener() {} }, IDBOpenDBRequest.prototype)`,
    ],
    [
      'whose store is full',
      `IDBObjectStore.prototype.put = () => { throw new DOMException('full', 'QuotaExceededError') }`,
    ],
    [
      'that keeps nothing at all',
      `Object.defineProperty(window, 'localStorage', { get() { throw new DOMException('denied', 'SecurityError') } })`,
    ],
  ] as const
  // The first and the fullest; all of them in `npm run trials`.
  it.each(SCALE >= 1 ? STORES : [STORES[0], STORES[3]])(
    '%s opens, files and sends, and says what it cannot keep',
    async (name, script) => {
      const of = await context(script)
      const errors: string[] = []
      of.on('weberror', (error) => errors.push(error.error().message))
      if (name === 'that keeps nothing at all') {
        // Its name cannot be kept either: it is picked anew.
        const page = await of.newPage()
        await page.goto(`${workshop.servers[0].address}/`)
        await page.getByRole('heading', { name: 'Who is at this device?' }).waitFor()
        expect(errors).toEqual([])
        await of.close()
        return
      }
      const letGo = await between(of, 503)
      const page = await open(of)
      const word = `store${name.length}`
      await say(page, `${word} 1`)
      await page.getByText('This browser keeps nothing.').waitFor()
      await settles(page, '1 in this page alone, server away')
      await letGo()
      await settles(page, 'all sent')
      expect(await notes(word)).toEqual([`${word} 1`])
      expect(errors).toEqual([])
      await of.close()
    },
  )

  it('whose clock was put back before the undo still takes the right one back', async () => {
    const of = await context()
    const letGo = await between(of, 503)
    const page = await open(of)
    await say(page, 'clock 1')
    await page.close()
    const later = await of.newPage()
    await later.clock.setFixedTime(Date.now() - 3_600_000)
    await later.goto(`${workshop.servers[0].address}/jobs/${job}/bleed`)
    await later.getByRole('textbox', { name: LINE }).waitFor()
    await later.keyboard.press('Control+z')
    await settles(later, '2 kept here')
    await letGo()
    await settles(later, 'all sent')
    expect(await notes('clock')).toEqual(['clock 1'])
    const { body } = await ask(`${workshop.servers[0].address}/api/jobs/${job}`)
    const { entries } = body as { entries: Entry[] }
    const note = entries.find(({ payload }) => (payload as { words?: string }).words === 'clock 1')!
    expect(entries.at(-1)).toMatchObject({ kind: 'withdrawal', withdraws: note.id })
    await of.close()
  })
})

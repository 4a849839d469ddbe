import { test as base, expect, type Page as BrowserPage } from '@playwright/test'
import type { BenchJob, Job, Page, Person, Vehicle, WithEntries } from '../../contract'
import type { Installation } from '../../core/installation'
import { installationFrom, type Entry } from '../../core/journal'
import { endServer, refilled, runningSuite, startSuite } from '../harness/running'
import { WHOLE } from '../whole'
import { DEMO_COPY } from './setup'

/** Each worker has a server and a database of its own, which are filled anew for every test. */
export const SUITE = `e2e${process.env.TEST_PARALLEL_INDEX ?? 0}`
const address = () => runningSuite(SUITE).address
export const url = (path: string): string => `${address()}${path}`
export const get = async <T>(path: string): Promise<T> =>
  (await fetch(url(`/api${path}`))).json() as Promise<T>

export const entriesOf = async (job: string): Promise<Entry[]> =>
  (await get<WithEntries<Job>>(`/jobs/${job}`)).entries
export const demoJob = async (vehicle: string): Promise<BenchJob> =>
  (await get<Page<BenchJob>>('/jobs?limit=200')).items.find((job) =>
    job.vehicleName.startsWith(vehicle),
  )!

/** Puts a name to this browser, as picking one at the bench does. */
export async function beSomebody(page: BrowserPage, look: 'paper' | 'lamp' = 'paper'): Promise<void> {
  const [person] = (await get<Page<Person>>('/people')).items
  await page.addInitScript(
    ([id, chosen]) => {
      localStorage.setItem('mellow-person', id!)
      localStorage.setItem('mellow-look', chosen!)
    },
    [person!.id, look],
  )
}

/** The demo's data as nobody has touched it yet, and a page on which any error of the page's own fails the test. */
export const test = base.extend<{ data: void }, { server: void }>({
  server: [
    async ({}, use) => {
      await startSuite(SUITE)
      await use()
      await endServer(SUITE)
    },
    { scope: 'worker', auto: true, timeout: 60_000 },
  ],
  data: [
    async ({ server: _ }, use) => {
      await refilled(SUITE, DEMO_COPY)
      await use()
    },
    { auto: true },
  ],
  page: async ({ page }, use) => {
    const errors: string[] = []
    page.on('pageerror', (error) => errors.push(error.message))
    await use(page)
    expect(errors).toEqual([])
  },
})
export { expect }

/** Files a reading through its field. */
export async function measure(page: BrowserPage, label: string, value: string): Promise<void> {
  // The same reading may stand at its place and as the best next look.
  const field = page.getByLabel(`${label}, mm`, { exact: true }).first()
  await field.fill(value)
  await field.press('Enter')
  await expect(field).toHaveValue('')
}

export const figure = (page: BrowserPage, name: string) => page.locator(`[data-figure="${name}"]`)
export const allSent = (page: BrowserPage) =>
  expect(page.getByText('all sent')).toBeVisible({ timeout: 30_000 })

/** The installation of a vehicle as the server has it, and a job's own copy of it. */
export const vehicleOf = async (id: string): Promise<Installation> =>
  installationFrom((await get<WithEntries<Vehicle>>(`/vehicles/${id}`)).entries)!
export const installationOf = async (job: BenchJob): Promise<Installation> =>
  installationFrom(await entriesOf(job.id), await vehicleOf(job.vehicleId))!

/** Puts a file into the installation's own place for one. */
export const putFile = (page: BrowserPage, content: unknown): Promise<void> =>
  page.locator('input[type="file"]').setInputFiles({
    name: 'circuit.json',
    mimeType: 'application/json',
    buffer: Buffer.from(typeof content === 'string' ? content : JSON.stringify(content)),
  })

/** Where one looks, in Find. */
export const goTo = (page: BrowserPage, place: string): Promise<void> =>
  page.getByRole('tab', { name: new RegExp(`^${place}`) }).click()

/** Says something on the say-line and files it. */
export async function say(page: BrowserPage, words: string): Promise<void> {
  const line = page.getByRole('textbox', { name: 'Say what was seen, felt or measured' })
  await line.fill(words)
  await line.press('Enter')
  await expect(line).toHaveValue('')
}

/** Sizes at which the longest journeys are gone: the first always, all of them in `npm run trials`. */
const ALL_SIZES = [
  [1280, 800],
  [1024, 768],
  [390, 844],
] as const
export const SIZES = WHOLE ? ALL_SIZES : ALL_SIZES.slice(0, 1)

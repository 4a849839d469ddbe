import type { BrowserContext, Page } from '@playwright/test'
import { monotonicFactory } from 'ulid'
import type { Page as List, Person } from '../../contract'
import { fold, type Entry } from '../../core/journal'
import { killServer, restartServer } from '../harness/running'
import {
  allSent,
  beSomebody,
  demoJob,
  entriesOf,
  expect,
  figure,
  get,
  measure,
  SUITE,
  test,
  url,
} from './app'

const ulid = monotonicFactory()

/** A browser that may keep the application’s own files, as at the bench. */
const keeping = async (page: Page): Promise<BrowserContext> =>
  page
    .context()
    .browser()!
    .newContext({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } })

test('every page opens and reloads with the server stopped, with what this browser knows', async ({
  page: other,
}) => {
  const context = await keeping(other)
  const page = await context.newPage()
  const errors: string[] = []
  page.on('pageerror', ({ message }) => errors.push(message))
  await beSomebody(page)
  const { id } = await demoJob('Mail van')
  await page.goto(url('/'))
  await expect(page.getByRole('link', { name: /Mail van/ })).toBeVisible()
  await page.evaluate(() => navigator.serviceWorker.ready)
  await page.goto(url(`/jobs/${id}/find?at=measured`))
  await expect(figure(page, 'air')).toBeVisible()
  // Filed and confirmed after the page was opened: known all the same.
  await measure(page, 'Rod stroke, full pedal', '9.4')
  await allSent(page)
  await page.goto(url('/vehicles'))
  await expect(page.getByRole('link', { name: /Mail van/ })).toBeVisible()

  await killServer(SUITE)
  await page.goto(url(`/jobs/${id}/find?at=measured`))
  await expect(page.locator('[data-as-of]')).toContainText('The server is away.')
  await expect(page.locator('[data-reading="rodStroke"]')).toContainText('9.4 mm')
  // Find works it all out here, and what is filed waits.
  await expect(page.locator('[data-lead]')).toBeVisible()
  await measure(page, 'Pushrod clearance', '0.5')
  await expect(page.locator('[data-reading="rodClearance"]')).toContainText('0.5 mm, waiting')
  await page.reload()
  await expect(page.locator('[data-reading="rodClearance"]')).toContainText('0.5 mm, waiting')
  for (const path of [
    '/',
    '/vehicles',
    `/jobs/${id}/bleed`,
    `/jobs/${id}/circuit/route`,
    '/jobs/new',
  ]) {
    await page.goto(url(path))
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expect(page.locator('main')).toBeVisible()
  }
  await page.goto(url('/'))
  await expect(page.getByRole('link', { name: /Mail van/ })).toBeVisible()

  await restartServer(SUITE)
  await allSent(page)
  await expect(page.locator('[data-as-of]')).toHaveCount(0, { timeout: 20_000 })
  expect(fold(await entriesOf(id)).readings.asFound.rodClearance!.payload.value).toBe(0.5)
  expect(errors).toEqual([])
  await context.close()
})

test('a reading made elsewhere earlier, and sent later, is shown beside the newer one and does not take its place', async ({
  page,
}) => {
  await beSomebody(page)
  const { id } = await demoJob('Mail van')
  const [, other] = (await get<List<Person>>('/people')).items
  await page.goto(url(`/jobs/${id}/find?at=measured`))
  await measure(page, 'Take-up height', '31')
  await allSent(page)
  const late: Omit<Entry, 'sequence'> = {
    id: ulid(),
    subject: { type: 'job', id },
    kind: 'measurement',
    at: new Date(Date.now() - 3_600_000).toISOString(),
    by: other!.id,
    payload: { reading: 'takeUpHeight', value: 24, phase: 'asFound' },
  }
  await fetch(url(`/api/jobs/${id}/entries`), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(late),
  })
  const beside = page.locator('[data-late]')
  await expect(beside).toContainText('Take-up height 24 mm')
  await expect(beside).toContainText(other!.name)
  await expect(page.locator('[data-reading="takeUpHeight"]')).toContainText('31 mm')
  await beside.getByRole('button', { name: 'Use this one' }).click()
  await expect(page.locator('[data-reading="takeUpHeight"]')).toContainText('24 mm')
  await expect(beside).toHaveCount(0)
  await allSent(page)
  expect(fold(await entriesOf(id)).readings.asFound.takeUpHeight!.payload.value).toBe(24)
})

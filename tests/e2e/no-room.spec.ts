import { chromium, type Page } from '@playwright/test'
import type { Order, Page as Paged } from '../../contract'
import { CHROMIUM } from '../../scripts/chromium'
import { photograph } from '../arbitrary/photograph'
import { killServer, restartServer } from '../harness/running'
import { allSent, beSomebody, demoJob, entriesOf, expect, get, SUITE, test, url } from './app'

/** A store that is nearly full: it takes what is small, and has no room for a photograph. */
const noRoom = (page: Page) =>
  page.addInitScript(() => {
    const { put } = IDBObjectStore.prototype
    IDBObjectStore.prototype.put = function (...given: Parameters<typeof put>) {
      if (given[0] instanceof Blob) throw new DOMException('Quota exceeded.', 'QuotaExceededError')
      return put.apply(this, given)
    }
  })
/** Tries to close the page, as the browser’s own cross does; says what it asked, and stays. */
async function closing(page: Page): Promise<string[]> {
  const asked: string[] = []
  const stay = (dialog: { type: () => string; dismiss: () => Promise<void> }) => {
    asked.push(dialog.type())
    return dialog.dismiss()
  }
  page.once('dialog', stay)
  await page.close({ runBeforeUnload: true })
  await expect.poll(() => asked.length).toBe(1)
  return asked
}

test('a photograph for which this browser has no room is said not to be kept, closing asks, and it arrives all the same', async ({
  page,
}) => {
  await noRoom(page)
  await beSomebody(page)
  const van = await demoJob('Mail van')
  await page.goto(url(`/jobs/${van.id}/circuit/parts`))
  await page.getByRole('button', { name: 'Slave', exact: true }).click()
  await killServer(SUITE)
  const buffer = await photograph()
  await page
    .getByLabel('Photograph: Slave')
    .setInputFiles({ name: 'slave.jpg', mimeType: 'image/jpeg', buffer })
  const bar = page.locator('[data-not-kept]')
  await expect(bar).toContainText('This browser has no room for a photograph.')
  await expect(bar).toContainText('A photograph is not sent yet')
  await expect(page.getByRole('banner')).toContainText('1 in this page alone, server away')
  expect(await closing(page)).toEqual(['beforeunload'])
  await restartServer(SUITE)
  await allSent(page)
  await expect(bar).toHaveCount(0)
  const [photo] = (await entriesOf(van.id)).filter(({ kind }) => kind === 'photo')
  const { file } = photo!.payload as { file: string }
  expect((await fetch(url(`/api/files/${file}`))).status).toBe(200)
})

test('an order that cannot be placed is said not to be, with no promise, and stays in the basket', async ({
  page,
}) => {
  await beSomebody(page)
  const lines = [
    { id: '01J0000000000000000000BASK', words: 'hose', supplier: 'Saltmarsh', quantity: 2, price: 9 },
  ]
  await fetch(url('/api/orders'), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ lines }),
  })
  await page.goto(url('/shelf/basket'))
  const draft = page.locator('[data-draft="Saltmarsh"]')
  const order = draft.getByRole('button', { name: 'Ordered by phone: note it' })
  const stands = async () =>
    (await get<Paged<Order>>('/orders')).items.find(({ supplier }) => supplier === 'Saltmarsh')?.state

  await test.step('the database away', async () => {
    await page.route('**/place', (route) =>
      route.fulfill({
        status: 503,
        contentType: 'application/problem+json',
        body: JSON.stringify({
          status: 503,
          detail: 'The database does not answer.',
          type: '',
          title: '',
        }),
      }),
    )
    await order.click()
    await expect(draft.getByRole('alert')).toHaveText(
      'Not ordered. The database does not answer. Nothing was changed. The basket is as it was.',
    )
    await page.unroute('**/place')
  })
  await test.step('the server away', async () => {
    await killServer(SUITE)
    await order.click()
    await expect(draft.getByRole('alert')).toHaveText(
      /^The server does not answer, so this was most likely not done: look again once it is back\.$/,
    )
    await expect(draft.getByRole('alert')).not.toContainText('is sent')
    await restartServer(SUITE)
    expect(await stands()).toBe('draft')
  })
  await order.click()
  await expect.poll(stands).toBe('placed')
})

test('the page may use the microphone, and nobody else’s page in it', async () => {
  const browser = await chromium.launch({
    ...CHROMIUM,
    executablePath: CHROMIUM.executablePath,
    args: [...CHROMIUM.args, '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
  })
  try {
    const page = await browser.newPage()
    const hears = async () => {
      await page.goto(url('/'))
      return page.evaluate(() =>
        navigator.mediaDevices.getUserMedia({ audio: true }).then(
          (stream) => stream.getAudioTracks().map(({ readyState }) => readyState),
          (error: Error) => error.name,
        ),
      )
    }
    expect(await hears()).toEqual(['live'])
    // With the header that forbids it the same browser hears nothing: it is the header that decides.
    await page.route(url('/'), async (route) => {
      const response = await route.fetch()
      await route.fulfill({
        response,
        headers: { ...response.headers(), 'permissions-policy': 'microphone=()' },
      })
    })
    expect(await hears()).toBe('NotAllowedError')
  } finally {
    await browser.close()
  }
})

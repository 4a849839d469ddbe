import { gzipSync } from 'node:zlib'
import {
  allSent,
  beSomebody,
  demoJob,
  entriesOf,
  expect,
  figure,
  goTo,
  measure,
  test,
  url,
} from './app'
import { filedElsewhere } from './trial'

test('the first page weighs less than 180 kB of script and style, gzipped, and asks for what it shows once', async ({
  page,
}) => {
  await beSomebody(page)
  const loads: Promise<Buffer>[] = []
  page.on('response', (response) => {
    if (/\.(js|css)$/.test(new URL(response.url()).pathname)) loads.push(response.body())
  })
  const asked: string[] = []
  page.on('request', (request) => {
    const { pathname, search } = new URL(request.url())
    if (pathname.startsWith('/api/')) asked.push(pathname + search)
  })
  await page.goto(url('/'))
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible()
  await page.waitForLoadState('networkidle')
  expect(loads.length).toBeGreaterThan(2)
  const bytes = (await Promise.all(loads)).reduce((sum, body) => sum + gzipSync(body).length, 0)
  expect(bytes).toBeGreaterThan(20_000)
  expect(bytes).toBeLessThan(180_000)
  const some = ['/api/due/came-back', '/api/orders/awaited', '/api/people?limit=200']
  expect(asked).toEqual(expect.arrayContaining(some))
  expect(asked.filter((one, i) => asked.indexOf(one) !== i)).toEqual([])
})

test('the say-line understands, previews, files, refuses and takes back', async ({ page }) => {
  await beSomebody(page)
  const { id } = await demoJob('Mail van')
  await page.goto(url(`/jobs/${id}/find?at=measured`))
  await expect(figure(page, 'air')).toBeVisible()
  const say = page.getByRole('textbox', { name: 'Say what was seen, felt or measured' })
  const before = (await entriesOf(id)).length

  await page.keyboard.press('/')
  await expect(say).toBeFocused()
  await page.keyboard.type('sink 6 in 60')
  await expect(
    page.getByText('Sink under a held foot 6.0 mm in 60 s → 3.3 mm³/s past the cup or out'),
  ).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(say).toHaveValue('')
  await expect(page.locator('[data-reading="sink"]')).toHaveText('6 mm in 60 s')

  await page.keyboard.type('boot purple')
  await page.keyboard.press('Enter')
  await expect(
    page.getByRole('status').filter({ hasText: 'say “wet”, “dry” or “not looked”' }),
  ).toBeVisible()
  await expect(say).toHaveValue('boot purple')
  // Each statement is completed for itself; a slip of the finger is understood, and shown before it is filed.
  await say.fill('boot wte, sedim')
  await page.keyboard.press('ArrowRight')
  await expect(say).toHaveValue('boot wte, sediment ')
  await page.keyboard.type('clean')
  await expect(
    page.getByText('Slave boot peeled back: wet; Bottom of the reservoir: clean'),
  ).toBeVisible()
  await say.fill('boot')
  await page.keyboard.press('ArrowRight')
  await expect(say).toHaveValue('boot wet ')
  await page.keyboard.press('Enter')
  await goTo(page, 'Underneath')
  await expect(
    page.getByRole('group', { name: 'Slave boot peeled back' }).getByRole('button', { name: 'wet' }),
  ).toHaveAttribute('aria-pressed', 'true')
  await expect(page.getByRole('group', { name: /boot wet/ })).toBeVisible()

  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('group', { name: /boot wet/ })).toHaveCount(0)
  await allSent(page)
  const entries = await entriesOf(id)
  expect(entries.slice(before).map((entry) => entry.kind)).toEqual([
    'measurement',
    'finding',
    'withdrawal',
  ])

  await goTo(page, 'Measured')
  await page.getByRole('button', { name: 'Journal' }).click()
  const line = page.getByRole('listitem').filter({ hasText: 'Slave boot peeled back: wet' })
  await expect(line).toContainText('taken back')
  await line.getByRole('button', { name: 'Restore' }).click()
  await expect(line).not.toContainText('taken back')
  const sink = page.getByRole('listitem').filter({ hasText: 'Sink under a held foot 6.0 mm in 60 s' })
  await sink.getByRole('button', { name: 'Correct' }).click()
  await page.getByRole('textbox', { name: /corrected/ }).fill('900')
  await page.getByRole('button', { name: 'Save correction' }).click()
  await expect(page.getByText('Sink under a held foot: 0 to 500 mm')).toBeVisible()
  await page.getByRole('textbox', { name: /corrected/ }).fill('4')
  await page.getByRole('button', { name: 'Save correction' }).click()
  await page.keyboard.press('Escape')
  await expect(page.locator('[data-reading="sink"]')).toHaveText('4 mm in 60 s')
})

test('a stop-work finding stops, plainly, until it is found mended', async ({ page }) => {
  await beSomebody(page)
  const { id } = await demoJob('Mail van')
  await page.goto(url(`/jobs/${id}/find?at=underneath`))
  const fork = page.getByRole('group', { name: 'Fork, pivot and bracket' })
  await fork.getByRole('button', { name: 'cracked' }).click()
  await expect(page.getByRole('alert')).toContainText('Stop. A cracked fork, pivot or bracket')
  await page.keyboard.press('5')
  await expect(figure(page, 'verdict')).toHaveText('Stop')
  await page.keyboard.press('1')
  await goTo(page, 'Underneath')
  await fork.getByRole('button', { name: 'sound' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('what waits survives a reload and is sent once', async ({ page }) => {
  await beSomebody(page)
  const { id } = await demoJob('Quarry')
  const before = (await entriesOf(id)).length
  await page.route('**/api/jobs/*/entries', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  )
  await page.goto(url(`/jobs/${id}/bleed`))
  await measure(page, 'Free travel at the pad', '29')
  await expect(page.getByText('1 kept here, server away')).toBeVisible()
  await page.reload()
  await expect(page.getByText('1 kept here, server away')).toBeVisible()
  await expect(page.locator('[data-reading="freeTravel"]')).toHaveText(/29 mm, waiting/)
  await page.unroute('**/api/jobs/*/entries')
  await allSent(page)
  await expect(page.locator('[data-reading="freeTravel"]')).toHaveText('29 mm')
  expect((await entriesOf(id)).length).toBe(before + 1)
})

test('a stream that breaks off before its first word is opened anew, and then carries what others file', async ({
  page,
}) => {
  await beSomebody(page)
  const job = await demoJob('Quarry')
  // The browser’s own way of coming back makes no new stream, and waits for seconds.
  await page.addInitScript(() => {
    const counted = window as unknown as { streams: number }
    counted.streams = 0
    window.EventSource = class extends EventSource {
      constructor(url: string | URL, init?: EventSourceInit) {
        super(url, init)
        counted.streams += 1
      }
    }
  })
  let broken = 0
  await page.route('**/live?**', (route) => (++broken <= 2 ? route.abort() : route.continue()))
  await page.goto(url(`/jobs/${job.id}/bleed`))
  const made = () => page.evaluate(() => (window as unknown as { streams: number }).streams)
  await expect.poll(made).toBe(3)
  expect(broken).toBe(3)
  const before = (await entriesOf(job.id)).length
  await filedElsewhere(job.id, 'note', { words: 'Heard from the other side' })
  await page.getByRole('button', { name: 'Journal' }).click()
  await expect(page.getByRole('list', { name: 'Entries, newest first' })).toContainText(
    'Heard from the other side',
  )
  expect(await entriesOf(job.id)).toHaveLength(before + 1)
})

test('two tablets on one job come together', async ({ page, browser }) => {
  await beSomebody(page)
  const { id } = await demoJob('School')
  const other = await (await browser.newContext()).newPage()
  await beSomebody(other)
  await page.goto(url(`/jobs/${id}/find?at=measured`))
  await other.goto(url(`/jobs/${id}/find?at=measured`))
  await expect(figure(other, 'air')).toBeVisible()
  await measure(page, 'Pad won by quick strokes', '12')
  await allSent(page)
  await expect(other.locator('[data-reading="pumpUpGain"]')).toHaveText('12 mm', { timeout: 20_000 })
  await other.context().close()
})

test('an assumed figure is replaced by a reading, and every answer narrows', async ({ page }) => {
  await beSomebody(page)
  const { id, vehicleId } = await demoJob('Mail van')
  const width = async () => {
    const [, low, high] = /ml\s*([\d.]+) to ([\d.]+)/.exec(await figure(page, 'air').innerText())!
    return Number(high) - Number(low)
  }
  await page.goto(url(`/jobs/${id}/find?at=measured`))
  await expect(figure(page, 'air')).toBeVisible()
  const wide = await width()
  await page.goto(url(`/vehicles/${vehicleId}/parts`))
  await page.getByRole('button', { name: 'Master', exact: true }).click()
  const field = page.getByLabel('Port closure, measured')
  await field.fill('44')
  await field.press('Enter')
  await expect(page.getByText('Give a number from 0 to 20 mm')).toBeVisible()
  await expect(field).toHaveValue('44')
  await field.fill('1.2')
  await field.press('Enter')
  await expect(page.locator('[data-measured="master.portClosure"]')).toHaveText('1.2 mm')
  await expect(page.locator('[data-assumed="master.portClosure"]')).toHaveCount(0)
  await allSent(page)
  await page.goto(url(`/jobs/${id}/find?at=measured`))
  await expect(figure(page, 'air')).toBeVisible()
  expect(await width()).toBeLessThan(wide)
})

for (const [width, height, room] of [
  [1280, 800, { width: 960, height: 620 }],
  [1024, 768, { width: 700, height: 580 }],
] as const)
  test(`at ${width} × ${height} a stage is used with the line open and folded, by key and by touch`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height })
    await beSomebody(page)
    const { id } = await demoJob('Mail van')
    await page.goto(url(`/jobs/${id}/find?at=measured`))
    await expect(page.locator('[data-lead]')).toBeVisible()
    const sideways = () =>
      page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
    expect(await sideways()).toBe(0)
    const stage = () => page.getByRole('main').evaluate((main) => main.getBoundingClientRect().toJSON())
    const open = await stage()
    await page.keyboard.press('l')
    const strip = page.locator('[data-strip]')
    await expect(strip).toBeVisible()
    expect((await strip.boundingBox())!.height).toBeLessThanOrEqual(57)
    // What the line says is still read on it.
    await expect(strip.locator('[data-part="reservoir"]')).toContainText('level low')
    await expect(strip.locator('[data-part="master"]')).toContainText('damp at the rod end')
    await expect(strip.locator('[data-part="master"]')).toContainText('%')
    const folded = await stage()
    expect(folded.height).toBeGreaterThan(open.height + 100)
    expect(folded.height).toBeGreaterThanOrEqual(room.height)
    expect(folded.width).toBeGreaterThanOrEqual(room.width)
    await measure(page, 'Pad won by quick strokes', '14')
    await expect(page.locator('[data-reading="pumpUpGain"]')).toHaveText(/14 mm/)

    // Remembered for this stage, and for this one only.
    await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /Bleed/ }).click()
    await expect(page.getByRole('button', { name: 'Fold the line' })).toBeVisible()
    await page.keyboard.press('1')
    await expect(page).toHaveURL(/find/)
    await page.reload()
    await expect(strip).toBeVisible()
    await page.getByRole('button', { name: 'Show the line' }).click()
    await expect(strip).toHaveCount(0)
    if (width < 1100) {
      await page.getByRole('button', { name: 'Fold the ladder' }).click()
      await expect(page.locator('[data-ladder-aside]')).toContainText('mm')
      expect((await stage()).width).toBeGreaterThan(open.width + 150)
      await page.keyboard.press('p')
      await expect(page.locator('[data-ladder-aside]')).toHaveCount(0)
    }
    // Three states side by side.
    await page.goto(url(`/jobs/${(await demoJob('School')).id}/prove`))
    await expect(figure(page, 'verdict')).toBeVisible()
    expect(await sideways()).toBe(0)
  })

test('small screens keep every control', async ({ page }) => {
  await beSomebody(page)
  const { id } = await demoJob('Mail van')
  await page.setViewportSize({ width: 390, height: 780 })
  await page.goto(url(`/jobs/${id}/bleed`))
  await expect(page.getByRole('button', { name: 'Clear', exact: true })).toBeVisible()
  // The say-line is at hand without scrolling.
  const line = page.getByRole('textbox', { name: 'Say what was seen, felt or measured' })
  const at = (await line.boundingBox())!
  expect(at.y + at.height).toBeLessThanOrEqual(780)
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)
  expect(overflow).toBeLessThanOrEqual(0)
})

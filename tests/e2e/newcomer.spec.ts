import type { Page } from '@playwright/test'
import { monotonicFactory } from 'ulid'
import type { Page as List, Person, Vehicle } from '../../contract'
import { fold } from '../../core/journal'
import { expectedReading } from '../../core/proof'
import {
  allSent,
  beSomebody,
  demoJob,
  entriesOf,
  expect,
  figure,
  get,
  goTo,
  installationOf,
  say,
  test,
  url,
} from './app'
import { answer, open } from './trial'

const ulid = monotonicFactory()
const understood = (page: Page) => page.locator('#understood')
const line = (page: Page) => page.getByRole('textbox', { name: 'Say what was seen, felt or measured' })

test('what a reading should show stands beside it; it is timed and taped on the page', async ({
  page,
}) => {
  await page.clock.install()
  await beSomebody(page)
  const job = await demoJob('Mail van')
  await page.goto(url(`/jobs/${job.id}/find?at=measured`))
  const field = (name: string) => page.locator('form').filter({ hasText: name }).first()
  const expected = expectedReading('rodStroke', await installationOf(job))!
  await expect(field('Rod stroke, full pedal').locator('[data-expected]')).toHaveText(
    `Should show ${expected.low.toFixed(0)} to ${expected.high.toFixed(0)} mm`,
  )
  await expect(field('Sink under a held foot').locator('[data-expected]')).toHaveText(
    'Should show at most 2.0 mm in 60 s',
  )

  await page.getByRole('button', { name: 'Stopwatch: Sink under a held foot' }).click()
  // Only the time that is let pass is timed, however long the touches take here.
  await page.clock.pauseAt((await page.evaluate(() => Date.now())) + 2000)
  await page.getByRole('button', { name: 'Start the watch: Sink under a held foot' }).click()
  await page.clock.runFor(45_000)
  await page.getByRole('button', { name: 'Stop the watch: Sink under a held foot' }).click()
  await expect(page.getByLabel('Sink under a held foot, seconds')).toHaveValue('45')
  await page.clock.resume()
  await page.getByRole('button', { name: 'Before and after: Sink under a held foot' }).click()
  const sum = page.locator('[data-tape-sum]')
  // By one knuckle: key after key.
  for (const key of ['9', '8']) await sum.getByRole('button', { name: key, exact: true }).click()
  await sum.getByRole('button', { name: 'Next', exact: true }).click()
  for (const key of ['8', '9']) await sum.getByRole('button', { name: key, exact: true }).click()
  await expect(figure(page, 'difference')).toHaveText('9.0 mm')
  await sum.getByRole('button', { name: 'Use it' }).click()
  await expect(page.getByLabel('Sink under a held foot, mm').first()).toHaveValue('9')
  await page.getByLabel('Sink under a held foot, mm').first().press('Enter')
  await expect(page.locator('[data-reading="sink"]')).toContainText('9 mm in 45 s')
  await allSent(page)
  expect(fold(await entriesOf(job.id)).readings.asFound.sink!.payload).toMatchObject({
    value: 9,
    duration: 45,
  })
})

test('a squeak is hunted from place to place and ringed on the line; oil is all the work, and the proof is short', async ({
  page,
}) => {
  await beSomebody(page)
  const { id } = await open('small-car', ['squeaks'])
  await page.goto(url(`/jobs/${id}/find?at=noise`))
  for (const place of ['Pedal', 'Pivot', 'Master', 'Slave'])
    await page.getByRole('button', { name: `${place}: Same` }).click()
  await page.getByRole('button', { name: 'Rod: Louder' }).click()
  await expect(page.locator('[data-noise="noiseAtRod"].loud')).toBeVisible()
  await expect(page.locator('[data-noise="noiseAtMaster"].loud')).toHaveCount(0)
  await expect(page.locator('[data-loudest]')).toContainText('rod')
  await expect(page.locator('[data-suspect="pinWorn"]')).toBeVisible()

  await say(page, 'oiled the clevis pin')
  await page.goto(url(`/jobs/${id}/prove`))
  await expect(page.locator('[data-done="grease"]')).toContainText('oiled the clevis pin')
  await expect(page.locator('[data-narrowed]')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Measure again' })).toHaveCount(0)
  await expect(figure(page, 'verdict')).toHaveText('Not yet')
  await page.getByRole('button', { name: 'Squeak or creak at the pedal: Gone', exact: true }).click()
  for (const name of ['Noise at the rod and its clevis: loudest here: Gone'])
    await page.getByRole('button', { name, exact: true }).click()
  await expect(figure(page, 'verdict')).toHaveText('Proven')
  await page.getByRole('button', { name: 'File this verdict' }).click()

  await page.getByRole('button', { name: 'Close the job' }).click()
  await expect(page.locator('[data-closed]')).toContainText('It is off the bench.')
  await allSent(page)
  expect(fold(await entriesOf(id)).closed).not.toBeNull()
  await page.goto(url('/'))
  await expect(page.getByRole('link', { name: /Mail van/ })).toBeVisible()
  await expect(page.getByRole('link', { name: new RegExp(`Trial ${id.slice(-5)}`) })).toHaveCount(0)
  await page.getByText('Closed', { exact: true }).click()
  await page.getByRole('link', { name: new RegExp(`Trial ${id.slice(-5)}`) }).click()
  await page.getByRole('button', { name: 'Open it again' }).click()
  await expect(page.locator('[data-closed]')).toHaveCount(0)
})

test('a rod that was set asks for the rod again, and not for what it did not touch', async ({
  page,
}) => {
  await beSomebody(page)
  const { id } = await open('small-car', [])
  await page.goto(url(`/jobs/${id}/fit`))
  await page.getByLabel('Threads showing on the rod, threads').fill('61')
  await page.getByLabel('Threads showing on the rod, threads').press('Enter')
  await expect(page.getByText('Threads showing on the rod: 0 to 60. What you typed')).toBeVisible()
  await page.getByLabel('Threads showing on the rod, threads').fill('7')
  await page.getByLabel('Threads showing on the rod, threads').press('Enter')
  await expect(page.locator('[data-found="threadsOnRod"]')).toContainText('7 threads')
  await say(page, 'line runs behind the airbox')
  await expect(page.locator('[data-found="routing"]')).toContainText('line runs behind the airbox')
  await page.getByLabel('Other work').selectOption('Set the pushrod')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.locator('[data-done="rod"]')).toBeVisible()
  await page.getByRole('link', { name: /Prove/ }).click()
  await expect(page.getByLabel('Pushrod clearance, mm')).toBeVisible()
  await expect(page.getByRole('group', { name: 'Under load', exact: true })).toBeVisible()
  await expect(page.getByRole('group', { name: 'Unions after ten hard strokes' })).toHaveCount(0)
  await expect(
    page.locator('summary', { hasText: /Measure more:.*sink under a held foot/ }),
  ).toBeVisible()
  await allSent(page)
  const state = fold(await entriesOf(id))
  expect(state.recorded.map(({ payload }) => payload.item).sort()).toEqual(['routing', 'threadsOnRod'])
})

test('a cycle is corrected; gravity asks for no strokes; undo says what it takes and stays in sight', async ({
  page,
}) => {
  await beSomebody(page)
  const { id } = await open('small-car', [])
  await page.goto(url(`/jobs/${id}/bleed`))
  await page.getByRole('button', { name: 'Few bubbles', exact: true }).click()
  await page.getByRole('button', { name: 'Correct: 1 stroke, few bubbles' }).click()
  const form = page.getByRole('form', { name: 'Correct this cycle' })
  await form.getByLabel('Strokes').fill('0')
  await form.getByRole('button', { name: 'Save correction' }).click()
  await expect(form.getByRole('alert')).toHaveText('Strokes: a whole number, 1 to 200')
  await form.getByLabel('Strokes').fill('5')
  await form.getByLabel('What came out').selectOption('clear')
  await form.getByRole('button', { name: 'Save correction' }).click()
  await expect(figure(page, 'strokes')).toHaveText('5')
  await expect(figure(page, 'clear')).toHaveText('1')
  await page.getByLabel('Method').selectOption('gravity')
  await expect(page.getByRole('group', { name: 'Strokes in this cycle' })).toHaveCount(0)
  await page.getByLabel('In the bottle').fill('40')
  await page.getByRole('button', { name: 'Clear', exact: true }).click()
  await expect(page.getByRole('list', { name: 'Log, newest first' })).toContainText(
    'Gravity, clear, 40 ml',
  )
  await allSent(page)
  const cycles = fold(await entriesOf(id)).bleed.cycles.map(({ payload }) => payload)
  expect(cycles).toEqual([
    { method: 'openPush', strokes: 5, cameOut: 'clear' },
    { method: 'gravity', cameOut: 'clear', bottle: 40_000 },
  ])

  const undo = page.locator('[data-undo]')
  await expect(undo).toHaveAccessibleName('Undo: Gravity, clear, 40 ml')
  await page.goto(url(`/jobs/${id}/circuit/route`))
  // Nothing of this sheet: the cycle is out of sight.
  await expect(page.locator('[data-undo]').first()).toHaveAccessibleName('Undo')
  await page.locator('[data-undo]').first().click()
  await expect(
    page.getByText('Nothing of yours on this page is left to take back').first(),
  ).toBeVisible()
  expect(fold(await entriesOf(id)).bleed.cycles).toHaveLength(2)
})

test('what one job found out about a model stands at the first look of the next', async ({ page }) => {
  await beSomebody(page)
  const van = await demoJob('Mail van')
  const [vehicle] = (await get<List<Vehicle>>('/vehicles?search=Mail')).items
  await page.goto(url(`/jobs/${van.id}/find`))
  await say(page, 'on these, the reservoir hides behind the airbox')
  await allSent(page)
  const note = (await entriesOf(van.id)).at(-1)!
  expect(note).toMatchObject({
    kind: 'modelNote',
    payload: {
      model: vehicle!.model,
      place: 'reservoir',
      words: 'the reservoir hides behind the airbox',
    },
  })
  // Another vehicle of the model.
  const [person] = (await get<List<Person>>('/people')).items
  const id = ulid()
  const sister = ulid()
  const made = (subject: { type: 'job' | 'vehicle'; id: string }, kind: string, payload: unknown) => ({
    id: ulid(),
    subject,
    kind,
    at: new Date().toISOString(),
    by: person!.id,
    payload,
  })
  const post = (path: string, body: unknown) =>
    fetch(url(`/api${path}`), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
  await post('/vehicles', {
    id: sister,
    name: 'Mail van, spare',
    model: vehicle!.model,
    entries: [made({ type: 'vehicle', id: sister }, 'installation', await installationOf(van))],
  })
  await post('/jobs', {
    id,
    vehicleId: sister,
    title: 'Soft',
    entries: [made({ type: 'job', id }, 'goal', { jobKind: 'fault', wanted: '' })],
  })
  await page.goto(url(`/jobs/${id}/find`))
  const known = page.getByRole('region', { name: 'Known of this model' })
  await expect(known).toContainText('reservoir: the reservoir hides behind the airbox')
  await expect(known).toContainText(van.vehicleName)
})

test('the wipe guide asks for the rag once', async ({ page }) => {
  await beSomebody(page)
  const { id } = await open('small-car', ['losesFluid'])
  await page.goto(url(`/jobs/${id}/find?at=underneath`))
  await answer(page, 'Slave boot peeled back', 'wet')
  await page.locator('[data-opens="wipe"]').click()
  const guide = page.locator('[data-guide="wipe"]')
  await guide.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(guide.locator('[data-done-before]')).toContainText(
    'Wipe down and mark what may leak: done',
  )
  await goTo(page, 'Driver')
  await expect(page.locator('[data-driver-words]')).toContainText('Find what it is')
  await allSent(page)
  expect(fold(await entriesOf(id)).workDone.map(({ payload }) => payload.operation)).toEqual(['wash'])
})

test('what is spoken goes into the line, is shown before it is filed, and its failures are said', async ({
  page,
}) => {
  await beSomebody(page)
  await page.addInitScript(() => {
    class Heard extends EventTarget {
      start() {
        dispatchEvent(new CustomEvent('listening', { detail: this }))
        this.dispatchEvent(new Event('start'))
        ;(this as unknown as { onstart?: () => void }).onstart?.()
      }
      stop() {
        ;(this as unknown as { onend?: () => void }).onend?.()
      }
      abort() {}
    }
    const listening = { now: null as unknown as Record<string, (event: unknown) => void> }
    addEventListener('listening', (event) => (listening.now = (event as CustomEvent).detail))
    Object.assign(globalThis, { webkitSpeechRecognition: Heard, SpeechRecognition: Heard, listening })
  })
  const { id } = await open('small-car', [])
  await page.goto(url(`/jobs/${id}/find`))
  await page.getByRole('button', { name: 'Say it by voice' }).click()
  await expect(understood(page)).toContainText('may leave this device')
  const hear = (words: string) =>
    page.evaluate((spoken) => {
      // Whatever the browser calls the field that holds what was said.
      const heard = new Proxy({}, { get: () => spoken })
      const result = Object.assign([heard], { isFinal: true })
      const { now } = (
        globalThis as unknown as { listening: { now: Record<string, (e: unknown) => void> } }
      ).listening
      now.onresult!({ resultIndex: 0, results: [result] })
      now.onend!({})
    }, words)
  await hear('boot wet')
  await expect(line(page)).toHaveValue('boot wet')
  await expect(understood(page)).toContainText('Slave boot peeled back: wet')
  expect((await entriesOf(id)).some(({ kind }) => kind === 'finding')).toBe(false)
  await line(page).press('Enter')
  await expect(line(page)).toHaveValue('')
  await page.getByRole('button', { name: 'Say it by voice' }).click()
  await page.evaluate(() => {
    const { now } = (
      globalThis as unknown as { listening: { now: Record<string, (e: unknown) => void> } }
    ).listening
    now.onerror!({ error: 'not-allowed' })
  })
  await expect(understood(page)).toContainText('may not use the microphone')
  await allSent(page)
  expect(fold(await entriesOf(id)).found.asFound.bootWet!.payload.state).toBe('present')
})

test('a job is a card on paper: vehicle, plate, date, person, black on white in either look', async ({
  page,
}) => {
  await beSomebody(page, 'lamp')
  const job = await demoJob('School')
  const [vehicle] = (await get<List<Vehicle>>('/vehicles?search=School')).items
  await page.goto(url(`/jobs/${job.id}/prove`))
  await page.getByRole('link', { name: 'Print' }).click()
  await expect(page.getByRole('button', { name: 'Print this sheet' })).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  const sheet = page.getByRole('article', { name: 'Job card' })
  await expect(page.getByRole('button', { name: 'Print this sheet' })).toBeHidden()
  await expect(page.getByRole('navigation', { name: 'Pages' })).toBeHidden()
  await expect(sheet).toContainText(vehicle!.plate!)
  await expect(sheet).toContainText(job.title)
  await expect(sheet).toContainText(String(new Date().getFullYear()))
  const state = fold(await entriesOf(job.id))
  await expect(sheet.getByRole('row', { name: /Free travel at the pad/ })).toContainText(
    `${state.readings.asFound.freeTravel!.payload.value} mm`,
  )
  const colours = await sheet.evaluate((element) => [
    getComputedStyle(element).color,
    getComputedStyle(document.documentElement).backgroundColor,
  ])
  expect(colours).toEqual(['rgb(0, 0, 0)', 'rgb(255, 255, 255)'])
  // A PDF of it holds its words.
  expect((await page.pdf({ format: 'A4' })).subarray(0, 5).toString()).toBe('%PDF-')
})

test('an upgrade opens where parts are tried; what is missing in a form is in sight with the focus on it', async ({
  page,
}) => {
  await beSomebody(page)
  await page.goto(url('/vehicles/new'))
  await page.getByRole('button', { name: 'Save only' }).click()
  await expect(page.getByText('Choose the nearest kind.')).toBeInViewport()
  await page.getByRole('radio', { name: /Small car/ }).click()
  await page.getByRole('button', { name: 'Save only' }).click()
  await expect(page.getByLabel('Name, as the workshop says it')).toBeFocused()
  await page.goto(url('/jobs/new'))
  await page.getByRole('button', { name: 'Open the job' }).click()
  await expect(page.getByRole('combobox', { name: 'Vehicle' })).toBeFocused()
  await page.getByRole('combobox', { name: 'Vehicle' }).fill('Mail')
  await page.getByRole('option', { name: /Mail van/ }).click()
  await page.getByText('Upgrade', { exact: true }).click()
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.waitForURL(/\/choose$/)
})

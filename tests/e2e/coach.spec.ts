import type { Page } from '@playwright/test'
import { airBehind, strokeVolume } from '../../core/circuit'
import { fold, timeline } from '../../core/journal'
import { killServer, restartServer } from '../harness/running'
import { WHOLE } from '../whole'
import {
  allSent,
  beSomebody,
  demoJob,
  entriesOf,
  expect,
  installationOf,
  say,
  SUITE,
  test,
  url,
} from './app'
import { wrongOn } from './axe'
import { coachOf, outOfPlace, tellSetup } from './coached'
import { cutLine } from './cut-line'

const THIRD = 1 / 3
/** Cycles of the three parts of a bleed of two: forty in `npm run trials`. */
const [FILL, FLUSH, FINISH] = WHOLE ? [14, 12, 14] : [9, 4, 5]
const ALL = FILL + FLUSH + FINISH
/** Seconds that a walk between pedal and screw is given. */
const WALK = 20
/** Capital letters of this face are so high, in parts of its size. */
const CAPITAL = 0.668

test('two devices through fill, flush and finish: a cut, a place handed over, the server killed; every entry once', async ({
  page,
  browser,
}) => {
  test.slow()
  await beSomebody(page)
  const job = await demoJob('Ferry shuttle')
  const installation = await installationOf(job)
  const before = fold(await entriesOf(job.id)).bleed
  await tellSetup(job.id, {
    people: 2,
    kit: ['hose'],
    dry: true,
    steps: [
      { method: 'openPush', cycles: FILL },
      { method: 'pumpHold', cycles: FLUSH },
      { method: 'openPush', cycles: FINISH },
    ],
  })
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await beSomebody(phone)
  await page.goto(url(`/jobs/${job.id}/bleed/coach`))
  await page.getByRole('button', { name: 'Start calling' }).click()
  const line = await cutLine(url(''))
  await phone.goto(`${line.address}/jobs/${job.id}/bleed/coach`)
  await phone.getByRole('button', { name: 'Join at the pedal' }).click()

  let seats: Record<string, Page> = { bleeder: page, pedal: phone }
  const coach = coachOf(page, phone, () => seats)
  const calls: string[] = []
  const tops: number[] = []
  const looked = new Set<string>()
  let cycles = 0
  /** Answers call after call; what holds a call back is topped up, what is asked is measured. */
  const go = async (until: () => boolean) => {
    for (let i = 0; i < 400 && !until(); i++) {
      const { state, call } = await coach.where()
      if (state === 'done') return
      if (!looked.has(`${state} ${call}`)) {
        for (const own of [page, phone]) expect(await outOfPlace(own), call).toEqual([])
        looked.add(`${state} ${call}`)
      }
      if (state === 'held') tops.push(cycles)
      if (call) calls.push(call)
      if (call === 'up') cycles += 1
      await coach.answer()
    }
  }
  await go(() => cycles === 5)
  for (const own of [page, phone]) expect(await wrongOn(own)).toEqual([])
  await coach.touch(page.getByRole('button', { name: 'Foam', exact: true }))
  await coach.touch(phone.getByRole('button', { name: 'Firmer' }))

  // Ten seconds without a connection: what is touched meanwhile counts when it is back, once.
  expect((await coach.where()).call).toBe('open')
  await coach.answer()
  calls.push('open')
  line.cut()
  await phone.locator('[data-answer]').click()
  await expect(phone.getByText('on its way')).toBeVisible()
  expect(await outOfPlace(phone)).toEqual([])
  await expect(phone.locator('[data-silent]')).toBeVisible({ timeout: 30_000 })
  expect((await coach.where()).call).toBe('down')
  line.mend()
  await expect(page.locator('[data-coach]')).toHaveAttribute('data-call', 'shut', { timeout: 30_000 })
  calls.push('down')
  await expect(phone.locator('[data-silent]')).toHaveCount(0)
  await coach.same()
  await go(() => cycles === Math.ceil(0.45 * ALL))

  // Places are changed: who was at the pedal is at the screw now.
  await phone.getByRole('button', { name: 'More', exact: true }).click()
  await phone.getByRole('button', { name: 'I am at the screw' }).click()
  await expect(page.locator('[data-others]')).toContainText('screw')
  seats = { bleeder: phone, pedal: page }
  await go(() => cycles === Math.ceil(0.6 * ALL))

  // The server is killed in the midst of a cycle; the one that leads goes on, the other when it is back.
  while ((await coach.where()).role !== 'pedal') {
    calls.push((await coach.where()).call!)
    await coach.answer()
  }
  await killServer(SUITE)
  calls.push((await coach.where()).call!)
  const n = Number(await page.locator('[data-coach]').getAttribute('data-n'))
  await page.locator('[data-answer]').click()
  await expect(page.locator('[data-coach]')).toHaveAttribute('data-n', String(n + 1))
  await restartServer(SUITE)
  await coach.same()
  await go(() => false)

  expect(await coach.where()).toMatchObject({ state: 'done' })
  await expect(page.locator('[data-counted]')).toContainText(`${ALL} cycles`)
  await page.getByRole('button', { name: 'To the log' }).click()
  await allSent(page)
  const journal = timeline(await entriesOf(job.id))
  const { bleed } = fold(await entriesOf(job.id))
  const own = bleed.cycles.slice(before.cycles.length).map(({ payload }) => payload)
  expect(own.map(({ method, phase }) => `${phase} ${method}`)).toEqual([
    ...Array.from({ length: FILL }, () => 'fill openPush'),
    ...Array.from({ length: FLUSH }, () => 'flush pumpHold'),
    ...Array.from({ length: FINISH }, () => 'finish openPush'),
  ])
  expect(own.map(({ strokes }) => strokes)).toEqual([
    ...Array.from({ length: FILL }, () => 1),
    ...Array.from({ length: FLUSH }, () => 4),
    ...Array.from({ length: FINISH }, () => 1),
  ])
  expect(own.findIndex(({ cameOut }) => cameOut === 'foam')).toBe(4)
  expect(own.filter(({ cameOut }) => cameOut !== 'notSeen')).toHaveLength(1)
  expect(bleed.says.slice(before.says.length).map(({ payload }) => payload.says)).toEqual(['firmer'])
  // Free travel was measured after each of the three parts.
  expect(
    journal.standing.filter(
      ({ holds }) =>
        holds.kind === 'measurement' &&
        holds.payload.reading === 'freeTravel' &&
        holds.payload.value === 40,
    ),
  ).toHaveLength(3)
  const cycle = ['open', 'down', 'shut', 'up']
  const times = <T>(count: number, list: readonly T[]) =>
    Array.from({ length: count }, () => list).flat()
  expect(calls).toEqual([
    ...['hose', 'fill'],
    ...times(FILL, cycle),
    ...times(FLUSH, ['pump', 'hold', 'open', 'shut', 'up']),
    ...times(FINISH, cycle),
    'fill',
  ])
  // Held back at the stroke at which full less 2 ml and a tenth of what was drawn no longer carries one more.
  const stroke = strokeVolume(installation.circuit) / 1000
  const usable = installation.reservoir.usable / 1000
  const draws = [...times(FILL, [stroke]), ...times(FLUSH, [0.4 * stroke]), ...times(FINISH, [stroke])]
  const wanted: number[] = []
  let drawn = 0
  draws.forEach((ml, i) => {
    if (usable - 2 - 1.1 * drawn < ml) {
      wanted.push(i)
      drawn = 0
    }
    drawn += ml
  })
  expect(wanted).toHaveLength(WHOLE ? 2 : 1)
  expect(tops).toEqual(wanted)
  expect(bleed.topUps.length - before.topUps.length).toBe(2 + wanted.length)
  await phone.context().close()
  await line.close()
})

test('alone with a bar: twelve cycles, twenty-four walks of twenty seconds, by keys alone', async ({
  page,
}) => {
  test.slow()
  await beSomebody(page)
  const job = await demoJob('Ferry shuttle')
  await tellSetup(job.id, { people: 1, kit: ['hose', 'prop'], steps: [{ method: 'prop', cycles: 12 }] })
  // Without a lock of its own the browser is kept awake by a film.
  await page.addInitScript(() => Object.defineProperty(navigator, 'wakeLock', { value: undefined }))
  await page.clock.install()
  await page.goto(url(`/jobs/${job.id}/bleed/coach`))
  const start = page.getByRole('button', { name: 'Start calling' })
  await start.focus()
  await page.keyboard.press('Enter')
  const coach = page.locator('[data-coach]')
  const call = () => coach.getAttribute('data-call')
  await expect(coach).toHaveAttribute('data-call', 'hose')
  // What a screen reader says of it.
  await expect(
    page.getByRole('button', { name: /^Hose\. Hose on the screw, .* Answer: On$/ }),
  ).toBeVisible()
  await expect(page.locator('[aria-live="assertive"]')).toContainText('Hose. Hose on the screw')
  const press = async (key: string) => {
    const n = Number(await coach.getAttribute('data-n'))
    await page.keyboard.press(key)
    await expect(coach).toHaveAttribute('data-n', String(n + 1))
  }
  await press('Space')
  const pageTime = () => page.evaluate(() => Date.now())
  let before = await pageTime()
  await press('PageDown')
  await expect(page.locator('[data-coach]')).toHaveAttribute('data-awake-by', 'film')
  expect(
    await page
      .locator('video[data-awake]')
      .evaluate((film: HTMLVideoElement) => [film.muted, film.loop, film.paused]),
  ).toEqual([true, true, false])

  const seen: string[] = []
  let walked = 0
  for (let i = 0; i < 100; i++) {
    const state = await coach.getAttribute('data-state')
    const now = await call()
    if (state === 'asks') break
    if (state === 'held') {
      await press('t')
      continue
    }
    seen.push(now!)
    if (now === 'walk') {
      // Told before it is walked; it ends by itself after twenty seconds and not before.
      await expect(page.locator('[data-ask]')).toHaveText(
        seen.length % 6 === 1 ? 'To the screw. Then: open.' : 'To the screw. Then: close.',
      )
      const n = Number(await coach.getAttribute('data-n'))
      // The page's clock stands while it is looked at: how long this takes here is no part of the walk.
      await page.clock.pauseAt((await pageTime()) + 2000)
      const remains = Number(await page.locator('[data-remains] strong').textContent())
      expect(remains).toBeLessThanOrEqual(WALK)
      expect(remains).toBeGreaterThanOrEqual(Math.ceil(WALK - ((await pageTime()) - before) / 1000))
      await page.clock.fastForward(1000 * remains - 1500)
      expect(Number(await coach.getAttribute('data-n'))).toBe(n)
      await page.clock.fastForward(2000)
      await expect(coach).toHaveAttribute('data-n', String(n + 1))
      await page.clock.resume()
      walked += 1
    } else {
      before = await pageTime()
      await press('Space')
    }
    if (now === 'up') await press('5')
  }
  expect(seen.slice(0, 6)).toEqual(['walk', 'open', 'down', 'walk', 'shut', 'up'])
  expect([seen.length, walked]).toEqual([72, 24])
  await expect(page.locator('[data-figure="walks"]')).toHaveText('24')
  // One too many is taken back by a key, with its cycle, and done again.
  await press('u')
  await press('u')
  expect(await call()).toBe('up')
  await press('Space')
  await press('5')
  const travel = page.getByRole('textbox', { name: /^Free travel/ })
  await page.keyboard.press('Tab')
  await expect(travel).toBeFocused()
  await page.keyboard.type('33')
  await page.keyboard.press('Enter')
  await expect(coach).toHaveAttribute('data-call', 'fill')
  await press('Enter')
  await expect(coach).toHaveAttribute('data-state', 'done')
  await page.getByRole('button', { name: 'To the log' }).click()
  await allSent(page)
  const { bleed } = fold(await entriesOf(job.id))
  const own = bleed.cycles.slice(-12).map(({ payload }) => payload)
  expect(own).toEqual(
    Array.from({ length: 12 }, () => ({
      method: 'prop',
      strokes: 1,
      cameOut: 'clear',
      phase: 'flush',
    })),
  )
  expect(bleed.clearInRow).toBe(12)
})

test('calls are large, touches a third of the screen, a foot switch answers; tricks in their safe form, stages proved', async ({
  page,
}) => {
  await beSomebody(page)
  const job = await demoJob('Quarry tipper')
  await tellSetup(job.id, {
    people: 1,
    kit: ['hose', 'wedge'],
    steps: [{ method: 'bottomed', cycles: 1 }],
  })
  await page.goto(url(`/jobs/${job.id}/bleed/coach`))
  await page.getByRole('button', { name: 'Learn its key' }).click()
  await page.keyboard.press('b')
  await expect(page.locator('[data-foot-key]')).toHaveText('Answers: b')
  await page.getByRole('button', { name: 'Proof in stages' }).click()
  await page.getByLabel('Add to what is called').selectOption('bottomed')
  await page.getByRole('button', { name: 'Start calling' }).click()
  const coach = page.locator('[data-coach]')
  await expect(coach).toBeVisible()
  // With both places on a smaller tablet no word runs out of its cell.
  await page.setViewportSize({ width: 1024, height: 768 })
  const runsOver = await coach.evaluate((one) =>
    [...one.querySelectorAll('button')]
      .filter(({ scrollWidth, clientWidth }) => scrollWidth > clientWidth)
      .map(({ innerText }) => innerText),
  )
  expect(runsOver).toEqual([])
  await page.setViewportSize({ width: 1280, height: 800 })
  const words: string[] = []
  for (let i = 0; i < 40; i++) {
    const state = await coach.getAttribute('data-state')
    if (state === 'done') break
    const n = Number(await coach.getAttribute('data-n'))
    if (state === 'asks') {
      const field = page.getByRole('textbox', { name: /^Free travel/ })
      await field.fill(String(12 + 4 * words.filter((one) => one === 'Short').length))
      await field.press('Enter')
    } else {
      const word = page.locator('[data-word]')
      words.push((await word.textContent())!.trim())
      const size = await word.evaluate((one) => parseFloat(getComputedStyle(one).fontSize))
      expect(size * CAPITAL, words.at(-1)).toBeGreaterThanOrEqual(72)
      for (const area of ['[data-answer]', '[data-pause]']) {
        const box = (await page.locator(area).boundingBox())!
        expect((box.width * box.height) / (1280 * 800), area).toBeGreaterThanOrEqual(THIRD)
      }
      if (words.at(-1) === 'Press') {
        await expect(page.locator('[data-ask]')).toContainText('No foot on the pedal')
        await expect(page.locator('[data-caution]')).toContainText(
          'Never by hand with a foot on the pedal',
        )
      }
      await page.keyboard.press('b')
    }
    await expect(coach).toHaveAttribute('data-n', String(n + 1))
  }
  expect(words).toEqual([
    ...['Plug', 'Short'],
    ...['Unplug', 'Join', 'Plug', 'Short'],
    ...['Unplug', 'Join', 'Short'],
    ...['Tag', 'Open', 'Press', 'Close', 'Unclamp', 'Untag'],
    'Fill',
  ])
  // Air behind each plug, by this circuit.
  const { circuit } = await installationOf(job)
  for (const [stage, travel] of [
    ['master', 16],
    ['masterAndLine', 20],
    ['whole', 24],
  ] as const) {
    const air = Math.max(0, airBehind(circuit, stage, travel)) / 1000
    const row = page.locator(`[data-stage="${stage}"]`)
    await expect(row).toContainText(`${travel}.0 mm`)
    expect(parseFloat((await row.locator('strong').textContent())!)).toBeCloseTo(air, 1)
  }
  await page.getByRole('button', { name: 'To the log' }).click()
  await say(page, '250 ml to collection')
  await page.locator('[data-bleed-fluid] summary').click()
  await expect(page.locator('[data-figure="disposed"]')).toHaveText('250 ml')
  await allSent(page)
  const { bleed } = fold(await entriesOf(job.id))
  expect(Object.values(bleed.stages).map((held) => [held.payload.stage, held.payload.travel])).toEqual([
    ['master', 16],
    ['masterAndLine', 20],
    ['whole', 24],
  ])
  expect(bleed.tricks.at(-1)!.payload).toEqual({ trick: 'bottomed' })
})

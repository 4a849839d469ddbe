import type { Page } from '@playwright/test'
import { airBehind } from '../../core/circuit'
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
import { coachOf, fileElsewhere, outOfPlace, planOf, tellSetup } from './coached'
import { cutLine } from './cut-line'

const THIRD = 1 / 3
/** Cycles of the three parts of a bleed of two: forty in `npm run trials`. */
const [FILL, FLUSH, FINISH] = WHOLE ? [14, 12, 14] : [5, 2, 3]
const ALL = FILL + FLUSH + FINISH
/** Cycles of one who is alone, of four walks each. */
const ALONE = WHOLE ? 12 : 4
/** Seconds that a walk between pedal and screw is given. */
const WALK = 10
/** What is told before each walk of a cycle with the bar. */
const WALKS = [
  'To the screw; the pedal is up. Then: open.',
  'To the pedal; the screw stays open. Then: down.',
  'To the screw. The bar holds the pedal. Then: close.',
  'To the pedal. The screw is shut, the bar holds. Then: remove.',
]
/** Capital letters of this face are so high, in parts of its size. */
const CAPITAL = 0.668

test('two devices through fill, flush and finish: a cut, a place handed over, the server killed; every entry once', async ({
  page,
  browser,
}) => {
  test.slow()
  await beSomebody(page)
  const job = await demoJob('Ferry shuttle')
  // A reservoir so small that a short bleed is held, too.
  const found = await installationOf(job)
  const installation = { ...found, reservoir: { ...found.reservoir, usable: 27_000 } }
  await fileElsewhere(job.id, 'installation', installation)
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
  await go(() => cycles === 3)
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
  // Whoever is there is asked first.
  await expect(page.locator('[data-places]')).toContainText('asks for the screw')
  await page.getByRole('button', { name: 'Give it over' }).click()
  await expect(page.locator('[data-places]')).toHaveCount(0)
  await expect(page.locator('[data-others]')).toContainText('screw')
  seats = { bleeder: phone, pedal: page }
  await go(() => cycles === Math.ceil(0.6 * ALL))

  // The server is killed in the midst of a cycle; the one that leads goes on, the other when it is back.
  for (let now = await coach.where(); now.role !== 'pedal'; now = await coach.where()) {
    if (now.call) calls.push(now.call)
    else tops.push(cycles)
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
  const plan = await planOf(page)
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
  expect(own.findIndex(({ cameOut }) => cameOut === 'foam')).toBe(2)
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
    ...['fill', 'hose'],
    ...times(FILL, cycle),
    ...times(FLUSH, ['pump', 'hold', 'open', 'shut', 'up']),
    ...times(FINISH, cycle),
    ...['tighten', 'detach', 'fill', 'cap'],
  ])
  // Held back by what the model that ranks the methods says of this line, and never later than a full reservoir gives.
  const usable = installation.reservoir.usable / 1000
  const wanted: number[] = []
  let most = 0
  own.forEach((_, i) => {
    const [part, cycle] = i < FILL ? [0, i] : i < FILL + FLUSH ? [1, i - FILL] : [2, i - FILL - FLUSH]
    const { draws } = plan.parts[part]!
    const { high } = draws[Math.min(cycle, draws.length - 1)]!
    if (most + high > usable - 2) {
      wanted.push(i)
      most = 0
    }
    most += high
  })
  expect(wanted.length).toBeGreaterThanOrEqual(1)
  expect(tops).toEqual(wanted)
  expect(bleed.topUps.length - before.topUps.length).toBe(2 + wanted.length)
  // What was put on is off again, and the ledger says both.
  const state = fold(await entriesOf(job.id))
  const put = state.putOn.filter(({ payload }) => payload.item === 'bleedHose').at(-1)!
  expect(state.reversed.has(put.id)).toBe(true)
  await phone.context().close()
  await line.close()
})

test('alone with a bar: four walks of ten seconds a cycle, bar in and out, by keys alone', async ({
  page,
}) => {
  test.slow()
  await beSomebody(page)
  const job = await demoJob('Ferry shuttle')
  await tellSetup(job.id, {
    people: 1,
    kit: ['hose', 'prop'],
    steps: [{ method: 'prop', cycles: ALONE }],
  })
  // Without a lock of its own the browser is kept awake by a film.
  await page.addInitScript(() => Object.defineProperty(navigator, 'wakeLock', { value: undefined }))
  await page.clock.install()
  await page.goto(url(`/jobs/${job.id}/bleed/coach`))
  const start = page.getByRole('button', { name: 'Start calling' })
  // What a cycle draws is worked out first.
  await expect(start).toBeEnabled()
  await start.focus()
  await page.keyboard.press('Enter')
  const coach = page.locator('[data-coach]')
  const call = () => coach.getAttribute('data-call')
  await expect(coach).toHaveAttribute('data-call', 'fill')
  // What a screen reader says of it.
  await expect(
    page.getByRole('button', { name: /^Fill\. Clean round the cap, .* Answer: At the mark$/ }),
  ).toBeVisible()
  await expect(page.locator('[aria-live="assertive"]')).toContainText('Fill. Clean round the cap')
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
  for (let i = 0; i < 160; i++) {
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
      await expect(page.locator('[data-ask]')).toHaveText(WALKS[walked % 4]!)
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
  expect(seen.slice(0, 10)).toEqual([
    ...['walk', 'open', 'walk', 'down', 'bar', 'walk', 'shut', 'walk', 'remove', 'up'],
  ])
  expect([seen.length, walked]).toEqual([10 * ALONE, 4 * ALONE])
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
  for (const next of ['tighten', 'detach', 'fill', 'cap']) {
    await expect(coach).toHaveAttribute('data-call', next)
    await press('Enter')
  }
  await expect(coach).toHaveAttribute('data-state', 'done')
  await page.getByRole('button', { name: 'To the log' }).click()
  await allSent(page)
  const { bleed } = fold(await entriesOf(job.id))
  const own = bleed.cycles.slice(-ALONE).map(({ payload }) => payload)
  expect(own).toEqual(
    Array.from({ length: ALONE }, () => ({
      method: 'prop',
      strokes: 1,
      cameOut: 'clear',
      phase: 'flush',
    })),
  )
  expect(bleed.clearInRow).toBe(ALONE)
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
      if (words.at(-1) === 'Squeeze') {
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
    ...['Fill', 'Plug', 'Short'],
    ...['Pull', 'Join', 'Plug', 'Short'],
    ...['Pull', 'Join', 'Short'],
    ...['Bottle', 'Tag', 'Open', 'Squeeze', 'Close', 'Unclamp', 'Unhook'],
    ...['Tighten', 'Detach', 'Fill', 'Cap'],
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

import type { Page } from '@playwright/test'
import { fold } from '../../core/journal'
import { freeTravel } from '../../core/circuit'
import { allSent, beSomebody, demoJob, entriesOf, expect, installationOf, say, test, url } from './app'

const stateOf = async (id: string) => fold(await entriesOf(id))
const way = (page: Page, key: string) => page.locator(`[data-way="${key}"]`)
/** The ranking has come to its end. */
const ranked = (page: Page) =>
  expect(page.getByRole('progressbar', { name: 'Ranking' })).toHaveCount(0, { timeout: 60_000 })
const tenths = async (page: Page, key: string) =>
  Number(/(\d+) of 10/.exec((await way(page, key).textContent())!)![1])

test('over a wide crest: pumping is told off, a way is chosen, bled, measured, and it is finished', async ({
  page,
}) => {
  test.slow()
  await beSomebody(page)
  const job = await demoJob('Ferry shuttle')
  await page.goto(url(`/jobs/${job.id}/bleed`))
  // What was logged says where the rest sits, and what takes over.
  const advice = page.locator('[data-advice]')
  await expect(advice).toHaveAttribute('data-code', 'change', { timeout: 60_000 })
  await expect(advice).toContainText('most of it in the line')
  await expect(advice).toContainText('Change to: Vacuum at the bleeder')
  const left = async () =>
    parseFloat((await page.locator('[data-air-left] [data-figure="left"]').textContent())!)
  expect(await left()).toBeGreaterThan(2)

  // Methods: strokes leave it in the line, a pull does not.
  await advice.getByRole('link', { name: 'Methods' }).click()
  await ranked(page)
  await page.getByRole('button', { name: /^All \d+/ }).click()
  await expect(page.locator('[data-ranking] [data-way]').first()).toHaveAttribute(
    'data-way',
    /^ vacuum/,
  )
  expect(await tenths(page, ' vacuum')).toBeGreaterThanOrEqual(7)
  for (const method of [' openPush', ' pumpHold']) {
    // Forty quick strokes clear it in some circuits; mostly they do not.
    expect(await tenths(page, method)).toBeLessThanOrEqual(4)
    await expect(way(page, method)).toContainText('leaves air in the line')
  }
  await expect(page.locator('[data-shop-bleeds]')).toContainText('The ranking takes')
  await way(page, ' openPush').click()
  const detail = page.locator('[data-way-detail]')
  await expect(detail).toContainText(/stays in the line: from .* along the line air rises/)
  // What would change it: a line that falls lets strokes clear it, and touching that ranks everything so.
  const falls = page.locator('[data-change="narrower"]')
  await expect(falls).toBeVisible({ timeout: 60_000 })
  expect(Number(/(\d+) of 10/.exec((await falls.textContent())!)![1])).toBeGreaterThanOrEqual(3)
  await falls.click()
  await expect(page.getByText('Ranked as if: line of 3.35 mm bore')).toBeVisible()
  await ranked(page)
  await expect(way(page, ' openPush')).not.toContainText('leaves air in the line')
  await page.getByRole('button', { name: 'as it is' }).click()
  await ranked(page)
  // The line dragged lower, here by the keys: it is ranked as drawn, and nothing is filed of it.
  const asItLies = (await way(page, ' openPush').textContent())!
  const reckoned = (await page.getByRole('link', { name: /^Log/ }).textContent())!
  expect(reckoned).toMatch(/about \d/)
  for (const point of [3, 4]) {
    await page.locator(`[data-point="${point}"]`).focus()
    for (let i = 0; i < 7; i++) await page.keyboard.press('Shift+ArrowDown')
  }
  await expect(page.locator('[data-trial]')).toContainText('as it is drawn just now')
  await ranked(page)
  await expect(way(page, ' openPush')).not.toHaveText(asItLies)
  // What is left is of what was bled, and no trial.
  await expect(page.getByRole('link', { name: /^Log/ })).toHaveText(reckoned)
  await page.locator('[data-trial]').getByRole('button', { name: 'as it lies' }).click()
  await expect(page.locator('[data-trial]')).toHaveCount(0)
  await ranked(page)
  await expect(way(page, ' openPush')).toHaveText(asItLies)
  expect((await entriesOf(job.id)).filter(({ kind }) => kind === 'route')).toEqual([])
  // Without the pump there is no pull, and it says what is missing.
  await page.locator('[data-setup] summary').click()
  await page.getByRole('button', { name: 'Vacuum pump' }).click()
  await ranked(page)
  await page.getByText(/^Cannot be done here/).click()
  await expect(page.locator('[data-out=" vacuum"]')).toContainText('Not at hand: vacuum pump.')
  await page.getByRole('button', { name: 'Vacuum pump' }).click()
  const gauge = page.getByLabel(/Vacuum at the screw really reaches/)
  await gauge.fill('0.7')
  await gauge.press('Enter')
  await ranked(page)
  await way(page, ' vacuum').click()
  await page.getByRole('button', { name: 'Bleed it this way' }).click()
  await expect(page.getByText('Chosen: Vacuum at the bleeder')).toBeVisible()
  await allSent(page)
  const setup = (await stateOf(job.id)).bleed.setup!.payload
  expect(setup).toMatchObject({ people: 2, vacuum: expect.closeTo(70, 6) as unknown as number })
  expect(setup.steps![0]!.method).toBe('vacuum')

  // Bled that way, by touch and by word.
  await page.getByRole('link', { name: /^Log/ }).click()
  await expect(page.getByRole('combobox', { name: /^Method/ })).toHaveValue('vacuum')
  await page.getByRole('button', { name: 'Flush', exact: true }).click()
  await page.getByLabel('It took').fill('30')
  await page.getByRole('button', { name: 'Foam', exact: true }).click()
  await say(page, 'vacuum 30 s, clear, 50')
  await say(page, 'ten short strokes')
  await say(page, 'pedal firmer')
  // One by touch, one by word: two touches so soon would be one with a wet glove.
  await page.getByRole('button', { name: 'Clear', exact: true }).click()
  await expect(page.locator('[data-figure="clear"]')).toHaveText('2')
  await say(page, 'vacuum 40 s, clear')
  await expect(page.locator('[data-figure="clear"]')).toHaveText('3')
  await expect(advice).toHaveAttribute('data-code', 'measure', { timeout: 60_000 })
  const { circuit } = await installationOf(job)
  const field = page.getByLabel('Free travel at the pad, mm', { exact: true })
  await field.fill(String(Math.round(freeTravel({ ...circuit, air: 60 }))))
  await field.press('Enter')
  await expect(advice).toHaveAttribute('data-code', 'finished', { timeout: 60_000 })
  await allSent(page)
  const { bleed } = await stateOf(job.id)
  const newest = bleed.cycles.slice(-4).map(({ payload }) => payload)
  expect(newest).toEqual([
    { method: 'vacuum', cameOut: 'foam', seconds: 30, phase: 'flush' },
    { method: 'vacuum', cameOut: 'clear', seconds: 30, bottle: 50_000 },
    { method: 'vacuum', cameOut: 'clear', phase: 'flush' },
    { method: 'vacuum', cameOut: 'clear', seconds: 40 },
  ])
  expect(bleed.tricks.map(({ payload }) => payload)).toEqual([{ trick: 'shortStrokes' }])
  expect(bleed.says.at(-1)!.payload).toEqual({ says: 'firmer' })
  expect(await left()).toBeLessThan(0.4)
})

test('inside: pumping shuffles the air over the crest, a pull takes it out; by keys, by touch and as a table', async ({
  page,
}) => {
  test.slow()
  await beSomebody(page)
  const job = await demoJob('Ferry shuttle')
  await page.goto(url(`/jobs/${job.id}/bleed/inside`))
  const inside = page.locator('[data-inside]')
  const select = inside.getByRole('combobox')
  await expect(select.locator('option', { hasText: 'Pump, hold, open, close' })).toHaveCount(1)
  await select.selectOption({ label: 'Pump, hold, open, close' })
  const caption = page.locator('[data-caption]')
  await expect(caption).toContainText('Pump, hold, open, close, cycle 1', { timeout: 60_000 })
  const air = async (place: string) =>
    parseFloat((await page.locator(`[data-air="${place}"]`).textContent())!)
  const before = await air('line')
  expect(before).toBeGreaterThan(1.5)
  // By the keys: a cycle on, and on.
  await page.locator('main').first().focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(caption).toContainText('cycle 3')
  await page.keyboard.press(' ')
  await expect(inside.getByRole('button', { name: 'Pause' })).toBeVisible()
  await page.keyboard.press(' ')
  await expect(inside.getByRole('button', { name: 'Play' })).toBeVisible()
  await inside.getByText('The same as a table, cycle by cycle').click()
  const lastLine = async () =>
    parseFloat((await inside.locator('tbody tr').last().locator('td').first().textContent())!)
  await expect(inside.locator('tbody tr')).toHaveCount(10)
  expect(await lastLine()).toBeGreaterThan(0.75 * before)
  await select.selectOption({ label: 'Vacuum at the bleeder' })
  await expect(caption).toContainText('Vacuum at the bleeder, cycle 1', { timeout: 60_000 })
  await expect.poll(lastLine).toBeLessThan(0.05)
  // The same picture of the bleed that is under way.
  await inside.getByRole('button', { name: 'This bleed, as logged' }).click()
  await expect(caption).toContainText('This bleed by now')
  expect(await air('line')).toBeGreaterThan(1.5)
})

test('an empty circuit is filled first; a shared reservoir takes somebody’s word; alone there are other ways', async ({
  page,
}) => {
  test.slow()
  await beSomebody(page)
  const job = await demoJob('School')
  await page.goto(url(`/jobs/${job.id}/bleed/methods`))
  await ranked(page)
  await page.locator('[data-setup] summary').click()
  const setup = page.locator('[data-setup]')
  await setup.getByRole('button', { name: 'Cap for the reservoir, with gauge' }).click()
  await ranked(page)
  const shared = page.locator('[data-out=" pressure"]')
  await expect(shared).toContainText('The brakes share this reservoir')
  await page.getByLabel('Who says that it may be done').fill('Orla Venn')
  await page.getByLabel('In his or her words').fill('The brakes are bled after it')
  await page.getByRole('button', { name: 'Allow it on this word' }).click()
  await expect(shared).toHaveCount(0)
  await ranked(page)
  await expect(way(page, ' pressure')).toBeVisible()
  await allSent(page)
  expect((await stateOf(job.id)).bleed.setup!.payload.override).toEqual({
    by: 'Orla Venn',
    words: 'The brakes are bled after it',
  })
  await page.getByRole('button', { name: 'take back', exact: true }).click()
  await expect(page.locator('[data-out=" pressure"]')).toBeVisible()

  await setup.getByRole('button', { name: 'Alone' }).click()
  await ranked(page)
  await expect(page.locator('[data-out=" openPush"]')).toContainText('a second person at the pedal')
  await setup.getByRole('button', { name: 'Circuit is empty' }).click()
  await ranked(page)
  const filling = page.locator('[data-filling]')
  await expect(filling).toContainText(/Fluid is expected at (stroke|cycle) \d+\. Stop there/)
  await expect(filling).toContainText('This looks wrong and is not')
  await allSent(page)
  expect((await stateOf(job.id)).bleed.setup!.payload).toMatchObject({ dry: true, people: 1 })
})

import type { Page } from '@playwright/test'
import { faultKind, type FaultId, type Report } from '../../core/diagnosis'
import type { Installation } from '../../core/installation'
import { fold } from '../../core/journal'
import { chanceWords } from '../../core/words'
import { allSent, beSomebody, entriesOf, expect, measure, say, test, url } from './app'
import { open, reckoned } from './trial'

/** What leads on the screen is what the core makes of the entries, with its chance. */
async function leads(page: Page, id: string, on: Installation, fault: FaultId): Promise<Report> {
  await allSent(page)
  const found = await reckoned(id, on)
  expect(found.suspects[0]!.fault).toBe(fault)
  await expect(page.locator('[data-lead]')).toContainText(faultKind(fault).label)
  await expect(page.locator('[data-lead]')).toContainText(chanceWords(found.suspects[0]!.chance))
  return found
}
const answerStep = (page: Page, guide: string, words: string) =>
  page.locator(`[data-guide="${guide}"]`).getByRole('button', { name: words, exact: true }).click()

test('soft at low distance with fluid four years old: the fluid itself', async ({ page }) => {
  await beSomebody(page)
  const { id, installation } = await open('small-car', ['soft'])
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'level ok, work no')
  await say(page, 'distance low')
  await allSent(page)
  const before = await reckoned(id, installation)
  const chance = (found: Report) => found.suspects.find(({ fault }) => fault === 'fluidOld')!.chance
  await say(page, 'fluid changed over two years ago')
  await allSent(page)
  const aged = await reckoned(id, installation)
  expect(chance(aged)).toBeGreaterThan(1.5 * chance(before))
  await say(page, 'strip moist')
  const { advice, hydraulic } = await leads(page, id, installation, 'fluidOld')
  expect(advice.now.repairs).toEqual(['bleed'])
  expect(hydraulic).toBeGreaterThan(0.8)
  await expect(page.locator('[data-advice]')).toContainText(/bleed/i)
})

test('a rod whose clearance reads nothing: in doubt, a stop once the slave will not go back, mended', async ({
  page,
}) => {
  await beSomebody(page)
  const { id, installation } = await open('small-car', ['slipsNewDisc'])
  await page.goto(url(`/jobs/${id}/find?at=measured`))
  await measure(page, 'Pushrod clearance', '0')
  await allSent(page)
  // Nothing read is no figure: it stops nothing, and lowers no suspicion.
  await expect(page.locator('[data-stop]')).toHaveCount(0)
  const alone = (await reckoned(id, installation)).suspects.find(({ fault }) => fault === 'rodTooLong')!
  expect(alone.chance).toBeGreaterThan(0.3)
  await say(page, 'worked on yes')
  await say(page, 'push back will not go')
  const found = await leads(page, id, installation, 'rodTooLong')
  expect(found.stops).toEqual(['wayHomeShut'])
  const stop = page.locator('[data-stop="wayHomeShut"]')
  await expect(stop).toContainText('The way home to the reservoir is shut at rest')
  expect(found.looks.map(({ id: look }) => look)).not.toContain('slips')
  await expect(page.locator('[data-advice]')).toContainText(/set the pushrod/i)
  await page.goto(url(`/jobs/${id}/prove`))
  await measure(page, 'Pushrod clearance', '0.4')
  await expect(page.locator('[data-stop]')).toHaveCount(0)
})

test('a squeak traced to the slave in the hand', async ({ page }) => {
  await beSomebody(page)
  const { id, installation } = await open('light-truck', ['squeaks'])
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'helper here')
  await page.getByRole('button', { name: /^Where is it loudest/ }).click()
  for (const words of ['not here', 'not here']) await answerStep(page, 'loudest', words)
  await answerStep(page, 'loudest', 'loudest here')
  await expect(page.locator('[data-conclusion]')).toContainText('take it in the hand next')
  await say(page, 'slave unbolted')
  await page.getByRole('button', { name: /^Noise or drag: slave in the hand/ }).click()
  const guide = page.locator('[data-guide="noise"]')
  await expect(guide).toContainText('lets the piston run its usual stroke and no farther')
  await answerStep(page, 'noise', 'tagged')
  await answerStep(page, 'noise', 'squeaks or drags')
  await answerStep(page, 'noise', 'slides')
  await expect(guide.locator('[data-conclusion]')).toContainText('Pedal and master are clear')
  const found = await leads(page, id, installation, 'slaveNoisy')
  expect(found.hydraulic).toBeGreaterThan(0.8)
  expect(found.advice.now.repairs).toContain('slave')
  const { asFound } = fold(await entriesOf(id)).found
  expect(Object.keys(asFound).sort()).toEqual([
    'noiseAtMaster',
    'noiseAtPivot',
    'noiseAtSlave',
    'pistonSticks',
    'slaveNoisyInHand',
    'slaveUntagged',
  ])
})

test('what it is not plain of is said, with the look that would tell; what makes no sense here is refused', async ({
  page,
}) => {
  await beSomebody(page)
  const { id, installation } = await open('concentric', ['grinds'])
  await page.goto(url(`/jobs/${id}/find`))
  const found = await reckoned(id, installation)
  expect(Math.max(found.hydraulic!, found.notHydraulic!)).toBeLessThan(0.8)
  await expect(page.locator('[data-undecided]')).toContainText(
    'Not plain yet whether it is the hydraulics',
  )
  const line = page.getByRole('textbox', { name: 'Say what was seen, felt or measured' })
  await line.fill('boot wet')
  await line.press('Enter')
  await expect(page.getByText('its slave is concentric').first()).toBeVisible()
  await expect(line).toHaveValue('boot wet')
  await line.fill('')
  // A second is a unit of its own, in either system.
  await say(page, 'gear wait 9 s')
  await allSent(page)
  const told = await reckoned(id, installation)
  const grinds = told.suspects[0]!.reasons.find(({ id: what }) => what === 'gearGrinds')
  expect(grinds).toMatchObject({ kind: 'finding', state: 'present' })
})

test('bleeding over a leak that can be seen is warned of, and may be chosen', async ({ page }) => {
  await beSomebody(page)
  const { id } = await open('small-car', ['soft'])
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'outlet damp, worked on yes')
  await allSent(page)
  await page.goto(url(`/jobs/${id}/decision`))
  const bleed = page.locator('[data-option="bleed"]')
  await expect(bleed).toContainText('A leak can be seen: air comes back where fluid goes out')
  await expect(bleed).not.toContainText('the figures favour it')
  await bleed.click()
  await expect(bleed).toHaveAttribute('aria-checked', 'true')
})

test('what is jotted down is understood, asked about or kept as a note; a double tap is one cycle', async ({
  page,
}) => {
  await beSomebody(page)
  const { id } = await open('small-car', [])
  await page.goto(url(`/jobs/${id}/find`))
  const line = page.getByRole('textbox', { name: 'Say what was seen, felt or measured' })
  await say(page, 'gaiter dry but the rod ends weeping, free 1 1/4"')
  await allSent(page)
  let state = fold(await entriesOf(id))
  expect(state.found.asFound.bootWet?.payload.state).toBe('absent')
  expect(state.found.asFound.rodEndDamp?.payload.state).toBe('present')
  expect(state.readings.asFound.freeTravel?.payload.value).toBeCloseTo(31.75, 9)

  // Two readings are close: nothing is filed until one is chosen.
  await line.fill('slave wet')
  await expect(page.locator('[data-ask]')).toHaveCount(2)
  await page.locator('[data-ask]').filter({ hasText: 'Union at the slave' }).click()
  await expect(line).toHaveValue('')
  // Chatter is kept only where somebody says so.
  await line.fill('ask at the counter for a lamp')
  await line.press('Enter')
  await page.getByRole('button', { name: 'Keep it as a note' }).click()
  await expect(line).toHaveValue('')
  await allSent(page)
  state = fold(await entriesOf(id))
  expect(state.found.asFound.slaveUnionDamp?.payload.state).toBe('present')
  expect(state.found.asFound.bootWet?.payload.state).toBe('absent')
  const note = (await entriesOf(id)).filter(({ kind }) => kind === 'note').at(-1)
  expect(note?.payload).toEqual({ words: 'ask at the counter for a lamp' })

  await page.goto(url(`/jobs/${id}/bleed`))
  await page
    .getByRole('button', { name: /^clear/i })
    .first()
    .dblclick()
  await allSent(page)
  expect((await entriesOf(id)).filter(({ kind }) => kind === 'bleedCycle')).toHaveLength(1)
})

test('a point of the line is dragged by a finger', async ({ browser }) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  await beSomebody(page)
  const { id, installation } = await open('long-line', [])
  await page.goto(url(`/jobs/${id}/circuit/route`))
  const box = (await page.locator('[data-point="4"]').boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  const session = await context.newCDPSession(page)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', points: { x: number; y: number }[]) =>
    session.send('Input.dispatchTouchEvent', { type, touchPoints: points })
  await touch('touchStart', [{ x, y }])
  for (const by of [8, 16, 24, 32]) await touch('touchMove', [{ x, y: y + by }])
  await touch('touchEnd', [])
  await allSent(page)
  await expect
    .poll(async () => (await entriesOf(id)).filter(({ kind }) => kind === 'route').length, {
      timeout: 15_000,
    })
    .toBe(1)
  const route = fold(await entriesOf(id))
  expect(route).toBeTruthy()
  const filed = (await entriesOf(id)).find(({ kind }) => kind === 'route')!
  const points = (filed.payload as { points: { height: number }[] }).points
  expect(points[4]!.height).toBeLessThan(installation.route[4]!.height - 10)
  await context.close()
})

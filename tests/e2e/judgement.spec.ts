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

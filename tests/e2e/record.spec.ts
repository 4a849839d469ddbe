import { freeTravel } from '../../core/circuit'
import { fold } from '../../core/journal'
import { allSent, beSomebody, entriesOf, expect, measure, say, test, url } from './app'
import { wrongOn } from './axe'
import { open, proveGood } from './trial'

const DAY = 24 * 3600 * 1000

test('fails by its figures, back to Find, mended and proved; looked at again, put off, agreed, and the customer’s sheet', async ({
  page,
}) => {
  test.setTimeout(120_000)
  await beSomebody(page)
  const { id, installation } = await open('small-car', [])
  const { circuit } = installation
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'customer: pedal is soft')
  await say(page, 'mileage 84000 km')
  await page.goto(url(`/jobs/${id}/prove`))

  // Measured again with air still in it: it fails, says why, and leads back to Find.
  const reasons = page.getByRole('region', { name: 'Verdict' })
  await measure(
    page,
    'Free travel at the pad',
    String(Math.round(freeTravel({ ...circuit, air: 2500 }))),
  )
  await expect(reasons).toContainText(/Reserve .*by free travel; 15 mm are wanted/)
  await expect(page.locator('[data-cause-of]')).toContainText('Likely: air left')
  await page.locator('[data-cause-of]').getByRole('link', { name: 'Back to Find' }).click()
  await expect(page).toHaveURL(/find/)
  await page.goto(url(`/jobs/${id}/prove`))

  // Bled, and measured once more.
  await page.goto(url(`/jobs/${id}/bleed`))
  for (let i = 0; i < 3; i++) await say(page, 'vacuum 30 s, clear')
  await page.goto(url(`/jobs/${id}/prove`))
  await proveGood(page, installation)
  await page.getByRole('button', { name: /: Gone$/ }).click()
  await expect(page.locator('[data-figure="verdict"]')).toHaveText('Proven')
  await page.getByRole('button', { name: 'File this verdict' }).click()
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText(/Filed .*: Proven\./)

  const again = page.locator('[data-look-again]')
  await expect(again.locator('li')).toHaveCount(2)
  await expect(again).toContainText('84200 km')
  await again.getByRole('button', { name: 'Keep these as owed' }).click()
  await expect(again).toContainText('Owed to this vehicle.')

  await page
    .getByRole('link', { name: /Record/ })
    .first()
    .click()
  await expect(page.locator('[data-story]')).toContainText('Verdict: Proven')
  await expect(page.locator('[data-story]')).toContainText('Bled in 3 cycles')
  const owed = page.locator('[data-still-owed]')
  await expect(owed.locator('li').first()).toContainText('free travel and take-up, level, unions dry')
  await owed.getByRole('button', { name: 'Keep as owed' }).click()
  await expect(owed.getByRole('alert')).toHaveText('Say what is owed.')
  await owed.getByLabel('What is owed').fill('Boot for the slave, on order')
  await owed.getByLabel(/^or at, km/).fill('85000')
  await owed.getByRole('button', { name: 'Keep as owed' }).click()
  await expect(owed).toContainText('Still owed: Boot for the slave, on order, at 85000 km')
  await owed.getByText('A repair that is put off').click()
  await owed.getByRole('combobox', { name: /^Repair/ }).selectOption({ index: 1 })
  await owed.getByLabel('ends at').fill('45')
  await owed.getByRole('button', { name: 'Put it off' }).click()
  await expect(owed).toContainText(/Put off: .*; ends at 45.0 mm of free travel at the pad/)
  await owed.getByLabel('What was agreed').fill('Slave later, with the disc')
  await owed.getByLabel('By whom').fill('the owner')
  await owed.getByRole('button', { name: 'Keep it' }).click()
  await expect(owed).toContainText('Agreed by word by the owner: Slave later, with the disc')
  await allSent(page)
  const state = fold(await entriesOf(id))
  const verdictAt = Date.parse(state.verdict!.at)
  expect(state.rechecks.map(({ payload }) => payload)).toEqual([
    {
      of: state.verdict!.id,
      due: new Date(verdictAt + 7 * DAY).toISOString().slice(0, 10),
      atKm: 84_200,
      rules: ['reserve', 'levelFall', 'unionsDry'],
    },
    { of: state.verdict!.id, atKm: 85_000, rules: ['reserve', 'sink', 'levelFall', 'unionsDry'] },
  ])
  expect(Object.values(state.followUps)[0]!.payload).toEqual({
    what: 'Boot for the slave, on order',
    atKm: 85_000,
  })
  expect(Object.values(state.deferred)[0]!.payload).toMatchObject({ watch: 'freeTravel', limit: 45 })

  expect(await wrongOn(page)).toEqual([])
  await page.getByRole('link', { name: 'Customer’s sheet' }).click()
  const sheet = page.getByRole('article', { name: 'Customer’s sheet' })
  await expect(sheet).toContainText('Finished, and measured within its limits.')
  await expect(sheet).toContainText('Slave later, with the disc (the owner')
  await expect(sheet).toContainText('Still owed: Boot for the slave, on order')
  await expect(sheet).toContainText('at 84200 km')

  // What the job is called is put right.
  await page.getByRole('link', { name: 'Back to Record' }).click()
  await page.getByText('Title of the job').click()
  const title = page.getByLabel('Title', { exact: true })
  await title.fill(' ')
  await page.getByRole('button', { name: 'Save the title' }).click()
  await expect(page.locator('[data-job-title]').getByRole('alert')).toHaveText(
    'Say in a few words what the job is.',
  )
  await title.fill('Soft, boot on order')
  await page.getByRole('button', { name: 'Save the title' }).click()
  await expect(page.locator('header')).toContainText('Soft, boot on order')

  // Done again is done; and the story tells it.
  await owed
    .locator('li')
    .filter({ hasText: 'Boot for the slave' })
    .getByRole('button', { name: 'done' })
    .click()
  await expect(owed).toContainText('Done: Boot for the slave, on order')
})

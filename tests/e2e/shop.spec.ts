import {
  faultKind,
  findingKind,
  priorsFrom,
  readingKind,
  SHOP_COSTS,
  USUAL_POLICY,
} from '../../core/diagnosis'
import { chanceWords } from '../../core/words'
import type { BenchJob, LearntTold, Page as List, Shop, ShopFile } from '../../contract'
import { fold } from '../../core/journal'
import { allSent, beSomebody, demoJob, entriesOf, expect, get, say, test, url } from './app'
import { open, reckoned } from './trial'

test('the bench says what stops a job, the look that comes next and what leads, as the core has it', async ({
  page,
}) => {
  await beSomebody(page)
  const { id, installation } = await open('small-car', ['sinks', 'soft'])
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'sink 14 in 60')
  await allSent(page)
  const move = page.locator(`a[href^="/jobs/${id}/"] [data-move]`)
  await page.goto(url('/'))
  const { looks, advice, suspects } = await reckoned(id, installation)
  expect(advice.decide).toBe(false)
  const [look] = looks
  const { label } = look!.kind === 'finding' ? findingKind(look!.id) : readingKind(look!.id)
  await expect(move).toContainText(`Look: ${label.toLowerCase()}, ${look!.minutes} min`)
  await expect(move).toContainText(
    `${faultKind(suspects[0]!.fault).label}, ${chanceWords(suspects[0]!.chance)}`,
  )

  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'fork cracked')
  await allSent(page)
  await page.goto(url('/'))
  await expect(move).toHaveAttribute('data-to', 'mend')
  await expect(move).toContainText(`Stopped. ${findingKind('forkCracked').stop!}`)

  const tipper = await demoJob('Quarry')
  const { bleed } = fold(await entriesOf(tipper.id))
  await expect(page.locator(`a[href^="/jobs/${tipper.id}/"] [data-move]`)).toHaveText(
    `Continue bleeding: ${bleed.cycles.length} cycles, ${bleed.clearInRow} clear in a row`,
  )
  const { items } = await get<List<BenchJob>>('/jobs')
  expect(items.find((one) => one.id === id)!.step).toMatchObject({ to: 'mend', stop: 'forkCracked' })
})

test('a partial cure keeps its remaining cause, a confirmed one goes into the record', async ({
  page,
}) => {
  await beSomebody(page)
  const { id } = await open('small-car', ['squeaks', 'low'])
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'sideways loose')
  await page.goto(url(`/jobs/${id}/prove`))
  const squeak = page.locator('[data-graded="squeaks"]')
  await squeak.getByRole('button', { name: 'Less' }).click()
  await squeak.getByRole('combobox').selectOption({ label: 'Pedal bushes worn or dry' })
  await squeak.getByRole('textbox').fill('Bushes on Tuesday’s ferry')
  await squeak.getByRole('textbox').press('Tab')
  await page.locator('[data-graded="low"]').getByRole('button', { name: 'Gone' }).click()
  await page
    .getByRole('group', { name: 'What it was' })
    .getByRole('button', { name: 'Pedal bushes worn or dry' })
    .click()
  await page.getByRole('button', { name: 'Confirm the cause' }).click()
  await expect(page.locator('[data-cause]')).toContainText('Pedal bushes worn or dry')
  await allSent(page)
  const { graded, cause } = fold(await entriesOf(id))
  expect(graded.squeaks!.payload).toEqual({
    of: 'squeaks',
    grade: 'less',
    remaining: 'pedalBushes',
    words: 'Bushes on Tuesday’s ferry',
  })
  expect(graded.low!.payload.grade).toBe('gone')
  expect(cause!.payload.faults).toEqual(['pedalBushes'])
})

test('the shop’s prices and ways are kept, and its record is shown and begun anew', async ({
  page,
}) => {
  await beSomebody(page)
  await page.goto(url('/learns'))
  const { record } = await get<Shop>('/shop')
  const { moved } = priorsFrom(record, '')
  const leak = moved.find(({ fault }) => fault === 'slaveLeak')!
  expect(leak.confirmed.all).toBe(2)
  const row = page.locator('[data-moved="slaveLeak"]')
  await expect(row).toContainText(`${(100 * leak.from).toFixed(1)} %`)
  await expect(row).toContainText(`${(100 * leak.to).toFixed(1)} %`)

  // Left out for a while, and begun anew: each figure by itself.
  const causes = page.locator('[data-learnt="causes"]')
  await causes.getByRole('button', { name: 'What it was: learn from it' }).click()
  await expect(causes).toContainText('Not used while it is off.')
  expect((await get<Shop>('/shop')).record).toEqual({})
  await causes.getByRole('button', { name: 'What it was: learn from it' }).click()
  await expect(row).toBeVisible()
  await causes.getByRole('button', { name: 'Begin anew', exact: true }).click()
  await causes.getByRole('button', { name: 'Begin anew from now' }).click()
  await expect(causes).toContainText('0 closed jobs')
  expect((await get<Shop>('/shop')).record).toEqual({})
  await causes.getByRole('button', { name: 'Count all jobs again' }).click()
  await expect(row).toBeVisible()
  const told = await get<LearntTold>('/shop/learnt')
  await expect(page.locator('[data-back="Every proven job"]')).toContainText(
    `${told.all.jobs}${told.all.back}`,
  )

  await page.getByRole('link', { name: 'Back to prices and ways' }).click()
  await page.getByLabel('Labour per hour').fill('cheap')
  const prices = page.getByRole('form', { name: 'Prices' })
  await prices.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByRole('alert')).toHaveText('Labour per hour: 0 to 100 000.')
  await page.getByLabel('Labour per hour').fill('72.5')
  await prices.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Prices kept.' })).toBeVisible()
  await page.getByRole('button', { name: 'Master, slave and hose' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'way is kept' })).toBeVisible()
  expect((await get<Shop>('/shop')).settings).toMatchObject({
    hourlyRate: 72.5,
    school: { scope: 'all' },
  })

  await page.getByLabel('Labour per hour').fill(String(SHOP_COSTS.hourlyRate))
  await prices.getByRole('button', { name: 'Keep' }).click()
  await page.getByRole('button', { name: 'Only what is proven' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'way is kept' })).toBeVisible()
  expect((await get<Shop>('/shop')).settings).toMatchObject({ ...SHOP_COSTS, school: USUAL_POLICY })

  // What it calls itself goes along with its files.
  await page.getByRole('textbox', { name: 'Name of this shop' }).fill(' Hill Street ')
  await page.getByRole('button', { name: 'Keep the name of this shop' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Name kept.' })).toBeVisible()
  expect((await get<Shop>('/shop')).settings).toMatchObject({ ...SHOP_COSTS, name: 'Hill Street' })
  const [job] = (await get<List<BenchJob>>('/jobs')).items
  expect((await get<ShopFile>(`/jobs/${job!.id}/file`)).shop).toBe('Hill Street')
})

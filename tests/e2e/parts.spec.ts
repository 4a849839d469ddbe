import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import type { Order, Page as Listed, Part, PartsCount } from '../../contract'
import { fold } from '../../core/journal'
import { LIST_COLUMNS } from '../../core/shelf'
import { supplierFaults, supplierTold } from '../harness/running'
import { allSent, beSomebody, demoJob, entriesOf, expect, get, say, SUITE, test, url } from './app'
import { open } from './trial'

const stateOf = async (id: string) => fold(await entriesOf(id))
const orders = async () => (await get<Listed<Order>>('/orders?show=all')).items
const row = (page: Page, id: string) => page.locator(`[data-row="${id}"]`)
async function compare(page: Page, id: string, old: string, fresh: string): Promise<void> {
  for (const [side, value] of [
    ['old', old],
    ['new', fresh],
  ] as const) {
    if (!value) continue
    const field = row(page, id).getByLabel(new RegExp(`, ${side} part$`))
    if ((await field.evaluate((one) => one.tagName)) === 'SELECT')
      await field.selectOption({ label: value })
    else {
      await field.fill(value)
      await field.press('Tab')
    }
    await expect(field).not.toHaveValue('')
  }
}
const verdict = (page: Page) => page.locator('[data-fit-verdict]')

test.beforeEach(() => supplierFaults(SUITE, {}, 'afresh'))

test('a customer’s part that does not fit is found on the bench, before anything comes off', async ({
  page,
}) => {
  await beSomebody(page)
  const { id } = await open('small-car', [], 'partsBrought')
  await page.goto(url('/'))
  await expect(page.locator('[data-to="compare"]').first()).toHaveText(
    'Compare the parts with the old ones',
  )
  await page.goto(url(`/jobs/${id}/choose/compare?of=slave`))
  await expect(page.getByRole('button', { name: 'The customer brought it' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await expect(verdict(page)).toContainText(
    'Not known yet. Still to look at before anything comes off: held by',
  )
  await compare(page, 'mounting', 'bolts', 'bolts')
  await compare(page, 'boltSpacing', '54', '54.3')
  await expect(row(page, 'boltSpacing')).toHaveAttribute('data-judged', 'same')
  await compare(page, 'portSeat', 'double flare', 'double flare')
  await compare(page, 'bleedScrew', 'in its place', 'in the line’s port for shipping')
  await expect(row(page, 'bleedScrew')).toContainText('the bleed screw changes places with the line')
  // What is jotted goes into the same rows, with the side that is known.
  await say(page, 'slave bore old 20.64, new 20.64')
  await say(page, 'slave rod: old 96, new 89')
  await say(page, 'new slave port 3/8-24')
  await expect(row(page, 'rodLength')).toContainText('does its rod adjust?')
  await compare(page, 'rodAdjusts', 'yes', 'no')
  await compare(page, 'portThread', 'M10x1', '')
  // A thread that starts and binds is refused, and so is a fixed rod that is too short.
  await expect(row(page, 'portThread')).toHaveAttribute('data-judged', 'wontFit')
  await expect(row(page, 'rodLength')).toContainText('a fixed rod, 7.0 mm shorter: it gives pedal away')
  await expect(verdict(page)).toHaveAttribute('data-verdict', 'wontFit')
  await expect(page.getByRole('link', { name: /Choose/ })).toContainText('does not fit')
  // The row is wrong by a slip of the hand: out of bounds it is refused, and stays as typed.
  const stroke = row(page, 'stroke').getByLabel(/new part$/)
  await stroke.fill('2500')
  await stroke.press('Tab')
  await expect(row(page, 'stroke').getByRole('alert')).toContainText('Stroke: 1 to 150 mm')
  await expect(stroke).toHaveValue('2500')
  await allSent(page)
  const { comparisons } = await stateOf(id)
  expect(comparisons.slave).toMatchObject({ brought: true })
  expect(comparisons.slave!.rows.find(({ what }) => what === 'portThread')).toMatchObject({
    old: 'M10x1',
    new: '3/8-24',
    judged: 'wontFit',
  })
  await page.goto(url('/'))
  await expect(page.locator('[data-to="fit"]').first()).toHaveText('Does not fit: slave cylinder')

  // Another one is brought: its rod adjusts, its thread is the right one. The lists follow.
  await page.goto(url(`/jobs/${id}/choose/compare?of=slave`))
  await compare(page, 'portThread', '', 'M10x1')
  await compare(page, 'rodAdjusts', '', 'yes')
  await compare(page, 'rodSupplied', '', 'yes')
  await expect(row(page, 'rodLength')).toContainText('set the rod 7.0 mm longer')
  await expect(verdict(page)).toContainText('It fits, with changes.')
  const lists = page.locator('[data-lists]')
  await expect(lists.locator('[data-list="bin"]')).toContainText('The new one brings its own')
  await expect(lists.locator('[data-list="move"]')).toContainText('mounting bolts')
  await expect(lists.locator('[data-casualties]')).toContainText('clips of the line')
  await page.getByRole('button', { name: 'File the comparison with its lists' }).click()
  await allSent(page)
  const filed = (await stateOf(id)).comparisons.slave!
  expect(filed.bin).toContain('rod')
  expect(filed.casualties).toEqual(expect.arrayContaining(['plasticClips', 'pipeNut']))
  // What was brought is not bought; what will break with it is.
  await page.getByRole('link', { name: 'To what has to be ordered' }).click()
  await expect(page.locator('[data-need="casualty.plasticClips"]')).toBeVisible()
  await expect(page.locator('[data-need="slave"]')).toHaveCount(0)
})

test('one basket over two jobs: short, wrong, sent back, and the job that waited goes on', async ({
  page,
}) => {
  await beSomebody(page)
  const { id: taxi, vehicleName } = await demoJob('Island taxi')
  const van = await demoJob('Mail van')
  // Decided first: the basket follows from it.
  for (const id of [taxi, van.id]) {
    await page.goto(url(`/jobs/${id}/decision`))
    await page.getByRole('button', { name: 'File the decision' }).click()
    await expect(page.locator('[data-decided]')).toBeVisible()
  }
  await expect(page.locator('[data-priced]')).toHaveCount(0)
  await allSent(page)
  await supplierFaults(SUITE, { priceFactor: 1.1, wrong: true })
  for (const id of [taxi, van.id]) {
    await page.goto(url(`/jobs/${id}/choose/order`))
    await expect(page.locator('[data-need="master"]').getByRole('combobox')).toBeVisible()
    // Only the cylinder by wire and the grease; the rest stays for another day.
    const labels = await page
      .locator('[data-need] input[type="checkbox"]:checked')
      .evaluateAll((all) => all.map((one) => one.ariaLabel!))
    for (const label of labels)
      if (!/master cylinder|rubber grease/.test(label))
        await page.getByRole('checkbox', { name: label, exact: true }).uncheck()
    const choice = page.locator('[data-need="master"]').getByRole('combobox')
    const wired = choice.locator('option').filter({ hasText: /^\s*Master cylinder/ })
    await choice.selectOption((await wired.first().getAttribute('value'))!)
    await page.getByRole('button', { name: /^Put 2 lines into the basket/ }).click()
    await expect(page.locator('[data-job-lines] li')).toHaveCount(2)
  }
  // Once there is a basket, the decision uses its money and says so.
  await page.goto(url(`/jobs/${taxi}/decision`))
  await expect(page.locator('[data-priced]')).toContainText(/basket and the shelf: master \d+\.\d\d/)

  await page.goto(url('/shelf/basket'))
  const draft = page.locator('[data-draft="Tidewrack Factors"]')
  await expect(draft).toContainText('For 5 jobs: bought together, one delivery does it.')
  await draft.getByRole('button', { name: 'Order it' }).click()
  await expect(draft).toHaveCount(0)
  await page.getByRole('link', { name: /^Orders/ }).click()
  const placed = (await orders()).find((one) => one.supplier === 'Tidewrack Factors')!
  const card = page.locator(`[data-order="${placed.id}"]`)
  await expect(card).toContainText('Taken by the supplier')
  await expect(card).toContainText(/Its price is \d+\.\d\d, listed \d+\.\d\d/)
  await card.getByRole('button', { name: 'What does it say it sent?' }).click()
  await expect(card).toContainText(/It says it sent 1 of TW-/)
  await page.goto(url('/'))
  await expect(page.locator('[data-awaited]')).toContainText(vehicleName)
  const steps = page.locator('[data-to="wait"]')
  await expect(steps.filter({ hasText: 'Master cylinder' }).first()).toContainText('promised')

  // The box is opened: one master came wrong, one grease is missing, the rest is right.
  await page.goto(url('/shelf/orders'))
  const words = placed.lines.find(({ jobId, need }) => jobId === taxi && need === 'master')!.words
  const ofTaxi = card.locator('li').filter({ hasText: words }).filter({ hasText: vehicleName })
  await ofTaxi.getByRole('button', { name: /came wrong$/ }).click()
  await expect(ofTaxi).toContainText('1 came wrong')
  const grease = card
    .locator('li')
    .filter({ hasText: 'Rubber grease' })
    .filter({ hasText: vehicleName })
  await grease.getByRole('button', { name: /did not come$/ }).click()
  await expect(grease).toContainText('1 came short')
  const ofVan = card.locator('li').filter({ hasText: 'Mail van' })
  for (const line of await ofVan.all()) await line.getByRole('button', { name: /: came$/ }).click()
  await expect(ofVan.filter({ hasText: '1 here' })).toHaveCount(2)
  await expect(card).toHaveAttribute('data-state', 'partly')
  // A slip: taken back, and told again.
  await card.getByRole('button', { name: /^Undo: came, 1/ }).click()
  await expect(ofVan.filter({ hasText: '1 here' })).toHaveCount(1)
  await ofVan.getByRole('button', { name: /: came$/ }).click()
  await expect(ofVan.filter({ hasText: '1 here' })).toHaveCount(2)
  // The van’s job goes on; the taxi’s has something to send back.
  await page.goto(url('/'))
  const move = (vehicle: string) =>
    page
      .getByRole('link', { name: new RegExp(`^${vehicle}.*`, 's') })
      .locator('[data-move]')
      .first()
  await expect(move('Mail van, north round')).toHaveAttribute('data-to', 'repair')
  await expect(move('Island taxi')).toHaveText(`Send back: ${words}`)
  await page.goto(url('/shelf/orders'))
  await ofTaxi.getByRole('button', { name: /sent back$/ }).click()
  await expect(ofTaxi).toContainText('1 sent back')
  await ofTaxi.getByRole('button', { name: /: order the rest again$/ }).click()
  await expect(ofTaxi).toContainText('1 given up')
  await grease.getByRole('button', { name: /: give up$/ }).click()
  await expect(grease).toContainText('1 given up')
  await supplierFaults(SUITE)
  await page.getByRole('link', { name: /^Basket/ }).click()
  await page
    .locator('[data-draft="Tidewrack Factors"]')
    .getByRole('button', { name: 'Order it' })
    .click()
  await page.getByRole('link', { name: /^Orders/ }).click()
  const second = page
    .locator('[data-order]')
    .filter({ hasText: 'Taken by the supplier' })
    .filter({ hasText: words })
  await expect(second.last()).toBeVisible()
  const again = (await orders()).find(
    (one) => one.id !== placed.id && one.lines.some((line) => line.jobId === taxi),
  )!
  await page
    .locator(`[data-order="${again.id}"]`)
    .getByRole('button', { name: 'All of it is here' })
    .click()
  // Once it is here it leaves the list with the next look: the server is asked, and not the page.
  await expect
    .poll(async () =>
      (await orders())
        .find(({ id }) => id === again.id)
        ?.lines.every(({ received, quantity }) => received === quantity),
    )
    .not.toBe(false)
  await page.goto(url('/'))
  await expect(move('Island taxi')).toHaveAttribute('data-to', 'repair')
  // Two orders were made at the supplier, and none twice.
  expect((await supplierTold(SUITE)).orders).toBe(2)
  const told = (await entriesOf(taxi)).flatMap(({ kind, payload }) =>
    kind === 'order' && (payload as { words: string }).words === words
      ? [(payload as { happened: string }).happened]
      : [],
  )
  expect(told).toEqual(['placed', 'wrong', 'returned', 'cancelled', 'placed', 'delivered'])
})

test('a supplier that is down holds nothing up: the screen says since when, and the order goes later', async ({
  page,
}) => {
  await beSomebody(page)
  await supplierFaults(SUITE, { down: true })
  await page.goto(url('/shelf/basket'))
  await page
    .locator('[data-draft="Tidewrack Factors"]')
    .getByRole('button', { name: 'Order it' })
    .click()
  await page.getByRole('link', { name: /^Orders/ }).click()
  const waiting = page.locator('[data-unanswered]')
  await expect(waiting).toContainText(
    /The supplier has not answered\. Tried (?:once|\d+ times), not answering since \d\d:\d\d/,
  )
  await expect(page.locator('[data-supplier-state]')).toContainText(/not answering since \d\d:\d\d/)
  await supplierFaults(SUITE)
  await expect(waiting).toHaveCount(0, { timeout: 30_000 })
  await expect(page.locator('[data-order]').filter({ hasText: 'Taken by the supplier' })).toHaveCount(1)
  expect((await supplierTold(SUITE)).orders).toBe(1)
})

test('a list of twenty thousand parts is read in, searched and scrolled; one bad row comes back', async ({
  page,
}) => {
  await beSomebody(page)
  const rows = Array.from({ length: 20_000 }, (_, i) => {
    const given: Record<string, string> = {
      number: `LB-${i}`,
      name: i % 2 ? `Slave cylinder row ${i}` : `Hose row ${i}`,
      kind: i % 2 ? 'slave' : 'hose',
      supplier: 'Long Box',
      price: ((i % 900) / 10).toFixed(2),
      stock: String(i % 7),
    }
    return LIST_COLUMNS.map((one) => given[one] ?? '').join(',')
  })
  rows[12_345] = rows[12_345]!.replace('Long Box,', 'Long Box,much ')
  await page.goto(url('/shelf/import'))
  await page.locator('input[type="file"]').setInputFiles({
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([LIST_COLUMNS.join(','), ...rows].join('\r\n')),
  })
  await expect(page.getByText('Its columns are known by name')).toBeVisible()
  await page.getByRole('button', { name: 'Read it in' }).click()
  await expect(page.locator('[data-progress]')).toContainText(/rows read/)
  await expect(page.locator('[data-done]')).toContainText(
    '19999 of 20000 rows kept, 19999 of them new',
    { timeout: 60_000 },
  )
  await expect(page.locator('[data-done]')).toContainText('Row 12347: price “much')
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the refused rows' }).click(),
  ])
  expect(await readFile((await file.path())!, 'utf8')).toMatch(/LB-12345,.*price “much/s)
  const { count } = await get<PartsCount>('/parts/count')
  await page.getByRole('link', { name: 'To the shelf' }).click()
  await expect(page.locator('[data-part-count]')).toHaveText(`${count} parts`)
  // To the far end, and what is there is drawn; what is drawn are a few dozen rows.
  const scroller = page.locator('[data-scroller]')
  await scroller.evaluate((one) => one.scrollTo(0, one.scrollHeight))
  const [last] = (await get<Listed<Part>>(`/parts?sort=name&limit=1&after=${count - 1}`)).items
  await expect(page.getByRole('button', { name: `${last!.number}, ${last!.name}` })).toBeVisible()
  expect(await scroller.locator('tbody tr').count()).toBeLessThan(80)
  await page.getByLabel('Search by number or words of the name').fill('slave row 777')
  const found = await get<PartsCount>('/parts/count?search=slave+row+777')
  await expect(page.locator('[data-part-count]')).toHaveText(`${found.count} parts`)
  await page.getByRole('button', { name: 'Price' }).click()
  await expect(page.getByRole('columnheader', { name: 'Price' })).toHaveAttribute(
    'aria-sort',
    'ascending',
  )
  // A part is changed where it lies, and goes into the basket.
  await page.getByRole('button', { name: 'LB-777, Slave cylinder row 777', exact: true }).click()
  const panel = page.getByRole('complementary', { name: 'Part' })
  await panel.getByLabel('Price').fill('19.80')
  await panel.getByRole('button', { name: 'Keep' }).click()
  const changed = page
    .getByRole('row')
    .filter({ has: page.getByRole('button', { name: 'LB-777, Slave cylinder row 777', exact: true }) })
  await expect(changed).toContainText('19.80')
  await panel.getByRole('button', { name: 'Into the basket' }).click()
  await expect(panel).toContainText('1 in the basket of Long Box.')
})

test('another list is read by its columns, which are remembered; stopped, it has kept nothing', async ({
  page,
}) => {
  await beSomebody(page)
  await page.goto(url('/shelf/import'))
  const csv = 'Art;Was;Sorte;Netto\n4711;Bremsschlauch 380;hose;12,50\n4712;Dichtung;washer;0,40\n'
  const put = () =>
    page
      .locator('input[type="file"]')
      .setInputFiles({ name: 'other.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await put()
  await expect(page.getByRole('alert')).toContainText('Still needed')
  const column = (name: string) => page.getByLabel(name, { exact: true })
  await column('Part number').selectOption({ label: 'Art' })
  await column('Name').selectOption({ label: 'Was' })
  await column('Kind').selectOption({ label: 'Sorte' })
  await column('Price').selectOption({ label: 'Netto' })
  await column('Supplier of all rows').fill('Elsewhere')
  await expect(page.locator('[data-preview]')).toContainText('4711 Bremsschlauch 380')
  await page.getByRole('button', { name: 'Read it in' }).click()
  await expect(page.locator('[data-done]')).toContainText('2 of 2 rows kept')
  await page.getByRole('button', { name: 'Another list' }).click()
  await put()
  await expect(page.getByText('As this kind of list was read last time.')).toBeVisible()
  await expect(column('Supplier of all rows')).toHaveValue('Elsewhere')
})

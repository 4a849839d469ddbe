import { readFile } from 'node:fs/promises'
import type { Page } from '@playwright/test'
import type { Container } from '../../contract'
import { makePipe } from '../../core/layout'
import { fold, installationFrom } from '../../core/journal'
import { answerSize } from '../../core/sizing'
import {
  allSent,
  beSomebody,
  demoJob,
  entriesOf,
  expect,
  get,
  installationOf,
  say,
  test,
  url,
} from './app'
import { open } from './trial'

const stateOf = async (id: string) => fold(await entriesOf(id))
const verdict = (page: Page) => page.locator('[data-verdict]')
const contacts = (page: Page) => page.locator('[data-contacts]')

/** Types into one of the two ends; the fields stand under their legend. */
async function tellEnd(page: Page, legend: string, fields: Record<string, string>): Promise<void> {
  const end = page.getByRole('group', { name: legend })
  for (const [label, value] of Object.entries(fields)) {
    const field = end.getByLabel(label, { exact: false }).first()
    if ((await field.evaluate((one) => one.tagName)) === 'SELECT')
      await field.selectOption({ label: value })
    else {
      await field.fill(value)
      await field.press('Tab')
    }
  }
}

test('a swapped flare and an inch nut in a metric port are found before anything comes off', async ({
  page,
}) => {
  await beSomebody(page)
  const { id } = await open('small-car', [], 'partsBrought')
  await page.goto(url(`/jobs/${id}/choose/joints?at=slavePort`))
  // What is in the vehicle is read off first, said and filed.
  await say(page, 'slave port M10x1 bubble flare, 13 deep')
  await allSent(page)
  await expect(page.getByText('M10x1 female bubble flare').first()).toBeVisible()
  await tellEnd(page, 'End of the line there', {
    Thread: '3/8-24',
    'Seals by': 'double flare',
    'Made of': 'steel',
    'Nut’s thread': '10',
  })
  await tellEnd(page, 'Slave’s port', { 'Made of': 'cast iron' })
  await expect(verdict(page)).toHaveText('Does not join.')
  await expect(contacts(page)).toContainText('3/8-24 starts in M10x1')
  await expect(contacts(page)).toContainText('binds after 4.7 turns')
  await expect(contacts(page)).toContainText('A double flare does not seal on a bubble flare.')
  // One adapter does both; the way round it, and a new pipe, stand beside it.
  const chains = page.locator('[data-chains]')
  await expect(chains.getByRole('listitem').first()).toContainText(
    'Adapter, 3/8-24 nut into M10x1 port (Quay Stores QS-AD1)',
  )
  await expect(chains).toContainText('Make a new pipe')
  await page.getByRole('button', { name: 'File the check' }).click()
  await allSent(page)
  await expect(page.getByRole('link', { name: /Choose/ })).toContainText('does not join')
  const { joints } = await stateOf(id)
  expect(joints.slavePort!.payload).toMatchObject({
    verdict: 'refused',
    reasons: [{ code: 'lookAlike' }, { code: 'seat' }],
  })
  expect(joints.slavePort!.payload.reasons[0]!.figure).toBeCloseTo(4.7, 1)
  await page.goto(url('/'))
  await expect(page.locator('[data-to="joint"]').first()).toContainText('Does not join: slave’s port')
  // The right hose comes: nut and flare agree, and the joint says how much of it holds.
  await page.goto(url(`/jobs/${id}/choose/joints?at=slavePort`))
  await tellEnd(page, 'End of the line there', { Thread: 'M10x1', 'Seals by': 'bubble flare' })
  await expect(verdict(page)).toHaveText('Joins.')
  await expect(contacts(page)).toContainText('9.0 mm of thread hold, 9.0 turns; 8.0 mm is the least.')
  await page.getByRole('button', { name: 'File the check' }).click()
  await expect(page.getByRole('link', { name: /Choose/ })).not.toContainText('does not join')
})

test('a larger slave on a new disc is put off, by distance', async ({ page }) => {
  await beSomebody(page)
  const porter = await demoJob('Ferry porter')
  const { circuit } = await installationOf(porter)
  const want = answerSize({ circuit, masters: [{ bore: 15.87 }], slaves: [{ bore: 22.2 }] }).options[0]!
  expect(want.advice).toBe('waitForBedding')
  await page.goto(url(`/jobs/${porter.id}/choose`))
  const row = page.locator('[data-option="15.87 : 22.20"]')
  await expect(page.locator('[data-sized]')).toContainText('25 combinations')
  await page.getByRole('button', { name: /^All 25/ }).click()
  for (const [name, value] of [
    ['force', want.padForcePeak.toFixed(0)],
    ['reserve', want.reserve.toFixed(1)],
    ['newDisc', want.newDisc.reserve.toFixed(1)],
  ])
    await expect(row.locator(`[data-figure="${name}"]`)).toHaveText(value!)
  await expect(row.locator('[data-advice]')).toHaveText('once the disc has bedded in')
  await row.getByRole('button', { name: '15.87 : 22.20', exact: false }).first().click()
  await expect(page.locator('[data-trade]')).toHaveText(
    /^Lighter by 12 N, takes up \d+ mm lower; on the new disc 11 mm is left: wait until it has bedded in, then fit\.$/,
  )
  // Three beside each other on the ladder.
  for (const label of ['15.87 : 22.20', '15.87 : 20.64', '17.46 : 22.20'])
    await page.getByRole('button', { name: `${label} on the ladder` }).click()
  await expect(page.getByText('17.46 : 22.20').last()).toBeVisible()
  await page.getByRole('button', { name: 'Put off until bedded in' }).click()
  await expect(page.locator('[data-kept]')).toContainText('at 62340 km on the clock')
  await allSent(page)
  const { circuitPlan } = await stateOf(porter.id)
  expect(circuitPlan!.payload).toMatchObject({
    changes: [{ change: 'field', field: 'slave.bore', value: 22.2 }],
    waitKm: 500,
  })
  await page.goto(url(`/jobs/${porter.id}/record`))
  await expect(page.locator('[data-put-off]')).toContainText('62340 km')
  await page.goto(url(`/vehicles/${porter.vehicleId}/jobs`))
  await expect(page.locator('[data-later]')).toContainText('62340 km')
})

test('sizing stops at a tap while hundreds are worked out, and is begun again', async ({ page }) => {
  await beSomebody(page)
  const porter = await demoJob('Ferry porter')
  await page.goto(url(`/jobs/${porter.id}/choose`))
  await expect(page.locator('[data-sized]')).toBeVisible()
  await page.getByText('Other bores, pedal ratio, lines, rod, limits').click()
  await page.evaluate((key) => {
    const many = (from: number, count: number) => Array.from({ length: count }, (_, i) => from + i / 8)
    sessionStorage.setItem(
      key,
      JSON.stringify({
        masters: many(14, 40),
        slaves: many(18, 40),
        rings: [],
        ratios: [5.4, 5.6],
        layouts: ['asItIs'],
        rodExtension: 0,
        limits: {},
      }),
    )
  }, `mellow-sizing-${porter.id}`)
  await page.reload()
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  await expect(page.getByText('Stopped.')).toBeVisible()
  await page.getByRole('button', { name: 'Size again' }).click()
  await expect(page.locator('[data-sized]')).toContainText('3200 combinations', { timeout: 60_000 })
})

test('a pipe is made from the drawing and printed in its true size', async ({ page }) => {
  await beSomebody(page)
  // A way that was drawn straight back along itself is no pipe, and the corner is named.
  await page.goto(url(`/jobs/${(await demoJob('Mail van')).id}/choose/pipe`))
  await expect(page.getByText('Corner 3: comes straight back along itself')).toBeVisible()
  const porter = await demoJob('Ferry porter')
  await page.goto(url(`/jobs/${porter.id}/choose/pipe`))
  await expect(page.locator('[data-cut]')).toBeVisible()
  await page.getByLabel('Forward, corner 1', { exact: true }).fill('0')
  // A bend to the left, so that the pipe is turned in the bender.
  await page.getByLabel('Left, corner 3', { exact: true }).fill('40')
  await page.getByLabel('Left, corner 3', { exact: true }).press('Tab')
  const corner = async (i: number) => {
    const value = async (name: string) =>
      Number(
        (await page.getByLabel(`${name}, corner ${i}`, { exact: true }).inputValue()).replace('−', '-'),
      )
    return { forward: await value('Forward'), side: await value('Left'), height: await value('Up') }
  }
  const count = await page.getByLabel(/^Forward, corner/).count()
  const corners = await Promise.all(Array.from({ length: count }, (_, i) => corner(i + 1)))
  const flare = { seat: 'doubleFlare' } as const
  const made = makePipe(corners, { outerDiameter: 4.75, radius: 15, by: 'tool', a: flare, b: flare })
  const cut = Number((await page.locator('[data-cut]').innerText()).replace(' mm', ''))
  // The table shows tenths of a millimetre.
  expect(Math.abs(cut - made.cut)).toBeLessThan(0.4)
  const rows = page.locator('[data-bends] tbody tr')
  await expect(rows).toHaveCount(made.bends.length)
  await expect(rows.nth(1)).toContainText(`${made.bends[1]!.angle.toFixed(0)}°`)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Print in true size' }).click(),
  ])
  const text = (await readFile(await download.path())).toString('latin1')
  expect(text.startsWith('%PDF-')).toBe(true)
  const bars = [...text.matchAll(/^([\d.]+) ([\d.]+) m\s+([\d.]+) ([\d.]+) l/gm)]
    .map((found) => found.slice(1).map(Number) as [number, number, number, number])
    .filter(([x0, y0, x1, y1]) => y0 === y1 && Math.abs((Math.abs(x1 - x0) * 25.4) / 72 - 100) < 0.5)
  expect(bars.length).toBeGreaterThan(0)
  await page.getByLabel('Old pipe, along it').fill('2000')
  await page.getByLabel('is at, °').fill('30')
  await expect(page.locator('[data-reform]')).toContainText('Bend its first bend by 30°')
})

test('a bleed screw is moved out of the port it was shipped in', async ({ page }) => {
  await beSomebody(page)
  const { id } = await open('small-car', [], 'refresh')
  await page.goto(url(`/jobs/${id}/choose/slave`))
  await say(page, 'bleeder at 5 o’clock')
  const port = page.getByLabel('Line port of the slave, off top, measured')
  await port.fill('10')
  await port.press('Enter')
  const card = page.locator('[data-slave-card]')
  await expect(card).toContainText('The bleed screw sits 150° off top, where it was put for shipping')
  await expect(card).toContainText('Screw and hose change places before it goes in.')
  await page
    .getByRole('group', { name: 'Wrench at the hose’s port' })
    .getByRole('button', { name: 'None reaches' })
    .click()
  await page
    .getByRole('group', { name: 'Wrench at the bleed screw’s port' })
    .getByRole('button', { name: 'A wrench reaches' })
    .click()
  await expect(card.locator('[data-highest]')).toHaveText('the hose’s, no wrench reaches it')
  await expect(card.locator('[data-reachable]')).toHaveText('the bleed screw’s')
  await page.getByRole('button', { name: 'Screw and hose have changed places' }).click()
  await expect(card).toContainText('The bleed screw is in the higher port, 10° off top')
  await allSent(page)
  const entries = await entriesOf(id)
  const { slave } = installationFrom(entries, null) ?? { slave: null }
  expect(slave).toMatchObject({ bleeder: { kind: 'screw', angle: 10 }, linePort: 150 })
})

test('mineral oil in a glycol system stops the job, and only fit fluid is filled in', async ({
  page,
}) => {
  await beSomebody(page)
  const { id } = await open('small-car', ['soft'])
  await page.goto(url(`/jobs/${id}/choose/fluid`))
  await say(page, 'mineral oil in it, cap says dot 4')
  const stop = page.locator('[data-fluid-stop]')
  await expect(stop).toContainText('Mineral oil and brake fluid swell each other’s rubber')
  await expect(stop).toContainText(
    'master seals, slave seals and boot, hoses, feed hose, reservoir cap seal',
  )
  await expect(page.locator('[data-stop="fluidWrong"]')).toBeVisible()
  await expect(page.locator('[data-containers] li').first()).toHaveAttribute('data-verdict', 'stop')
  await allSent(page)
  await page.goto(url('/'))
  await expect(page.locator('[data-to="mend"]').first()).toContainText('Mixed or wrong fluid')
  // Flushed and rebuilt: DOT 4 is in it, two years old.
  await page.goto(url(`/jobs/${id}/choose/fluid`))
  await say(page, 'dot 4 in it, cap says dot 4')
  await expect(page.locator('[data-stop="fluidWrong"]')).toHaveCount(0)
  await say(page, 'fluid 24 months old')
  await expect(page.locator('[data-water]')).toHaveText('2.0 % (1.0 to 3.2)')
  // T(2 %) = 155 + 75·(e⁻¹ − e^−1.85)/(1 − e^−1.85), and the same at 3.2 and 1 %.
  await expect(page.locator('[data-boiling]')).toHaveText('174 °C (159 to 195)')
  await expect(page.locator('[data-fluid-verdict]')).toContainText('Flush it.')
  // The one that has stood open for 17 months is refused; out of the other it is poured, and the shelf knows.
  const shelf = await get<Container[]>('/containers')
  const openOne = shelf.find(
    ({ openedAt }) => openedAt && Date.parse(openedAt) > Date.now() - 100 * 864e5,
  )!
  await expect(page.locator('[data-containers] li[data-verdict="refuse"]')).toContainText(
    'open for 17 months',
  )
  await page.getByLabel('Filled in, ml').fill('120')
  await page.getByLabel('Out of which container').selectOption(openOne.id)
  await page.getByRole('button', { name: 'File it' }).click()
  await allSent(page)
  await expect
    .poll(
      async () => (await get<Container[]>('/containers')).find((one) => one.id === openOne.id)!.left,
    )
    .toBe(openOne.left - 120_000)
  // The vehicle's next job starts from it.
  await page.getByRole('button', { name: 'Keep it with the vehicle' }).click()
  await expect(
    page.getByRole('button', { name: 'The vehicle’s next job starts from this' }),
  ).toBeVisible()
  await page.goto(url(`/jobs/${id}/bleed`))
  await expect(page.locator('[data-bleed-fluid]')).toContainText(
    'Filling DOT 4: 120 ml so far, open since',
  )
})

test('what is known of the parts is said on the Parts sheet, and an area of the chart is marked', async ({
  page,
}) => {
  await beSomebody(page)
  const launch = await demoJob('Launch')
  await page.goto(url(`/jobs/${launch.id}/circuit/parts`))
  const part = (name: RegExp) =>
    page.getByRole('navigation', { name: 'Parts' }).getByRole('button', { name }).click()
  await part(/^Pedal/)
  await page.getByRole('button', { name: 'Add a switch' }).click()
  await page.getByLabel('threads showing').fill('7')
  await page.getByLabel('threads showing').press('Tab')
  await part(/^Slave/)
  await page
    .getByRole('group', { name: 'Slave’s rod looks' })
    .getByRole('button', { name: 'back' })
    .click()
  await page.getByRole('button', { name: 'Add a piece' }).click()
  await page.getByLabel('far end higher by').fill('80')
  await page.getByLabel('far end higher by').press('Tab')
  await part(/^Line 2/)
  await page.getByLabel('along', { exact: true }).fill('120')
  await page.getByLabel('away', { exact: true }).fill('55')
  await page.getByRole('button', { name: 'Add what is hot' }).click()
  await expect(page.getByText('At 120 mm: 55 mm away')).toBeVisible()
  await page.getByRole('button', { name: 'Read off: Line 1 to line 2, towards the slave' }).click()
  await page.getByLabel('Thread', { exact: true }).fill('M12x1')
  await page.getByLabel('Thread', { exact: true }).press('Tab')
  await page.getByRole('button', { name: 'It is so in the vehicle' }).click()
  await expect(page.locator('[data-ends]')).toContainText('M12x1 male double flare')
  await allSent(page)
  const known = await installationOf(launch)
  expect(known.switches).toEqual([{ does: 'start', at: 'pedal', threads: 7 }])
  expect(known.slave).toMatchObject({ faces: 'back', bleedLine: [{ rise: 80 }] })
  expect(known.heat!.at(-1)).toEqual({ along: 720, distance: 55, sleeved: false })
  expect(known.joints!.find(({ at }) => at === 'line.0')!.b!.thread).toBe('M12x1')

  const porter = await demoJob('Ferry porter')
  await page.goto(url(`/jobs/${porter.id}/choose`))
  await expect(page.locator('[data-sized]')).toBeVisible()
  await page.getByRole('button', { name: 'Mark an area' }).click()
  const chart = (await page.locator('figure svg').first().boundingBox())!
  await page.mouse.move(chart.x + 60, chart.y + 40)
  await page.mouse.down()
  await page.mouse.move(chart.x + chart.width / 2, chart.y + chart.height / 2, { steps: 5 })
  await page.mouse.move(chart.x + chart.width - 25, chart.y + chart.height - 55, { steps: 5 })
  await page.mouse.up()
  const marked = page.getByText(/^\d+ in the marked area\./)
  await expect(marked).toBeVisible()
  const count = Number((await marked.innerText()).split(' ')[0])
  expect(count).toBeGreaterThan(8)
  expect(count).toBeLessThan(25)
  await page.getByRole('button', { name: 'Show all', exact: true }).click()
  await expect(page.getByRole('button', { name: /^All 25/ })).toBeVisible()
})

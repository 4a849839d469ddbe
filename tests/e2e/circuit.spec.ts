import { readFileSync } from 'node:fs'
import type { Locator, Page } from '@playwright/test'
import { INSTALLATION_FILE } from '../../contract'
import { pressCurve, solveCircuit } from '../../core/circuit'
import { crestsOf, fromArchetype, movePoint, type Installation } from '../../core/installation'
import { fold } from '../../core/journal'
import { judge, plannedFigures } from '../../core/proof'
import { formatOf, shown } from '../../core/quantity'
import { sensitivity } from '../../core/whatif'
import {
  allSent,
  beSomebody,
  demoJob,
  entriesOf,
  expect,
  figure,
  installationOf,
  putFile,
  test,
  url,
  vehicleOf,
} from './app'

const f = formatOf('metric')
const handle = (page: Page, index: number) => page.locator(`[data-point="${index}"]`)
const crestWords = (installation: Installation) => {
  const [crest] = crestsOf(installation)
  return crest
    ? `crest · ${f.volume(crest.toBleeder)} to the bleeder · ${crest.strokes.toFixed(1)} strokes`
    : ''
}
const spaced = async (one: Locator) => ((await one.textContent()) ?? '').replace(/\s+/g, ' ').trim()

async function dragBy(page: Page, index: number, dx: number, dy: number): Promise<void> {
  const box = (await handle(page, index).boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 })
  await page.mouse.move(x + dx, y + dy, { steps: 4 })
  await page.mouse.up()
}

test('a line is routed over a crest by mouse and by keyboard, undone, and the same after a reload', async ({
  page,
}) => {
  await beSomebody(page)
  const job = await demoJob('Quarry')
  await page.goto(url(`/jobs/${job.id}/circuit/route`))
  const before = await installationOf(job)
  expect(crestsOf(before)).toEqual([])
  await expect(page.locator('[data-crest]')).toHaveCount(0)

  await test.step('by mouse: the second point is lifted over the master', async () => {
    await dragBy(page, 1, 0, -80)
    await expect(page.locator('[data-crest] text')).toBeVisible()
    await allSent(page)
    const now = await installationOf(job)
    expect(now.route[1]!.height).toBeGreaterThan(50)
    // Heights snap to the half centimetre, or level with a neighbour.
    expect(now.route[1]!.height % 5).toBe(0)
    expect(await spaced(page.locator('[data-crest] text'))).toBe(crestWords(now))
    await expect(page.getByLabel('Over the master, point 2')).toHaveValue(String(now.route[1]!.height))
    expect((await entriesOf(job.id)).at(-1)!.kind).toBe('route')
  })

  await test.step('by keyboard: up in two steps, along in a large one, filed as one entry', async () => {
    const start = await installationOf(job)
    const count = (await entriesOf(job.id)).length
    await handle(page, 1).focus()
    await page.keyboard.press('ArrowUp')
    await page.keyboard.press('ArrowUp')
    await page.keyboard.press('Shift+ArrowRight')
    const { along, height } = start.route[1]!
    await expect(figure(page, 'point')).toHaveText(`${f.length(along + 25)} · ${f.length(height + 10)}`)
    await expect.poll(async () => (await entriesOf(job.id)).length, { timeout: 15_000 }).toBe(count + 1)
    const now = await installationOf(job)
    expect(now.route[1]).toMatchObject({ along: along + 25, height: height + 10 })
    expect(now).toEqual({
      ...movePoint(start, 1, { along: along + 25, height: height + 10 }),
      assumed: now.assumed,
    })
    expect(await spaced(page.locator('[data-crest] text'))).toBe(crestWords(now))
  })

  await test.step('a point more, one less, and typed; what cannot be is said and stays', async () => {
    const count = (await installationOf(job)).route.length
    await handle(page, 1).focus()
    await page.keyboard.press('Insert')
    await expect(page.locator('[data-point]')).toHaveCount(count + 1)
    await handle(page, 2).focus()
    await page.keyboard.press('Delete')
    await expect(page.locator('[data-point]')).toHaveCount(count)
    const along = page.getByLabel('Along, point 2')
    await along.fill('99999')
    await along.press('Enter')
    await expect(
      page.getByText(/It must lie between its neighbours: .* is as near as it can go/),
    ).toBeVisible()
    const height = page.getByLabel('Over the master, point 2')
    await height.fill('120')
    await height.press('Enter')
    await allSent(page)
    expect((await installationOf(job)).route[1]!.height).toBe(120)
  })

  await test.step('undo, redo, reload', async () => {
    await page.getByRole('button', { name: 'Undo' }).first().click()
    await expect(page.getByLabel('Over the master, point 2')).not.toHaveValue('120')
    await page.getByRole('button', { name: 'Redo' }).click()
    await expect(page.getByLabel('Over the master, point 2')).toHaveValue('120')
    await allSent(page)
    const words = await spaced(page.locator('[data-crest] text'))
    expect(words).toBe(crestWords(await installationOf(job)))
    await page.reload()
    await expect(page.locator('[data-crest] text')).toBeVisible()
    expect(await spaced(page.locator('[data-crest] text'))).toBe(words)
  })

  await test.step('a union dragged along takes both lines and the ladder with it', async () => {
    const start = await installationOf(job)
    const [steel, hose] = start.circuit.lines
    const index = start.route.findIndex((point) => Math.abs(point.along - steel!.length) < 0.5)
    await dragBy(page, index, 60, 0)
    await allSent(page)
    const now = await installationOf(job)
    expect(now.circuit.lines[0]!.length).toBeGreaterThan(steel!.length + 20)
    expect(now.circuit.lines[0]!.length + now.circuit.lines[1]!.length).toBeCloseTo(
      steel!.length + hose!.length,
      6,
    )
    const { before: found } = judge(now, fold(await entriesOf(job.id)))
    await expect(page.locator('td[data-term="lineSwell"]').first()).toHaveText(
      shown(found.solution.budget.lineSwell, 1),
    )
  })
})

test('units are a person’s own, anywhere, and come back exactly', async ({ page, browser }) => {
  await beSomebody(page)
  const job = await demoJob('Mail van')
  await page.goto(url(`/jobs/${job.id}/find?at=measured`))
  const { air } = judge(await installationOf(job), fold(await entriesOf(job.id))).before
  if (!air || 'implausible' in air) throw new Error('no air')
  await expect(figure(page, 'air')).toContainText(`${shown(air.air / 1000, 2)} ml`)
  const field = page.getByLabel('Pad height, pedal up, mm')
  await field.fill('155')

  await page.getByRole('button', { name: /^Units: metric/ }).click()
  const inches = formatOf('inch')
  await expect(figure(page, 'air')).toContainText(inches.volume(air.air).replace(' fl oz', ''))
  await expect(page.locator('[data-reading="freeTravel"]')).toContainText('2.01 in')
  // What was typed means the same: 155 mm.
  await expect(page.getByLabel('Pad height, pedal up, in')).toHaveValue('6.10236220472441')
  const say = page.getByRole('textbox', { name: 'Say what was seen, felt or measured' })
  await say.fill('free 2 1')
  await say.fill('free 2')
  await expect(page.getByText(/Free travel at the pad 2\.00 in/)).toBeVisible()
  await say.fill('')

  await page.goto(url(`/jobs/${job.id}/circuit/parts`))
  const bore = page.getByLabel('Master bore, measured')
  await bore.fill('0.625')
  await bore.press('Enter')
  await expect(page.locator('[data-measured="master.bore"]')).toHaveText('0.63 in')
  await allSent(page)
  expect((await installationOf(job)).circuit.master.bore).toBe(15.875)

  const person = await page.evaluate(() => localStorage.getItem('mellow-person'))
  const other = await (await browser.newContext()).newPage()
  await other.addInitScript((id) => localStorage.setItem('mellow-person', id!), person)
  await other.goto(url(`/jobs/${job.id}/find?at=measured`))
  await expect(other.locator('[data-reading="freeTravel"]')).toContainText('2.01 in')
  await other.context().close()

  await page.reload()
  await page.getByRole('button', { name: /^Units: inch/ }).click()
  await expect(page.locator('[data-measured="master.bore"]')).toHaveText('15.9 mm')
  await page.goto(url(`/jobs/${job.id}/find?at=measured`))
  await expect(page.getByLabel('Pad height, pedal up, mm')).toHaveValue('155')
  await page.getByLabel('Pad height, pedal up, mm').fill('')
  expect((await installationOf(job)).circuit.master.bore).toBe(15.875)
})

test('three states stand side by side, and their figures are the core’s', async ({ page }) => {
  await beSomebody(page)
  const job = await demoJob('School')
  await page.goto(url(`/jobs/${job.id}/circuit/whatif`))
  const entries = await entriesOf(job.id)
  const { before, after } = judge(await installationOf(job), fold(entries))

  await test.step('a remedy is tried, and its figures are the forward solution’s', async () => {
    const { remedies } = sensitivity({ ...before.installation, circuit: before.circuit })
    const first = page.locator('[data-remedy]').first()
    await expect(first).toHaveAttribute('data-remedy', remedies[0]!.id)
    await expect(first).toContainText(`+${shown(remedies[0]!.gain, 1)}`)
    await page.getByRole('button', { name: 'Try: Master one bore larger' }).click()
    await page.getByRole('slider', { name: 'Trapped air' }).fill('150')
    await expect(page.getByText('Keep as the plan')).toBeEnabled()
    await page.getByRole('button', { name: 'Keep as the plan' }).click()
    await allSent(page)
  })

  const plan = fold(await entriesOf(job.id)).circuitPlan!.payload.changes
  const planned = plannedFigures(before, plan)
  await test.step('ladder: as found, planned, after', async () => {
    for (const [term, value] of Object.entries(planned.solution.budget)) {
      const cells = page.locator(`td[data-term="${term}"]`)
      await expect(cells).toHaveCount(3)
      await expect(cells.nth(1)).toHaveText(shown(value, 1))
      await expect(cells.nth(0)).toHaveText(
        shown(before.solution.budget[term as keyof typeof before.solution.budget], 1),
      )
      await expect(cells.nth(2)).toHaveText(
        shown(after.solution.budget[term as keyof typeof after.solution.budget], 1),
      )
    }
    await expect(page.locator('[data-whatif="Reserve"]')).toContainText(
      `${shown(planned.solution.reserve, 1)} mm`,
    )
  })

  await test.step('curves: the same three as a table, and out as CSV and SVG', async () => {
    await page.getByRole('link', { name: 'Curves' }).click()
    await expect(
      page.getByRole('img', { name: 'Pad force over pad travel, as found, planned, after' }),
    ).toBeVisible()
    await page.getByRole('button', { name: 'Pressure' }).click()
    await page.getByRole('button', { name: 'As a table' }).click()
    const last = page.locator('tr', { has: page.locator('[data-curve]') }).last()
    const travel = before.circuit.pedal.travel
    for (const [i, circuit] of [before.circuit, planned.circuit, after.circuit].entries())
      await expect(last.locator('[data-curve]').nth(i)).toHaveText(
        shown(solveCircuit(circuit, travel).at.pressure * 10, 1),
      )
    const [csv] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'CSV' }).click(),
    ])
    const lines = readFileSync(await csv.path(), 'utf8').split('\r\n')
    expect(lines[0]).toBe(
      'pad travel (mm),as found: pressure down (bar),as found: pressure up (bar),as found: clamp,planned: pressure down (bar),planned: pressure up (bar),planned: clamp,after: pressure down (bar),after: pressure up (bar),after: clamp',
    )
    expect(lines.at(-2)!.split(',')[0]).toBe(String(travel))
    expect(lines.at(-1)).toBe('')
    await page.getByRole('button', { name: 'As curves' }).click()
    const [svg] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'SVG', exact: true }).click(),
    ])
    expect(readFileSync(await svg.path(), 'utf8')).toMatch(/<path[^>]+stroke-dasharray/)
  })
})

test('what the foot notices is told from real solutions, and drawn', async ({ page }) => {
  await beSomebody(page)
  const van = await demoJob('Mail van')
  await page.goto(url(`/jobs/${van.id}/circuit/whatif`))
  const tell = (words: RegExp) => expect(page.getByText(words).first()).toBeVisible()
  await page.getByRole('slider', { name: 'Pushrod clearance' }).fill('-2')
  await tell(/the port never opens/)
  await page.getByRole('button', { name: 'Reset all changes' }).click()
  await page.goto(url(`/jobs/${van.id}/circuit/parts`))
  await page.getByRole('button', { name: 'Slave', exact: true }).click()
  const stroke = page.getByLabel('Slave stroke, measured')
  await stroke.fill('8')
  await stroke.press('Enter')
  await page.getByRole('link', { name: 'Curves' }).click()
  await tell(/slave’s piston meets its circlip with .* of pedal left, and the disc is not free/)
  await page.getByRole('slider', { name: 'Pad' }).fill('155')
  await expect(page.locator('.circlip.stopped')).toHaveCount(1)
  // Undo stays with what its own sheet shows.
  await page.getByRole('link', { name: 'Parts' }).click()
  await page.getByRole('button', { name: /^Undo: Slave stroke measured: 8/ }).click()
  await expect(page.locator('.circlip.stopped')).toHaveCount(0)
  await page.getByRole('button', { name: 'Master', exact: true }).click()
  const master = page.getByLabel('Master stroke, measured')
  await master.fill('15')
  await master.press('Enter')
  await page.getByRole('link', { name: 'Curves' }).click()
  await tell(/master’s stroke is too short: its piston is at its end with .* of pedal left/)
  await page.getByRole('link', { name: 'Parts' }).click()
  await page.getByRole('button', { name: /^Undo: Master stroke/ }).click()
  await page.getByRole('link', { name: 'Curves' }).click()
  await expect(page.getByText(/master’s stroke is too short/)).toHaveCount(0)
  await allSent(page)
})

test('a cover that snaps is drawn as a leap and told', async ({ page }) => {
  await beSomebody(page)
  const van = await demoJob('Mail van')
  const given = { ...(await vehicleOf(van.vehicleId)).circuit, air: 0 }
  // A cover that falls off steeply behind its peak, as a cracked one does.
  const releaseLoad: [number, number][] = [
    [0, 0],
    [2, 1100],
    [4, 1850],
    [4.6, 900],
    [10, 850],
  ]
  const circuit = { ...given, cover: { ...given.cover, releaseLoad } }
  expect(pressCurve(circuit, 2).jumps.down).toHaveLength(1)
  const installation = { ...fromArchetype('long-line'), circuit, assumed: [] }
  await page.goto(url(`/vehicles/${van.vehicleId}/keep`))
  await putFile(page, { $schema: INSTALLATION_FILE, installation })
  await expect(page.getByText('Taken from circuit.json')).toBeVisible()
  await page.getByRole('link', { name: 'Curves' }).click()
  await page.getByRole('button', { name: 'Slave travel' }).click()
  const told = (air: number) => {
    const [jump] = pressCurve({ ...circuit, air }, 2).jumps.down
    return `At ${f.length(jump!.padTravel)} of pad the cover goes over its peak and what is squeezed throws the rod ${f.length(jump!.to - jump!.from)} on`
  }
  await expect(figure(page, 'event')).toContainText(told(0))
  await expect(page.locator('.chart').getByText('snaps')).toBeVisible()
  await page.getByRole('link', { name: 'What if' }).click()
  await page.getByRole('slider', { name: 'Trapped air' }).fill('1500')
  await expect(page.getByText(told(1500))).toBeVisible()
  await page.getByRole('button', { name: 'Reset all changes' }).click()
  await page.getByRole('link', { name: 'Keep' }).click()
  await page.getByRole('button', { name: 'Go back to this' }).first().click()
  await expect(page.getByText('Back to that state')).toBeVisible()
  await allSent(page)
})

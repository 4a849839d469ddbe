import { readFileSync } from 'node:fs'
import type { Vehicle, WithEntries } from '../../contract'
import { mostRoom, wearLimit } from '../../core/circuit'
import { fromArchetype, withMeasured, type Installation } from '../../core/installation'
import { calibrationFrom, fold } from '../../core/journal'
import { judge } from '../../core/proof'
import { formatOf, shown } from '../../core/quantity'
import {
  allSent,
  beSomebody,
  demoJob,
  entriesOf,
  expect,
  figure,
  get,
  installationOf,
  putFile,
  test,
  url,
  vehicleOf,
} from './app'
import { wrongOn } from './axe'

const f = formatOf('metric')

test('what is not known is weighed off the drawing thread, and a good pedal is kept', async ({
  page,
}) => {
  await beSomebody(page)
  const van = await demoJob('Mail van')
  await page.goto(url(`/vehicles/${van.vehicleId}/guess`))
  await page.getByLabel('Free travel at the pad', { exact: true }).fill('51')
  await page.getByRole('button', { name: 'Weigh the readings' }).click()
  const low = page.locator('[data-range="guess-air-low"]')
  await expect(low).toBeVisible({ timeout: 30_000 })
  const width = async () =>
    Number(await page.locator('[data-range="guess-air-high"]').innerText()) -
    Number(await low.innerText())
  const wide = await width()
  expect(wide).toBeGreaterThan(0.1)
  await expect(figure(page, 'guess')).toContainText(
    /\d+ % of the doubt about the air comes from\s+assumed figures/,
  )
  await expect(page.locator('[data-next]').first()).toContainText(/air to ±0\.\d+ ml/)

  await page.getByLabel('Free travel at the pad', { exact: true }).fill('900')
  await expect(page.getByText('0 to 500 mm. What you typed is still here')).toBeVisible()
  await page.getByLabel('Free travel at the pad', { exact: true }).fill('16')
  await page.getByLabel('Take-up height', { exact: true }).fill('18')
  await page.getByLabel('This pedal is known to be good').check()
  await page.getByRole('button', { name: 'Keep as this vehicle’s good pedal' }).click()
  await allSent(page)
  const { entries } = await get<WithEntries<Vehicle>>(`/vehicles/${van.vehicleId}`)
  expect(calibrationFrom(entries)!.payload).toEqual({ freeTravel: 16, takeUpHeight: 18 })
  await expect(page.getByText(/Good pedal of .* is weighed in: free travel at the pad 16/)).toHaveCount(
    1,
  )

  await test.step('ten thousand circuits drawn while the page answers, and stopped', async () => {
    await page.goto(url(`/jobs/${van.id}/circuit/whatif`))
    await page.getByRole('button', { name: /Draw 10,000 circuits/ }).click()
    await expect(figure(page, 'band')).toBeVisible({ timeout: 30_000 })
    const read = async (name: string) =>
      Number((await page.locator(`[data-range="band-${name}"]`).innerText()).replace('−', '-'))
    const [from, to] = [await read('reserve-low'), await read('reserve-high')]
    expect(from).toBeLessThan(to)
    const { before } = judge(await installationOf(van), fold(await entriesOf(van.id)))
    expect(from).toBeLessThan(before.solution.reserve)
    expect(to).toBeGreaterThan(before.solution.reserve)
    expect((from + to) / 2).toBeCloseTo((before.reserve.low + before.reserve.high) / 2, -1)
  })
})

test('a name and a plate are put right; the vehicle is listed by them', async ({ page }) => {
  await beSomebody(page)
  const tipper = await demoJob('Quarry')
  await page.goto(url(`/vehicles/${tipper.vehicleId}/parts`))
  await page.getByRole('button', { name: 'Name', exact: true }).click()
  const dialog = page.getByRole('dialog')
  const named = dialog.getByLabel('Name, as the workshop says it')
  await expect(named).toHaveValue(tipper.vehicleName)
  await named.fill(' ')
  await dialog.getByLabel('Plate').fill('HAR 77')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog.getByRole('alert')).toHaveText('Give it a name.')
  expect(await wrongOn(page)).toEqual([])
  await named.fill('Harbour tipper')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Harbour tipper')
  await expect(page.locator('header')).toContainText('HAR 77')
  const { subject } = await get<WithEntries<Vehicle>>(`/vehicles/${tipper.vehicleId}`)
  expect([subject.name, subject.plate]).toEqual(['Harbour tipper', 'HAR 77'])
  await page.goto(url(`/jobs/${tipper.id}/find`))
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Harbour tipper')
})

test('wear, and the installation out to a file, in again, over to another vehicle and back', async ({
  page,
}) => {
  await beSomebody(page)
  const tipper = await demoJob('Quarry')
  const van = await demoJob('Mail van')
  await page.goto(url(`/vehicles/${tipper.vehicleId}/wear`))
  const start = await vehicleOf(tipper.vehicleId)
  const circuit = { ...start.circuit, air: 0 }
  await expect(figure(page, 'wear')).toContainText(
    f.length(wearLimit(circuit, { room: mostRoom(circuit) })).replace(/\.\d mm$/, '.'),
  )
  await page.getByLabel('Room behind the slave’s piston, measured').fill('7')
  await page.getByLabel('Room behind the slave’s piston, measured').press('Enter')
  await expect(figure(page, 'wear')).toContainText(`${shown(wearLimit(circuit, { room: 7 }), 2)} mm`)
  await allSent(page)

  await page.getByRole('link', { name: 'Keep' }).click()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as JSON' }).click(),
  ])
  const saved = JSON.parse(readFileSync(await file.path(), 'utf8')) as {
    $schema: string
    installation: Installation
  }
  expect(saved.$schema).toBe('urn:mellow-anchor:installation:2')
  expect(saved.installation).toEqual(await vehicleOf(tipper.vehicleId))

  await putFile(page, '{ half')
  await expect(page.getByText('is not readable as JSON')).toBeVisible()
  const bad = structuredClone(saved)
  bad.installation.circuit.master.bore = 900
  await putFile(page, bad)
  await expect(page.getByText('/installation/circuit/master/bore')).toBeVisible()
  await expect(page.getByText('must be at most 60')).toBeVisible()
  expect(await vehicleOf(tipper.vehicleId)).toEqual(saved.installation)
  const other = { ...saved, installation: withMeasured(fromArchetype('tractor'), 'master.bore', 25.4) }
  await putFile(page, other)
  await expect(page.getByText('Taken from circuit.json')).toBeVisible()
  await allSent(page)
  expect(await vehicleOf(tipper.vehicleId)).toEqual(other.installation)

  await page.getByRole('combobox', { name: 'Vehicle' }).fill('north mail')
  await page.getByRole('option', { name: /Mail van, north round/ }).click()
  const kept = await vehicleOf(van.vehicleId)
  await page.getByRole('button', { name: 'Copy the whole circuit' }).click()
  await expect(page.getByText('Copied to Mail van, north round.')).toBeVisible()
  await allSent(page)
  expect(await vehicleOf(van.vehicleId)).toEqual(other.installation)
  await page.goto(url(`/vehicles/${van.vehicleId}/keep`))
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Installation set' })
    .last()
    .getByRole('button', { name: 'Go back to this' })
    .click()
  await expect(page.getByText('Back to that state')).toBeVisible()
  await allSent(page)
  expect(await vehicleOf(van.vehicleId)).toEqual(kept)

  const [drawing] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Drawing as SVG' }).click(),
  ])
  const svg = readFileSync(await drawing.path(), 'utf8')
  expect(svg).toContain('<title>Mail van, north round, release circuit from the side</title>')
  expect(svg).toContain('crest ·')
  expect(svg).not.toMatch(/class=|data-|<script|var\(--|tabindex/)
  await expect(page.getByRole('list', { name: 'Parts of the circuit' })).toContainText(
    'Line 2, rubber hose: 380 mm long',
  )
})

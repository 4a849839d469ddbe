import { solveCircuit, freeTravel } from '../../core/circuit'
import { fromArchetype, withMeasured } from '../../core/installation'
import type { Job, Vehicle, WithEntries } from '../../contract'
import { calibrationFrom, fold, type Entry } from '../../core/journal'
import { judge, reasonWords } from '../../core/proof'
import { formatOf, shown } from '../../core/quantity'
import { killServer, restartServer } from '../harness/running'
import { allSent, entriesOf, expect, figure, get, goTo, measure, SIZES, SUITE, test, url } from './app'

/** The vehicle that is typed in below, built with the core alone. */
const vehicle = (
  [
    ['pedal.travel', 155],
    ['pedal.ratio', 6],
    ['master.bore', 15.87],
    ['slave.bore', 20.64],
  ] as const
).reduce(
  (installation, [path, value]) => withMeasured(installation, path, value),
  fromArchetype('long-line'),
)
const withAir = (air: number) => ({ ...vehicle.circuit, air })
const before = Math.round(freeTravel(withAir(1100)))
const after = Math.round(freeTravel(withAir(0)))
const takeUpAfter = Math.round(155 - solveCircuit(withAir(0)).engagement!)

for (const [width, height] of SIZES)
  test(`from a soft pedal to a proven one at ${width} × ${height}, with the server killed on the way`, async ({
    page,
    browser,
  }) => {
    await page.setViewportSize({ width, height })
    await test.step('a name at the bench', async () => {
      await page.goto(url('/'))
      await page.getByLabel('Somebody new').fill('Wren Halloway')
      await page.getByRole('button', { name: 'Add' }).click()
      await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible()
    })

    await test.step('a new vehicle from its kind and three tape readings', async () => {
      await page.getByRole('link', { name: 'New vehicle' }).click()
      await page.getByRole('radio', { name: /Long line behind the bulkhead/ }).click()
      await page.getByLabel('Name, as the workshop says it').fill('Ferry pick-up')
      await page.getByLabel('Pad, up to floor').fill('155')
      await page.getByLabel('Pivot to pad centre').fill('30')
      await page.getByLabel('Pivot to rod pin').fill('50')
      await page.getByRole('button', { name: 'Save and open a job' }).click()
      await expect(page.getByText('Are they the right way round?')).toBeVisible()
      await page.getByLabel('Pivot to pad centre').fill('300')
      await expect(page.getByText('Pedal ratio 6.00')).toBeVisible()
      await page.getByLabel('Master bore').fill('15,87')
      await page.getByLabel('Slave bore').fill('20.64')
      await page.getByRole('button', { name: 'Save and open a job' }).click()
      await expect(page.getByRole('heading', { level: 1, name: 'New job' })).toBeVisible()
    })

    let job = ''
    await test.step('a job with its complaint', async () => {
      await page.getByText('Soft or spongy').click()
      await page.getByLabel('What is wanted').fill('Before the evening boat')
      await page.getByRole('button', { name: 'Open the job' }).click()
      await page.waitForURL(/\/jobs\/[0-9A-Z]{26}\/find$/)
      job = /jobs\/([0-9A-Z]{26})/.exec(page.url())![1]!
      await goTo(page, 'Measured')
      await expect(page.getByText('Free travel is not measured yet')).toBeVisible()
    })

    await test.step('free travel and heights in; air and budget out, as the core has them', async () => {
      await measure(page, 'Free travel at the pad', String(before))
      await measure(page, 'Pad height, pedal up', '155')
      await measure(page, 'Rod stroke, full pedal', '9.5')
      await goTo(page, 'Underneath')
      await page
        .getByRole('group', { name: 'Slave boot peeled back' })
        .getByRole('button', { name: 'dry' })
        .click()
      await goTo(page, 'Measured')
      await allSent(page)
      const { before: found } = judge(vehicle, fold(await entriesOf(job)))
      if (!found.air || 'implausible' in found.air) throw new Error('no air')
      const { air, low, high } = found.air
      await expect(figure(page, 'air')).toHaveText(
        `${shown(air / 1000, 2)} ml ${shown(low / 1000, 2)} to ${shown(high / 1000, 2)}`,
      )
      expect(air).toBeGreaterThan(1000)
      expect(air).toBeLessThan(1200)
      for (const [term, value] of Object.entries(found.solution.budget))
        await expect(page.locator(`td[data-term="${term}"]`)).toHaveText(shown(value, 1))
      await expect(page.locator('td[data-term="reserve"]')).toHaveText(shown(found.solution.reserve, 1))
      await expect(figure(page, 'meaning')).toContainText('mm of pad is missing to free the disc')
      await page.getByRole('button', { name: /^air, .* Open formula/ }).click()
      const formula = page.getByRole('region', { name: 'How air is worked out' })
      await expect(formula).toContainText('1 − p0 ÷ (p0 + pressure)')
      await expect(formula).toContainText(`${shown(air / 1000, 2)} ml`)
      await formula.getByRole('button', { name: 'Close' }).click()
    })

    await test.step('six cycles and two top-ups, the server killed between them', async () => {
      await page.keyboard.press('4')
      await expect(page).toHaveURL(/bleed$/)
      for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'One stroke more' }).click()
      await page.getByLabel('In the bottle').fill('14')
      await page.getByRole('button', { name: 'Large bubbles', exact: true }).click()
      await page.getByRole('button', { name: 'Few bubbles', exact: true }).click()
      await expect(figure(page, 'since')).toHaveText('6')
      await page.getByLabel('Topped up, ml').fill('30')
      await page.getByRole('button', { name: 'Topped up', exact: true }).click()
      await expect(figure(page, 'since')).toHaveText('0')
      await allSent(page)

      await killServer(SUITE)
      await page.getByRole('button', { name: 'Few bubbles', exact: true }).click()
      await page.getByRole('button', { name: 'Clear', exact: true }).click()
      await expect(page.getByText('2 kept here, server away')).toBeVisible()
      await expect(figure(page, 'since')).toHaveText('6')
      await restartServer(SUITE)
      await allSent(page)

      await page.getByRole('button', { name: 'Topped up', exact: true }).click()
      await page.getByRole('button', { name: 'Clear', exact: true }).click()
      // Two taps in a quarter of a second are one: this one takes its time.
      await page.getByRole('button', { name: 'Clear', exact: true }).click({ delay: 300 })
      await expect(figure(page, 'strokes')).toHaveText('18')
      await expect(figure(page, 'clear')).toHaveText('3')
      await measure(page, 'Free travel at the pad', String(after + 2))
      await allSent(page)
      const entries = await entriesOf(job)
      const count = (kind: Entry['kind']) => entries.filter((entry) => entry.kind === kind).length
      expect([count('bleedCycle'), count('topUp')]).toEqual([6, 2])
      expect(new Set(entries.map((entry) => entry.id)).size).toBe(entries.length)
      expect(entries.map((entry) => entry.sequence)).toEqual(entries.map((_, i) => i + 1))
    })

    await test.step('a rod left too long is a stop', async () => {
      await page.getByRole('link', { name: /Prove/ }).click()
      await expect(figure(page, 'verdict')).toHaveText('Not yet')
      await measure(page, 'Pushrod clearance', '-0.6')
      await expect(figure(page, 'verdict')).toHaveText('Stop')
      await expect(
        page.getByText('Rod 0.6 mm too long: it holds the piston in and partly covers the port.'),
      ).toBeVisible()
    })

    await test.step('measured again, looked at again, proven', async () => {
      await measure(page, 'Pushrod clearance', '0.4')
      await measure(page, 'Free travel at the pad', String(after))
      await measure(page, 'Take-up height', String(takeUpAfter))
      await measure(page, 'Rod stroke, full pedal', '13')
      await measure(page, 'Sink under a held foot', '0')
      await expect(figure(page, 'verdict')).toHaveText('Not yet')
      for (const [check, word] of [
        ['Unions after ten hard strokes', 'dry'],
        ['Level', 'on its mark'],
        ['Engine starts with the pedal up', 'only pedal down'],
        ['Unsynchronised gear', 'goes in quietly'],
        ['Under load', 'holds'],
      ] as const)
        await page
          .getByRole('group', { name: check, exact: true })
          .getByRole('button', { name: word, exact: true })
          .click()
      // All figures are good; nobody has asked yet how the pedal feels.
      await expect(figure(page, 'verdict')).toHaveText('Not yet')
      await expect(page.getByText('Soft or spongy: not asked yet how it is now')).toBeVisible()
      await page.getByRole('button', { name: 'Soft or spongy: Gone', exact: true }).click()
      await expect(figure(page, 'verdict')).toHaveText('Proven')
      await page.getByRole('button', { name: 'File this verdict' }).click()
      await allSent(page)
      const state = fold(await entriesOf(job))
      const { verdict } = judge(vehicle, state)
      expect(state.verdict!.payload).toEqual(verdict)
      expect(verdict.outcome).toBe('pass')
      await page.getByRole('button', { name: 'Keep as this vehicle’s good pedal' }).click()
      await expect(page.getByText('These readings are kept as this vehicle’s good pedal')).toBeVisible()
      await allSent(page)
      const { subject: stored } = await get<WithEntries<Job>>(`/jobs/${job}`)
      const { entries } = await get<WithEntries<Vehicle>>(`/vehicles/${stored.vehicleId}`)
      expect(calibrationFrom(entries)!.payload).toEqual({
        freeTravel: after,
        takeUpHeight: takeUpAfter,
        rodStroke: 13,
      })
      const reserve = verdict.reasons.find((reason) => reason.rule === 'reserve')!
      const said = reasonWords(reserve, formatOf('metric'))
      await expect(page.getByRole('listitem').filter({ hasText: said })).toBeVisible()
      expect(reserve.figure).toBeGreaterThan(reserve.limit!)
      expect(said).toMatch(/^(Reserve|Takes up) \d/)
    })

    // What follows is the same at any size.
    if (width !== 1280) return
    await test.step('a reload and a second browser show the same', async () => {
      const words = await page.getByRole('region', { name: 'Verdict' }).innerText()
      expect(words).toMatch(/^Proven/)
      await page.reload()
      await expect(figure(page, 'verdict')).toHaveText('Proven')
      expect(await page.getByRole('region', { name: 'Verdict' }).innerText()).toBe(words)
      const other = await (
        await browser.newContext({ viewport: { width: 1024, height: 768 } })
      ).newPage()
      await other.goto(page.url())
      await expect(figure(other, 'verdict')).toHaveText('Proven')
      expect(await other.getByRole('region', { name: 'Verdict' }).innerText()).toBe(words)
      await other.goto(url('/'))
      await other.getByRole('button', { name: 'Wren Halloway' }).click()
      await expect(other.getByRole('link', { name: /Ferry pick-up/ })).toContainText('Proven')
      await other.context().close()
    })

    await test.step('back the same day, soft again: it is proven nowhere', async () => {
      await page.getByRole('button', { name: 'Soft or spongy: Same', exact: true }).click()
      await measure(page, 'Free travel at the pad', String(before))
      await expect(figure(page, 'verdict')).toHaveText('Not yet')
      await expect(page.getByText('Soft or spongy: still the same')).toBeVisible()
      await expect(page.getByText(/Filed .*: Proven; things have changed since/)).toBeVisible()
      await allSent(page)
      await page.goto(url('/'))
      const row = page.getByRole('link', { name: /Ferry pick-up/ })
      await expect(row).toBeVisible()
      await expect(row).not.toContainText('Proven')
    })
  })

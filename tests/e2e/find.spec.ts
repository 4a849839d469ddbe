import type { Page } from '@playwright/test'
import type { Shop } from '../../contract'
import { chanceWords } from '../../core/words'
import { faultKind, type FaultId, type Report } from '../../core/diagnosis'
import type { Installation } from '../../core/installation'
import { fold, type EntryOf, type Payloads } from '../../core/journal'
import {
  allSent,
  beSomebody,
  entriesOf,
  expect,
  get,
  goTo,
  measure,
  say,
  SIZES,
  test,
  url,
} from './app'
import { answer, filedElsewhere, open, reckoned } from './trial'

/** The screen’s leading suspect is the core’s, with its chance. */
async function leads(
  page: Page,
  id: string,
  installation: Installation,
  fault: FaultId,
): Promise<Report> {
  await allSent(page)
  const found = await reckoned(id, installation)
  expect(found.suspects[0]!.fault).toBe(fault)
  await expect(page.locator('[data-lead]')).toHaveText(
    new RegExp(`${faultKind(fault).label}\\s*${chanceWords(found.suspects[0]!.chance)}`),
  )
  await expect(page.locator(`[data-suspect="${fault}"] [data-chance]`)).toHaveText(
    chanceWords(found.suspects[0]!.chance),
  )
  return found
}
const last = async <K extends keyof Payloads>(id: string, kind: K) =>
  (await entriesOf(id)).filter((entry) => entry.kind === kind).at(-1) as EntryOf<K>

for (const [width, height] of SIZES)
  test(`a master that bypasses at ${width} × ${height}: said, measured, led to, decided`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height })
    await beSomebody(page)
    const { id, installation } = await open('small-car', [])
    await page.goto(url(`/jobs/${id}/find`))

    await test.step('the complaint and the first looks, as they are jotted down', async () => {
      await say(page, 'pedal sinks')
      await say(page, 'level ok, rod end dry')
      await say(page, 'boot dry outlet dry')
      await allSent(page)
      const state = fold(await entriesOf(id))
      expect(Object.keys(state.found.asFound).sort()).toEqual([
        'bootWet',
        'levelLow',
        'outletDamp',
        'rodEndDamp',
      ])
      // A slip of the finger is understood, and shown as it was understood before it is filed.
      const line = page.getByRole('textbox', { name: 'Say what was seen, felt or measured' })
      await line.fill('sedimnt clean')
      await expect(page.locator('#understood')).toContainText('Bottom of the reservoir: clean')
      await line.press('Enter')
      await expect(line).toHaveValue('')
    })

    await test.step('the best next look is the core’s, and one tap answers it', async () => {
      await allSent(page)
      const { looks, suspects } = await reckoned(id, installation)
      const next = page.locator('[data-next-look]')
      await expect(next).toHaveAttribute('data-id', looks[0]!.id)
      await expect(page.locator('[data-lead]')).toContainText(chanceWords(suspects[0]!.chance))
      const { worth } = looks[0]!
      await expect(page.locator('[data-worth]')).toContainText(
        `worth about ${worth < 9.5 ? worth.toFixed(1) : worth.toFixed(0)}`,
      )
    })

    let price = ''
    await test.step('the figure settles it', async () => {
      await say(page, 'sink 14 in 60')
      const found = await leads(page, id, installation, 'masterBypass')
      expect(found.suspects[0]!.chance).toBeGreaterThan(0.8)
      // On a phone the line is folded until it is wanted.
      if (width < 640) await page.getByRole('button', { name: 'Show the line' }).click()
      await expect(page.locator('[data-suspected="masterBypass"]')).toContainText(
        chanceWords(found.suspects[0]!.chance),
      )
      await page.locator('[data-suspect="masterBypass"] button').click()
      const reason = found.suspects[0]!.reasons.find(({ id: what }) => what === 'sink')!
      expect(reason.weight).toBeGreaterThan(1)
      const ratio = Math.exp(reason.weight)
      await expect(
        page.getByRole('listitem').filter({ hasText: 'Sink under a held foot 14 mm in 60 s' }).last(),
      ).toContainText(`${ratio < 9.5 ? ratio.toFixed(1) : ratio.toFixed(0)} × for`)
      await expect(page.locator('[data-advice]')).toHaveAttribute(
        'data-decide',
        String(found.advice.decide),
      )
      // The same plan has the same price here and where it is decided.
      price = `${found.schools.scope.options.proven.expectedCost.toFixed(0)} with comebacks`
      await expect(page.locator('[data-advice]')).toContainText(price)
    })

    await test.step('both or one is decided with its reasons, and kept', async () => {
      await page.getByRole('link', { name: 'Decide how' }).click()
      const { schools } = await reckoned(id, installation)
      const option = page.locator('[data-option="pair"]')
      await expect(option.locator('[data-expected]')).toHaveText(
        `${schools.scope.options.pair.expectedCost.toFixed(0)} with comebacks`,
      )
      await expect(page.locator('[data-option="proven"]')).toContainText('this shop’s way')
      await expect(page.locator('[data-option="proven"] [data-expected]')).toHaveText(price)
      await expect(page.locator(`[data-option="${schools.scope.favoured}"]`)).toContainText(
        'the figures favour it',
      )
      await option.click()
      await expect(option).toHaveAttribute('aria-checked', 'true')
      // One answer chosen weighs the others anew: what is filed is what was chosen.
      const rebuild = { scope: 'pair', way: 'rebuild', first: 'part' } as const
      const rebuilt = (await reckoned(id, installation, rebuild)).schools.scope.options.pair
      expect(rebuilt.money).toBeLessThan(schools.scope.options.pair.money - 20)
      await page.locator('[data-option="rebuild"]').click()
      await expect(option.locator('[data-expected]')).toHaveText(
        `${rebuilt.expectedCost.toFixed(0)} with comebacks`,
      )
      await page.locator('[data-option="replace"]').click()
      await page.getByLabel('Why, in your words').fill('Ferry on Thursday, both while it is open')
      await page.getByRole('button', { name: 'File the decision' }).click()
      await expect(page.locator('[data-decided]')).toContainText('master and slave together')
      await allSent(page)
      const { payload } = await last(id, 'decision')
      expect(payload).toMatchObject({ scope: 'pair', way: 'replace', first: 'part' })
      expect(payload.repairs).toEqual(expect.arrayContaining(['master', 'slave']))
      expect(payload.why).toBe('Ferry on Thursday, both while it is open')
      const { favoured, same, why } = schools.scope
      expect(payload.reasons[0]).toEqual({ question: 'scope', favoured, same })
      // The ways not taken go along with what each would cost, and the rate that they were reckoned at.
      const chosen = { scope: 'pair', way: 'replace', first: 'part' } as const
      const weighed = (await reckoned(id, installation, chosen)).schools
      const others = Object.values(weighed).flatMap(({ options }) =>
        Object.entries(options)
          .filter(
            ([answer, { refused }]) =>
              !Object.values<string>(chosen).includes(answer) && refused === null,
          )
          .map(([answer, { repairs, money }]) => ({ answer, repairs, money })),
      )
      expect(others.length).toBeGreaterThan(2)
      expect(
        payload.options?.map(({ answer, repairs, money }) => ({ answer, repairs, money })),
      ).toEqual(others)
      expect(payload.hourlyRate).toBe((await get<Shop>('/shop')).settings.hourlyRate)
      await expect(page.locator('[data-decided]')).toContainText(
        '“Ferry on Thursday, both while it is open”',
      )
      await page.getByText('Reasons at the time').click()
      await expect(page.getByRole('listitem').filter({ hasText: `favoured: ${why}` })).toBeVisible()
      // Filed at once after the last tap, and yet with the figures of what was chosen then.
      expect(payload.money).toBeCloseTo(schools.scope.options.pair.money, 9)
      expect(payload.comebackRisk).toBeCloseTo(schools.scope.options.pair.comebackRisk, 9)
    })
  })

test('a slave that leaks inside the bell housing: all dry outside, and what drips is no oil', async ({
  page,
}) => {
  await beSomebody(page)
  const { id, installation } = await open('light-truck', ['losesFluid', 'soft'])
  await page.goto(url(`/jobs/${id}/find`))
  await answer(page, 'Level', 'low')
  await answer(page, 'Reservoir and feed hose', 'dry')
  await answer(page, 'Outlet union', 'dry')
  await answer(page, 'Hose from outside', 'dry')
  await goTo(page, 'Footwell')
  await answer(page, 'Rod end of the master', 'dry')
  await goTo(page, 'Underneath')
  await answer(page, 'Slave boot peeled back', 'dry')
  await answer(page, 'Union at the slave', 'dry')
  await answer(page, 'Hole under the bell housing', 'drips')
  await answer(page, 'What comes out of that hole', 'brake fluid, or nothing')
  const found = await leads(page, id, installation, 'slaveLeakInside')
  expect(found.hydraulic).toBeGreaterThan(0.8)
  await expect(page.locator('[data-verdict="not-hydraulic"]')).toHaveCount(0)
  await expect(page.getByRole('tab', { name: /^Underneath/ })).toContainText('4/')

  // The same tap again takes it back to not looked at, and the suspects move back.
  await answer(page, 'Hole under the bell housing', 'drips')
  await allSent(page)
  const without = await reckoned(id, installation)
  const now = without.suspects.find(({ fault }) => fault === 'slaveLeakInside')!.chance
  expect(now).toBeLessThan(found.suspects[0]!.chance)
  await expect(page.locator('[data-lead]')).toContainText(chanceWords(without.suspects[0]!.chance))
})

test('air drawn by a union: the overnight guide, step by step', async ({ page }) => {
  await beSomebody(page)
  const { id, installation } = await open('small-car', ['afterStanding'])
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'pumps bring it up')
  await say(page, 'worked on yes')
  await page.getByRole('button', { name: /^Overnight stand/ }).click()
  const guide = page.locator('[data-guide="overnight"]')
  await expect(guide).toContainText('Not now: it needs that it can stand overnight')
  await say(page, 'can stand yes')
  await expect(guide).not.toContainText('Not now')
  await guide.getByLabel('Free travel at the pad, mm').fill('44')
  await guide.getByLabel('Free travel at the pad, mm').press('Enter')
  await expect(guide).toContainText('In the morning, before the first stroke')
  await guide.getByRole('button', { name: 'lower than before' }).click()
  await expect(guide).toContainText('How far has the level fallen')
  await guide.getByLabel('Fall of the reservoir’s level, mm').fill('0')
  await guide.getByLabel('Fall of the reservoir’s level, seconds').fill('43200')
  await guide.getByRole('button', { name: 'File' }).click()
  await expect(guide.locator('[data-conclusion]')).toContainText('a joint draws')
  const found = await leads(page, id, installation, 'unionDraws')
  expect(found.suspects[0]!.chance).toBeGreaterThan(0.7)
  const { payload } = await last(id, 'measurement')
  expect(payload).toEqual({ reading: 'reservoirDrop', value: 0, duration: 43_200, phase: 'asFound' })
})

test('a rod too long stops the job, until it is set or somebody takes it over', async ({ page }) => {
  await beSomebody(page)
  const { id, installation } = await open('long-line', ['slipsNewDisc'])
  await page.goto(url(`/jobs/${id}/find?at=measured`))
  await measure(page, 'Pushrod clearance', '-2')
  const stop = page.locator('[data-stop="rodClearance"]')
  await expect(stop).toContainText('Stop. The rod covers the port at rest')
  await expect(page.getByRole('link', { name: /1\s*Find/ })).toContainText('stop')
  const found = await leads(page, id, installation, 'rodTooLong')
  // Nothing is proposed that would have to be driven.
  const names = found.looks.map(({ id: look }) => look)
  expect(names).not.toContain('slips')
  expect(names).not.toContain('judders')
  await expect(page.locator('[data-advice]')).toContainText(/set the pushrod/i)

  await stop.getByRole('button', { name: 'Override, in my name' }).click()
  await stop.getByRole('button', { name: 'Override' }).click()
  await expect(stop).toContainText('Say why it is overridden')
  await stop.getByRole('textbox').fill('Moved ten metres into the bay, then set')
  await stop.getByRole('button', { name: 'Override' }).click()
  await expect(stop).toContainText('Overridden by')
  await expect(page.getByRole('link', { name: /1\s*Find/ })).not.toContainText('stop')
  await allSent(page)
  expect((await last(id, 'takenOver')).payload).toEqual({
    stop: 'rodClearance',
    reason: 'Moved ten metres into the bay, then set',
  })
  expect((await reckoned(id, installation)).looks.map(({ id: look }) => look)).toContain('slips')

  await page.goto(url(`/jobs/${id}/prove`))
  await measure(page, 'Pushrod clearance', '0.3')
  await expect(page.locator('[data-stop]')).toHaveCount(0)
})

test('a pedal that stays down while the circuit is dry is no fault, and said so', async ({ page }) => {
  await beSomebody(page)
  const { id, installation } = await open('small-car', ['staysDown'])
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'circuit dry, pad hangs')
  const { advice } = await leads(page, id, installation, 'circuitDry')
  expect(advice.now.repairs).toEqual(['bleed'])
  await say(page, 'circuit filled')
  const { suspects } = await leads(page, id, installation, 'returnSpring')
  expect(suspects.find(({ fault }) => fault === 'circuitDry')!.chance).toBeLessThan(0.02)
})

test('a guide says what it lacks, and that a stop forbids it', async ({ page }) => {
  await beSomebody(page)
  const { id } = await open('small-car', ['losesFluid'])
  await page.goto(url(`/jobs/${id}/find`))
  await page.getByRole('button', { name: /^Wipe, work, look again/ }).click()
  const guide = page.locator('[data-guide]')
  await expect(guide).toContainText('Not now: it needs that a helper is here.')
  await say(page, 'helper here')
  await expect(guide).not.toContainText('Not now')
  await say(page, 'thread crossed or barely in')
  await expect(guide).toContainText(
    'Not now: it needs that the pedal may be pressed, and a stop forbids that.',
  )
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(guide).not.toContainText('Not now')
})

test('a case that is not hydraulic is said to be none', async ({ page }) => {
  await beSomebody(page)
  const { id, installation } = await open('tractor', ['grinds'])
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'level ok')
  await say(page, 'free 18')
  await say(page, 'stroke 20')
  await say(page, 'gear grinds, engine off go in')
  await say(page, 'squeal in gear squeals')
  const found = await leads(page, id, installation, 'pilotDrags')
  expect(found.notHydraulic).toBeGreaterThan(0.8)
  await expect(page.locator('[data-verdict="not-hydraulic"]')).toHaveText(
    new RegExp(`This is not the hydraulics,\\s*${chanceWords(found.notHydraulic!)}`),
  )
  await page.goto(url(`/jobs/${id}/decision`))
  await expect(page.locator('[data-option="rebuild"]')).toBeDisabled()
  await expect(page.locator('[data-option="bleed"]')).toContainText('hardly any air')
})

test('two readings that cannot both be true are named', async ({ page }) => {
  await beSomebody(page)
  const { id } = await open('small-car', ['soft'])
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'free 90')
  await say(page, 'take-up 33')
  await expect(page.locator('[data-contradictions]')).toContainText(
    'Free travel at the pad and Take-up height cannot both be so',
  )
  await say(page, 'free 19')
  await expect(page.locator('[data-contradictions]')).toHaveCount(0)
})

test('the field that somebody writes in stays until it is filed, whatever another device files meanwhile', async ({
  page,
}) => {
  await beSomebody(page)
  const { id, installation } = await open('small-car', ['staysDown'])
  await page.goto(url(`/jobs/${id}/find`))
  const next = page.getByRole('region', { name: /^Look next/ })
  const look = next.locator('[data-next-look]')
  await next.getByRole('button', { name: /^Free travel at the pad/ }).click()
  await expect(look).toHaveAttribute('data-id', 'freeTravel')
  const field = next.getByLabel('Free travel at the pad, mm', { exact: true })
  await field.pressSequentially('3')
  await filedElsewhere(id, 'finding', { finding: 'circuitDry', state: 'absent', phase: 'asFound' })
  const { looks, suspects } = await reckoned(id, installation)
  await expect(page.locator(`[data-suspect="${suspects[0]!.fault}"] [data-chance]`)).toHaveText(
    chanceWords(suspects[0]!.chance),
  )
  // By its worth the figure is far down the list now.
  expect(looks.findIndex((one) => one.id === 'freeTravel')).toBeGreaterThan(3)
  await expect(look).toHaveAttribute('data-id', 'freeTravel')
  await page.keyboard.type('6')
  await page.keyboard.press('Enter')
  await expect(look).not.toHaveAttribute('data-id', 'freeTravel')
  await allSent(page)
  await expect(look).toHaveAttribute('data-id', (await reckoned(id, installation)).looks[0]!.id)
  expect((await last(id, 'measurement')).payload).toMatchObject({ reading: 'freeTravel', value: 36 })
})

test('a job with no complaint passes through Find in a minute, or skips it', async ({ page }) => {
  await beSomebody(page)
  const { id } = await open('concentric', [], 'fluidService')
  await page.goto(url(`/jobs/${id}/find`))
  await expect(page.getByRole('tab', { name: /^Quick check/ })).toHaveAttribute('aria-selected', 'true')
  await answer(page, 'Level', 'on its mark')
  await expect(page.getByRole('tab', { name: /^Quick check/ })).toContainText('1/')
  await page.getByRole('link', { name: 'skip Find' }).click()
  await expect(page).toHaveURL(/bleed$/)
})

import type { Page } from '@playwright/test'
import { fold } from '../../core/journal'
import { checkSequence } from '../../core/plan'
import { jobPlan } from '../../core/proof'
import { allSent, beSomebody, demoJob, entriesOf, expect, installationOf, say, test, url } from './app'

type DemoJob = Awaited<ReturnType<typeof demoJob>>
const stateOf = async ({ id }: DemoJob) => fold(await entriesOf(id))
async function planned(job: DemoJob) {
  const state = await stateOf(job)
  return jobPlan(state, state.workPlan!.payload, await installationOf(job))
}
const nextStep = (page: Page) => page.locator('[data-next-step]')
const title = (page: Page) => nextStep(page).getByRole('heading')
const nextId = (page: Page) => nextStep(page).getAttribute('data-next-step')
/** Done one after the other, until the step that is named is next. */
async function workUpTo(page: Page, step: string) {
  for (;;) {
    await allSent(page)
    const next = (await nextId(page))!
    if (next === step) return
    await nextStep(page).getByRole('button', { name: 'Done', exact: true }).click()
    await expect(nextStep(page)).not.toHaveAttribute('data-next-step', next)
  }
}

test('from as found to the fill: a seized union, a clamp that was forgotten, and another device', async ({
  page,
  browser,
}) => {
  test.slow()
  await beSomebody(page)
  const job = await demoJob('Lighthouse')
  await page.goto(url(`/jobs/${job.id}/fit/plan`))
  await expect(
    page.getByRole('group', { name: 'Packages' }).getByRole('button', { name: 'Renew the slave' }),
  ).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'With a helper' }).click()
  await expect(title(page)).toBeVisible()
  await page.getByRole('button', { name: 'Belly panel' }).click()
  await expect(page.locator('[data-step="access.panelOff"]')).toBeVisible()
  await allSent(page)
  const whole = await planned(job)
  expect(whole.objective).toMatchObject({ breaches: 0, helperSpans: 1 })
  await expect(page.locator('[data-plan-time]')).toContainText(
    `${whole.steps.length} of ${whole.steps.length} steps to go`,
  )
  await expect(page.locator('[data-step]')).toHaveCount(whole.steps.length)
  // The joint's thread is known: its wrench has a size.
  await expect(page.locator('[data-laid-out]')).toContainText('flare-nut wrench, 11 mm')

  // As found: what the plan brings back stands first, and is asked for until it is written down.
  await page.getByRole('link', { name: /^As found/ }).click()
  const owed = page.locator('[data-owed="portOrientation"]')
  await expect(page.locator('[data-owed-records]')).toContainText('not written down yet')
  await owed.getByLabel('Which way the slave’s port points, in words').fill('up and forward')
  await owed.getByRole('button', { name: 'File' }).click()
  await expect(owed).toContainText('up and forward')

  // One step at a time, with minutes by hand, by a word and by a key.
  await page.getByRole('link', { name: /^Step/ }).click()
  const first = (await nextId(page))!
  await nextStep(page).getByLabel('Minutes it took').fill('2')
  await nextStep(page).getByRole('button', { name: 'Done', exact: true }).click()
  await expect(nextStep(page)).not.toHaveAttribute('data-next-step', first)
  const second = (await nextId(page))!
  await allSent(page)
  await say(page, 'step done, 3 min')
  await expect(nextStep(page)).not.toHaveAttribute('data-next-step', second)
  const third = (await nextId(page))!
  await allSent(page)
  await page.locator('main').first().focus()
  await page.keyboard.press('d')
  await expect(nextStep(page)).not.toHaveAttribute('data-next-step', third)
  await workUpTo(page, 'renewSlave.openDrains')
  expect((await stateOf(job)).stepsTold.slice(0, 3).map(({ payload }) => payload)).toEqual([
    { step: first, act: 'done', minutes: 2 },
    { step: second, act: 'done', minutes: 3 },
    { step: third, act: 'done' },
  ])
  await expect(page.locator('[data-half="on"]')).toContainText('pedal tagged')

  // The union is seized: its own step comes before, with the wait for the penetrant.
  await nextStep(page).getByLabel('Something turned up').selectOption({ label: 'seized union' })
  await expect(title(page)).toHaveText('Free the seized union')
  await page.getByRole('link', { name: /^Plan/ }).click()
  await expect(page.locator('[data-wait]')).toContainText('penetrant soaks in')
  await nextStep(page).getByRole('button', { name: 'Leave it out' }).first().click()
  await nextStep(page).getByLabel('Why it is left out').fill('came free by itself')
  await nextStep(page).getByRole('button', { name: 'Leave it out' }).last().click()
  await expect(title(page)).toHaveText('Union open, let it drain')
  await allSent(page)
  expect((await stateOf(job)).stepsTold.at(-1)!.payload).toMatchObject({
    act: 'skipped',
    reason: 'came free by itself',
  })

  // Another device goes on where this one stands, and what it does shows here.
  const other = await (await browser.newContext()).newPage()
  await beSomebody(other)
  await other.goto(url(`/jobs/${job.id}/fit/step`))
  await expect(title(other)).toHaveText('Union open, let it drain')
  await nextStep(other).getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.locator('[data-half="off"]')).toContainText('open at slave')
  await page.getByRole('button', { name: 'Open again: Union open, let it drain' }).click()
  await expect(title(other)).toHaveText('Union open, let it drain')
  await other.context().close()

  // A clamp that the plan knows nothing of, and bolts in a bag.
  await say(page, 'clamped the feed hose')
  await say(page, '2 bolts out of the bracket, bag 4')
  await expect(page.locator('[data-half="on"]')).toContainText('clamp, feed hose')
  await expect(page.locator('[data-half="off"]')).toContainText('fasteners, bracket (bag 4)')
  await workUpTo(page, 'renewSlave.offer')
  await expect(page.locator('[data-brought="portOrientation"]')).toContainText(
    'You wrote, which way the port points: up and forward',
  )
  await workUpTo(page, 'bleed.fill')
  const waits = page.locator('[data-waits]')
  await expect(waits).toContainText('clamp, feed hose is still on')
  const done = nextStep(page).getByRole('button', { name: 'Done', exact: true })
  await expect(done).toBeDisabled()
  await page.locator('main').first().focus()
  await page.keyboard.press('d')
  await expect(title(page)).toHaveText('Fill the reservoir')
  await page.goto(url(`/jobs/${job.id}/bleed`))
  await expect(page.locator('[data-spoils]')).toContainText('clamp, feed hose')
  await page.goto(url(`/jobs/${job.id}/fit/plan`))
  await waits.getByRole('button', { name: 'Off: clamp, feed hose' }).click()
  await expect(waits).toHaveCount(0)
  await workUpTo(page, 'bleed.strokes')

  // In the order in which they were done nothing was broken, up to where the work stands.
  const doneInOrder = (await stateOf(job)).stepsTold.filter(({ payload }) => payload.act === 'done')
  const byId = new Map(whole.steps.map((one) => [one.id, one]))
  const sequence = doneInOrder.flatMap(({ payload }) => byId.get(payload.step) ?? [])
  const unfinished = new Set(['left', 'record', 'bled', 'rod', 'brakes'])
  expect(sequence.length).toBeGreaterThan(15)
  expect(checkSequence(sequence, {}, 2).filter(({ rule }) => !unfinished.has(rule))).toEqual([])
  // Only the bolts are left of what was told by word; they keep the vehicle here.
  await page.getByRole('link', { name: /^On and off/ }).click()
  await expect(page.locator('[data-off="fastener"]')).toContainText('bag 4')
  await page.getByRole('button', { name: 'Back: fasteners, bracket' }).click()
  await expect(page.locator('[data-off="fastener"]')).toHaveCount(0)
  await allSent(page)
  const state = await stateOf(job)
  expect(state.putOn).toHaveLength(1)
  expect([...state.reversed.keys()].sort()).toEqual(
    [state.putOn[0]!.id, state.removed.at(-1)!.id].sort(),
  )
})

test('a rebuild whose bore is rejected goes back to the decision', async ({ page }) => {
  await beSomebody(page)
  const job = await demoJob('Smokehouse')
  await page.goto(url(`/jobs/${job.id}/fit/step`))
  await page.getByRole('link', { name: 'Pieces, bore and new part' }).click()
  const state = await stateOf(job)
  const { cylinder } = state.pieces[0]!.payload
  await expect(
    page.getByRole('button', { name: cylinder === 'master' ? 'Master' : 'Slave', exact: true }),
  ).toHaveAttribute('aria-pressed', 'true')
  // Pieces as they came out, and back in reverse.
  await expect(page.locator('[data-piece]')).toHaveCount(state.pieces.length)
  const back = page.locator('[data-back] li')
  await expect(back).toHaveCount(state.pieces.length)
  await expect(back.first()).toContainText('spring')
  await expect(back.nth(1)).toContainText('lip to the closed end')
  await page.getByLabel('Piece that came out').fill('Spring seat')
  await page
    .getByRole('group', { name: 'What becomes of it' })
    .getByRole('button', { name: 'reject' })
    .click()
  await page.getByRole('button', { name: 'Out', exact: true }).click()
  await expect(back.first()).toContainText('new spring seat')

  // The bore: sound by look, rejected by the gauge.
  const bore = page.locator('[data-bore]')
  await bore.getByRole('button', { name: 'clean' }).click()
  await expect(bore.locator('[data-judged]')).toContainText('Fit to rebuild')
  await bore.getByLabel('Nominal').fill('20.64')
  await bore.getByLabel('Bore at its widest').fill('20.78')
  await bore.getByLabel('Piston').fill('20.60')
  await expect(bore.locator('[data-judged]')).toContainText('Rejected')
  await expect(bore.locator('[data-judged]')).toContainText('loose in its bore by 0.18 mm')
  await expect(bore.locator('[data-judged]')).toContainText('0.14 mm over nominal')
  await bore.getByRole('button', { name: 'Keep this' }).click()
  await expect(page.locator('[data-stop="borePitted"]')).toContainText('renew that cylinder')
  await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('bore rejected')
  await allSent(page)
  expect((await stateOf(job)).bores[cylinder]!.payload).toEqual({
    cylinder,
    nominal: 20.64,
    bore: 20.78,
    piston: 20.6,
    surface: 'clean',
    verdict: 'reject',
  })

  // Decided again, with the bore as evidence: rebuilding is off the table.
  await page.getByRole('link', { name: 'Decide again' }).click()
  await expect(
    page.getByText('The opened bore is pitted or worn: that cylinder is renewed'),
  ).toBeVisible()
  const decide = page.getByRole('button', { name: 'File the decision' })
  await expect(decide).toBeDisabled()
  await page.locator('[data-question="Renew or rebuild?"] [data-option="replace"]').click()
  await decide.click()
  await expect(page.locator('[data-decided]')).toContainText('renew')
  await allSent(page)
  expect((await stateOf(job)).decision!.payload.way).toBe('replace')
  // The plan still rebuilds it, and is stopped until it does not.
  await page.goto(url(`/jobs/${job.id}/fit/plan`))
  await expect(page.locator('[data-stop="borePitted"]')).toBeVisible()
  await expect(page.getByRole('navigation', { name: 'Stages' })).toContainText('bore rejected')
  const packages = page.getByRole('group', { name: 'Packages' })
  await packages.getByRole('button', { name: `Rebuild the ${cylinder}` }).click()
  await packages.getByRole('button', { name: `Renew the ${cylinder}` }).click()
  await expect(page.locator('[data-stop="borePitted"]')).toHaveCount(0)
  await expect(page.getByRole('navigation', { name: 'Stages' })).not.toContainText('bore rejected')
})

test('the rod is set by its thread, and the shop keeps a package of its own', async ({ page }) => {
  await beSomebody(page)
  const job = await demoJob('Smokehouse')
  const { rodThreadPitch } = await installationOf(job)
  await page.goto(url(`/jobs/${job.id}/fit/adjust`))
  const sheet = page.locator('[data-adjust]')
  await sheet.getByLabel('From', { exact: true }).fill('0.1')
  await sheet.getByLabel('To', { exact: true }).fill('0.6')
  const turns = Math.round((0.5 / rodThreadPitch) * 100) / 100
  await expect(sheet.locator('[data-turns]')).toContainText(`${turns} turns shorter`)
  await sheet.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(sheet.locator('[data-adjusted="rod"]')).toContainText('from 0.1 mm to 0.6 mm')
  await say(page, 'switch from 7 to 9 threads')
  await expect(sheet.locator('[data-adjusted="switch"]')).toContainText('7 threads to 9 threads')
  await allSent(page)
  expect((await stateOf(job)).adjusted.map(({ payload }) => payload)).toEqual([
    { what: 'rod', from: 0.1, to: 0.6, turns },
    { what: 'switch', from: 7, to: 9 },
  ])

  await page.goto(url('/shop'))
  const own = page.locator('[data-own-packages]')
  await own.getByLabel('Begin with').selectOption({ label: 'Make a pipe' })
  await own.getByRole('button', { name: 'New package' }).click()
  await own.getByLabel('Title', { exact: true }).fill('Pipe by the jig')
  await own.getByLabel('Step 1, minutes, likely').fill('soon')
  await own.getByRole('button', { name: 'Keep this package' }).click()
  await expect(own.getByRole('alert')).toContainText('step 1')
  await own.getByLabel('Step 1, minutes, likely').fill('9')
  await own.locator('[data-step-form="1"] summary').click()
  await own.getByLabel('Step 1, puts on or opens').fill('paintCovered')
  await own.getByRole('button', { name: 'Keep this package' }).click()
  await expect(own.getByRole('alert')).toContainText('paint covered')
  await own.getByLabel('Step 1, puts on or opens').fill('')
  await own.getByRole('button', { name: 'Keep this package' }).click()
  await expect(own.locator('[data-own]')).toContainText('Pipe by the jig')
  await page.goto(url(`/jobs/${job.id}/fit/plan`))
  await page
    .getByRole('group', { name: 'Packages' })
    .getByRole('button', { name: 'Pipe by the jig' })
    .click()
  await expect(page.locator('[data-step^="own-"]')).toHaveCount(3)
  await allSent(page)
  await page.goto(url('/shop'))
  await own.getByRole('button', { name: 'Take out Pipe by the jig' }).click()
  await own.getByRole('button', { name: 'Take out', exact: true }).click()
  await expect(own.locator('[data-own]')).toHaveCount(0)
})

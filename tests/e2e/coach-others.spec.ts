import { fold } from '../../core/journal'
import { beSomebody, demoJob, entriesOf, expect, installationOf, test, url } from './app'
import { fileElsewhere, outOfPlace, planOf, tellSetup } from './coached'

const HOUR = 3_600_000
test('cycles and fills of others, a clock an hour ahead, a duplicated tab, a third tablet: the level, the run and the places hold', async ({
  page,
  browser,
}) => {
  test.slow()
  await beSomebody(page)
  const job = await demoJob('Ferry shuttle')
  await tellSetup(job.id, { people: 2, kit: ['hose'], steps: [{ method: 'openPush', cycles: 14 }] })
  const fast = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const phone = await fast.newPage()
  await phone.clock.install({ time: Date.now() + HOUR })
  await beSomebody(phone)
  const setUp = url(`/jobs/${job.id}/bleed/coach`)
  const at = (own: typeof page) => own.locator('[data-coach]')
  const call = () => at(page).getAttribute('data-call')

  // The phone, whose clock is an hour ahead, begins; then it is begun anew here, and stays so.
  await phone.goto(setUp)
  await expect(phone.locator('[data-clock]')).toContainText('60 minutes ahead')
  await phone.getByRole('button', { name: 'Both, on one screen' }).click()
  await phone.getByRole('button', { name: 'Start calling' }).click()
  await expect(at(phone)).toHaveAttribute('data-call', 'fill')
  await phone.locator('[data-answer]').click()
  await expect(at(phone)).toHaveAttribute('data-call', 'hose')
  const first = await at(phone).getAttribute('data-run')
  await page.goto(setUp)
  await page.getByRole('button', { name: 'Start anew' }).click()
  await expect(at(page)).toHaveAttribute('data-call', 'fill')
  const run = await at(page).getAttribute('data-run')
  expect(run).not.toBe(first)
  expect(run! < first!).toBe(true)
  await expect(at(phone)).toHaveAttribute('data-run', run!)
  await phone.getByRole('button', { name: 'More', exact: true }).click()
  await phone.getByRole('button', { name: 'I am at the pedal' }).click()
  await expect(page.locator('[data-others]')).toContainText('pedal')

  let cycles = 0
  const on = async () => {
    const now = await at(page).evaluate(({ dataset }: HTMLElement) => ({ ...dataset }))
    if (now.call === 'up') cycles += 1
    await (now.role === 'pedal' ? phone : page).locator('[data-answer]').click()
    for (const own of [page, phone])
      await expect(at(own)).toHaveAttribute('data-n', String(Number(now.n) + 1), { timeout: 20_000 })
  }
  while (cycles < 2) await on()
  // Eight strokes and a fill of ten ml by somebody else: the level counts both, once.
  const plan = await planOf(page)
  const { high } = plan.parts[0]!.draws[0]!
  await fileElsewhere(job.id, 'bleedCycle', { method: 'openPush', strokes: 8, cameOut: 'few' })
  await expect(page.locator('[data-figure="left"]')).toHaveText(
    `${Math.floor((plan.usable - 2 - 10 * high) / high)} strokes`,
  )
  await fileElsewhere(job.id, 'topUp', { volume: 10_000 })
  const left = Math.floor((plan.usable - 2 - 10 * high + 10) / high)
  await expect(page.locator('[data-figure="left"]')).toHaveText(`${left} strokes`)
  while ((await at(page).getAttribute('data-state')) !== 'held') await on()
  expect(cycles).toBe(2 + left)
  await page.locator('[data-answer]').click()

  // The tab is duplicated: it carries what the first remembers, and goes by another name.
  const device = await at(page).getAttribute('data-device')
  const copy = await page.context().newPage()
  await beSomebody(copy)
  await copy.addInitScript((name) => sessionStorage.setItem('mellow-device', name!), device)
  await copy.goto(url(`/jobs/${job.id}/bleed/calls`))
  await expect(at(copy)).toHaveAttribute('data-run', run!)
  expect(await at(copy).getAttribute('data-device')).not.toBe(device)
  // It has no place: there is nothing to answer, by touch or by key.
  await expect(copy.locator('[data-answer]')).toHaveAttribute('aria-disabled', 'true')
  await copy.keyboard.press('PageDown')
  await expect(at(page)).toHaveAttribute('data-call', 'open')
  while ((await call()) !== 'up') await on()
  await on()
  await copy.close()

  // A third asks for the pedal: who is there is asked, says nothing, is told who took it, and takes it back.
  const third = await (await browser.newContext({ viewport: { width: 1024, height: 768 } })).newPage()
  await beSomebody(third)
  await third.goto(setUp)
  await third.getByRole('button', { name: 'Ask for the pedal' }).click()
  await expect(phone.locator('[data-places]')).toContainText('asks for the pedal')
  for (const own of [phone, third]) expect(await outOfPlace(own)).toEqual([])
  await expect(third.locator('[data-places]')).toContainText('ten seconds to answer')
  await expect(phone.locator('[data-places]')).toContainText('has taken the pedal', { timeout: 20_000 })
  await expect(third.locator('[data-places]')).toContainText('You have the pedal now')
  await phone.getByRole('button', { name: 'Take it back' }).click()
  await expect(phone.locator('[data-places]')).toHaveCount(0)
  await third.getByRole('button', { name: 'More', exact: true }).click()
  await third.getByRole('button', { name: 'I am at the pedal' }).click()
  await phone.getByRole('button', { name: 'I stay' }).click()
  await expect(third.locator('[data-places]')).toContainText('stays there')
  while ((await call()) !== 'up') await on()
  await on()

  // Stopped with the screw open: closed first, and both read it.
  while ((await call()) !== 'down') await on()
  await page.locator('[data-pause]').click()
  await expect(at(page)).toHaveAttribute('data-call', 'shut')
  await expect(page.locator('[data-ask]')).toContainText('You stopped: close the screw first')
  await expect(phone.locator('[data-ask]')).toContainText('the screw is being closed first')
  await page.locator('[data-answer]').click()
  await expect(page.locator('[data-word]')).toHaveText('Stop')
  await page.locator('[data-answer]').click()
  await expect(at(page)).toHaveAttribute('data-call', 'open')

  // The page that leads is closed and opened again as another tab: told at once, and closed first.
  const again = await page.context().newPage()
  await beSomebody(again)
  await page.close()
  await again.goto(setUp)
  await again.getByRole('button', { name: 'Go on from here' }).click()
  await expect(at(again)).toHaveAttribute('data-call', 'shut')
  await expect(at(again)).toHaveAttribute('data-run', run!)
  const filed = async () => fold(await entriesOf(job.id))
  const flushed = async () =>
    (await filed()).bleed.cycles.filter(({ payload }) => payload.phase === 'flush').length
  // Its own, and the one from elsewhere; each once.
  await expect.poll(flushed).toBe(cycles)
  const { history } = await filed()
  // What the phone filed bears its own time and the workshop’s.
  const ahead = history.flatMap(({ holds }) => (holds.filedAt ? [holds] : []))
  expect(ahead.length).toBeGreaterThan(0)
  for (const { at: time, filedAt } of ahead) {
    expect(Date.parse(time) - Date.parse(filedAt!)).toBeGreaterThan(HOUR / 2)
    expect(Math.abs(Date.parse(filedAt!) - Date.now())).toBeLessThan(HOUR / 4)
  }
  for (const one of [phone, third, again]) await one.context().close()
})

test('a slave without a bleed screw, alone: what cannot be done is refused, what can is called, and nobody is sent to a screw', async ({
  page,
}) => {
  await beSomebody(page)
  const job = await demoJob('Island taxi')
  const installation = await installationOf(job)
  const slave = { ...installation.slave, bleeder: { kind: 'none' as const } }
  await fileElsewhere(job.id, 'installation', { ...installation, slave })
  await page.goto(url(`/jobs/${job.id}/bleed/coach`))
  await page.getByRole('button', { name: 'Alone' }).click()
  await expect(page.locator('[data-step]')).toHaveAttribute('data-step', 'slaveStrokes')
  const others = page.getByLabel('Add to what is called')
  await expect(others.locator('option[value="openPush"]')).toHaveCount(0)
  // What was chosen here has arrived before somebody else chooses otherwise.
  const people = async () => fold(await entriesOf(job.id)).bleed.setup?.payload.people
  await expect.poll(people).toBe(1)
  await tellSetup(job.id, { people: 1, kit: ['hose'], steps: [{ method: 'openPush', cycles: 10 }] })
  const refused = page.locator('[data-refused]')
  await expect(refused).toContainText('This slave has no bleed screw to open')
  await expect(page.getByRole('button', { name: 'Start calling' })).toBeDisabled()
  await refused.getByRole('button', { name: 'Slave strokes in place' }).click()
  await page.getByRole('button', { name: 'Start calling' }).click()
  const coach = page.locator('[data-coach]')
  const seen: string[] = []
  for (const _ of Array.from({ length: 7 })) {
    const n = Number(await coach.getAttribute('data-n'))
    seen.push((await coach.getAttribute('data-call'))!)
    for (const place of ['[data-at]', '[data-ask]'])
      expect(await page.locator(place).textContent()).not.toMatch(/screw/i)
    await page.locator('[data-answer]').click()
    await expect(coach).toHaveAttribute('data-n', String(n + 1))
  }
  expect(seen).toEqual(['tag', 'unbolt', 'fill', 'in', 'wait', 'out', 'wait'])
})

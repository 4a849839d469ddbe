import { fold } from '../../core/journal'
import { jobPlan } from '../../core/proof'
import { allSent, beSomebody, demoJob, entriesOf, expect, installationOf, test, url } from './app'

test('the plan of a slave is made, worked, met by a seized union, and goes on at another device', async ({
  page,
  browser,
}) => {
  await beSomebody(page)
  const job = await demoJob('Lighthouse')
  const planned = async () => {
    const state = fold(await entriesOf(job.id))
    return jobPlan(state, state.workPlan!.payload, await installationOf(job))
  }
  await page.goto(url(`/jobs/${job.id}/fit/plan`))
  await expect(
    page.getByRole('group', { name: 'Packages' }).getByRole('button', { name: 'Renew the slave' }),
  ).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'With a helper' }).click()
  const next = page.locator('[data-next-step]')
  const title = next.getByRole('heading')
  await expect(title).toBeVisible()
  await page.getByRole('button', { name: 'Belly panel' }).click()
  await expect(page.locator('[data-step="access.panelOff"]')).toBeVisible()
  await allSent(page)
  const whole = await planned()
  expect(whole.objective).toMatchObject({ breaches: 0, helperSpans: 1 })
  await expect(page.locator('[data-plan-time]')).toContainText(
    `${whole.steps.length} of ${whole.steps.length} steps to go`,
  )
  await expect(page.locator('[data-step]')).toHaveCount(whole.steps.length)
  await expect(title).toHaveText(whole.steps[0]!.title)
  // Done one after the other, up to the union; what is on stays in sight.
  const at = whole.steps.findIndex(({ id }) => id === 'renewSlave.openDrains')
  await next.getByLabel('Minutes it took').fill('2')
  for (let i = 0; i < at; i++) {
    await expect(title).toHaveText((await planned()).steps[i]!.title)
    await next.getByRole('button', { name: 'Done' }).click()
    await allSent(page)
  }
  await expect(page.locator('[data-on]')).toContainText('pedal tagged')
  await expect(title).toHaveText('Union open, let it drain')
  await next.getByLabel('Something turned up').selectOption({ label: 'seized union' })
  await expect(title).toHaveText('Free the seized union')
  await expect(page.getByText('penetrant soaks in')).toBeVisible()
  await next.getByRole('button', { name: 'Leave it out' }).first().click()
  await next.getByLabel('Why it is left out').fill('came free by itself')
  await next.getByRole('button', { name: 'Leave it out' }).last().click()
  await expect(title).toHaveText('Union open, let it drain')
  await allSent(page)
  const state = fold(await entriesOf(job.id))
  expect(state.stepsTold[0]!.payload).toEqual({ step: whole.steps[0]!.id, act: 'done', minutes: 2 })
  expect(state.stepsTold.at(-1)!.payload).toMatchObject({
    act: 'skipped',
    reason: 'came free by itself',
  })
  // Another device goes on where this one stands, and what it does shows here.
  const other = await (await browser.newContext()).newPage()
  await beSomebody(other)
  await other.goto(url(`/jobs/${job.id}/fit/plan`))
  await expect(other.locator('[data-next-step]').getByRole('heading')).toHaveText(
    'Union open, let it drain',
  )
  await other.locator('[data-next-step]').getByRole('button', { name: 'Done' }).click()
  await expect(page.locator('[data-on]')).toContainText('open at slave')
  await page.getByRole('button', { name: 'Open again: Union open, let it drain' }).click()
  await expect(other.locator('[data-next-step]').getByRole('heading')).toHaveText(
    'Union open, let it drain',
  )
  await other.context().close()
})

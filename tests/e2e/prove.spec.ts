import { solveCircuit } from '../../core/circuit'
import { fold } from '../../core/journal'
import { isProven } from '../../core/proof'
import { allSent, beSomebody, entriesOf, expect, say, test, url } from './app'
import { COLOURS, wrongOn } from './axe'
import { lookAt, open, proveGood } from './trial'

test('a wet boot is not handed over: as found, after the work, and a cause that nobody mended; closed only with a word', async ({
  page,
}) => {
  test.setTimeout(120_000)
  await beSomebody(page)
  const { id, installation } = await open('small-car', [])
  const { circuit } = installation
  const takeUp = Math.round(circuit.pedal.travel - solveCircuit(circuit).engagement!)

  // Found: a wet boot, and a take-up that was high. The slave leaks.
  await page.goto(url(`/jobs/${id}/find`))
  await say(page, 'boot wet')
  await say(page, `take-up ${takeUp + 14}`)
  await page.goto(url(`/jobs/${id}/bleed`))
  for (let i = 0; i < 3; i++) await say(page, 'vacuum 30 s, clear')

  // Only bled, everything measured and good: the boot is asked for again, and so is the pedal that came down.
  await page.goto(url(`/jobs/${id}/prove`))
  const verdict = page.getByRole('region', { name: 'Verdict' })
  await proveGood(page, installation)
  await expect(page.locator('[data-figure="verdict"]')).toHaveText('Not yet')
  await expect(verdict).toContainText('Slave boot peeled back: wet as found. Look again')
  await expect(verdict).toContainText(
    `Worse than it was found: take-up height ${takeUp} mm, ${takeUp + 14} mm before. Find out why`,
  )
  await expect(page.locator('[data-again]')).toContainText('As found: wet. Look again')

  // It is still wet: said with what it is. Then it was wiped and stays dry, and the linkage was set.
  await lookAt(page, 'Slave boot peeled back').getByRole('button', { name: 'wet', exact: true }).click()
  await expect(verdict).toContainText('Slave boot peeled back: wet. Nothing that leaks is handed over.')
  await expect(page.locator('[data-again]')).toHaveCount(0)
  await lookAt(page, 'Slave boot peeled back').getByRole('button', { name: 'dry', exact: true }).click()
  await page.getByLabel('Other work').selectOption('linkage')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(page.locator('[data-figure="verdict"]')).toHaveText('Proven')
  await expect(verdict).toContainText('Within its limit all the same.')
  await page.getByRole('button', { name: 'File this verdict' }).click()
  await expect(verdict).toContainText(/Filed .*: Proven\./)

  // Something else that was seen after the work is said from the list below.
  await page.getByText('Something else is wet, loose or soft').click()
  await lookAt(page, 'Nuts of the master').getByRole('button', { name: 'loose' }).click()
  await expect(verdict).toContainText('Nuts of the master: loose')
  await expect(verdict).toContainText('things have changed since')
  await lookAt(page, 'Nuts of the master').getByRole('button', { name: 'tight' }).click()
  await page.getByRole('button', { name: 'File this verdict' }).click()
  await expect(verdict).toContainText(/Filed .*: Proven\./)

  // What it was is confirmed, and nobody has mended it: the proof no longer stands, and it is closed with a reason only.
  await page.getByRole('button', { name: 'Slave leaks at its boot' }).click()
  await page.getByRole('button', { name: 'Confirm the cause' }).click()
  await expect(page.locator('[data-loose]')).toContainText(
    'Nobody has said that it was mended: Slave leaks at its boot.',
  )
  await expect(verdict).toContainText('Nobody has said that it was mended (renew the slave)')
  await page.getByRole('button', { name: 'Close the job' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'say why it is closed' })).toBeVisible()
  expect(await wrongOn(page)).toEqual([])
  await allSent(page)
  expect(isProven(fold(await entriesOf(id)))).toBe(false)

  // One touch says that it was; with a new verdict it is proven and leaves the bench without a word.
  await page.locator('[data-loose]').getByRole('button', { name: 'Renew the slave: done' }).click()
  await expect(page.locator('[data-loose]')).toHaveCount(0)
  await page.getByRole('button', { name: 'File this verdict' }).click()
  await expect(verdict).toContainText(/Filed .*: Proven\./)
  await page.getByRole('button', { name: /^Lamp/ }).click()
  expect(await wrongOn(page, COLOURS)).toEqual([])
  await page.getByRole('button', { name: 'Close the job' }).click()
  await expect(page.getByRole('button', { name: 'Close the job' })).toHaveCount(0)
  await allSent(page)
  const state = fold(await entriesOf(id))
  expect(isProven(state)).toBe(true)
  expect(state.closed?.payload).toEqual({})
  expect(state.readings.after.takeUpHeight?.payload.value).toBe(takeUp)
})

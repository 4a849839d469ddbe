import type { Job, Page as List, PeopleChange, Person, ShopFile, WithEntries } from '../../contract'
import { newId } from '../api/client'
import { wrongOn } from './axe'
import { beSomebody, demoJob, expect, get, test, url } from './app'

/** A file of another shop: the same job with new ids, filed by somebody who has the name of somebody here, and by a stranger. */
async function fileOfAnotherShop(jobId: string, name: string): Promise<Buffer> {
  let text = await (await fetch(url(`/api/jobs/${jobId}/file`))).text()
  const file = JSON.parse(text) as ShopFile
  const rows = [...file.people, ...file.vehicles, ...file.jobs, ...file.entries]
  for (const { id } of rows) text = text.replaceAll(id, newId())
  const other = JSON.parse(text) as ShopFile
  other.people[0]!.name = name
  other.people.slice(1).forEach((one, i) => (one.name = `Stranger ${i}`))
  other.shop = 'Mill Lane'
  return Buffer.from(JSON.stringify(other))
}

test('a job of another shop comes in once its namesake is told apart; then names are put right, made one, and parted again', async ({
  page,
}) => {
  await beSomebody(page)
  const people = (await get<List<Person>>('/people')).items
  const [me, namesake] = [people[0]!, people[1]!]
  const before = await get<List<Job>>('/jobs?limit=200')
  const file = await fileOfAnotherShop((await demoJob('Mail van')).id, namesake.name)
  const other = JSON.parse(file.toString()) as ShopFile
  await page.goto(url('/shop'))
  await page
    .getByLabel('File of a job, a vehicle or a shop')
    .setInputFiles({ name: 'from-mill-lane.json', mimeType: 'application/json', buffer: file })
  const ask = page.locator('[data-namesakes]')
  await expect(ask).toContainText(
    'Nothing is read in yet: a name in from-mill-lane.json is here already',
  )
  expect((await get<List<Job>>('/jobs?limit=200')).items).toHaveLength(before.items.length)
  await ask.getByRole('button', { name: 'Read it in' }).click()
  await expect(ask.getByRole('alert')).toContainText(`Say of ${namesake.name}`)
  await ask.getByRole('button', { name: 'Somebody else' }).click()
  await expect(ask.getByLabel('Mark of the other shop')).toHaveValue('Mill Lane')
  expect(await wrongOn(page)).toEqual([])
  await ask.getByRole('button', { name: 'Read it in' }).click()
  await expect(page.locator('[data-files] [role="status"]')).toContainText('1 job,')
  const marked = `${namesake.name} (Mill Lane)`
  const job = await get<WithEntries<Job>>(`/jobs/${other.jobs[0]!.id}`)
  expect(job.entries.map(({ id }) => id)).toEqual(
    (other.entries as unknown as { id: string; subject: { id: string } }[])
      .filter(({ subject }) => subject.id === job.subject.id)
      .map(({ id }) => id),
  )

  const section = page.locator('[data-people]')
  const row = (name: string) => section.locator(`[data-person="${name}"]`)
  await expect(row(marked)).toBeVisible()
  await expect(section).toContainText(`${namesake.name} is now called ${marked}`)

  // It was the same person after all.
  await row(marked)
    .getByRole('button', { name: `Merge ${marked}` })
    .click()
  await row(marked).getByLabel('is the same person as').selectOption({ label: namesake.name })
  await row(marked).getByRole('button', { name: 'Merge', exact: true }).click()
  await expect(section.getByRole('status')).toContainText(
    `What ${marked} filed now bears the name of ${namesake.name}.`,
  )
  await expect(row(marked)).toHaveCount(0)
  const also = (await get<List<Person>>('/people')).items.find(({ id }) => id === namesake.id)!.also
  expect(also).toEqual([other.people[0]!.id])
  await section.getByRole('button', { name: `Undo: ${marked} was merged` }).click()
  await expect(row(marked)).toBeVisible()

  // A name put right, and back.
  await row(me.name)
    .getByRole('button', { name: `Rename ${me.name}` })
    .click()
  await row(me.name).getByLabel('Name', { exact: true }).fill(namesake.name)
  await row(me.name).getByRole('button', { name: 'Keep' }).click()
  await expect(section.getByRole('alert')).toContainText(`There is a ${namesake.name} already`)
  await row(me.name).getByLabel('Name', { exact: true }).fill(`${me.name} the elder`)
  await row(me.name).getByRole('button', { name: 'Keep' }).click()
  await expect(row(`${me.name} the elder`)).toContainText('at this device')
  await section
    .getByRole('button', { name: `Undo: ${me.name} is now called ${me.name} the elder` })
    .click()
  await expect(row(me.name)).toBeVisible()
  const told = (await get<List<PeopleChange>>('/people/changes')).items
  expect(told.map(({ kind, by }) => [kind, by])).toEqual([
    ['renamed', me.name],
    ['renamed', me.name],
    ['parted', me.name],
    ['merged', me.name],
    ['renamed', me.name],
  ])
})

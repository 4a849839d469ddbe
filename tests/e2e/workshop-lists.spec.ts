import { monotonicFactory } from 'ulid'
import type { Page as List, Person } from '../../contract'
import { fromArchetype } from '../../core/installation'
import { allSent, beSomebody, expect, get, say, test, url } from './app'

/** More of each than one page holds; last in order, for the other journeys look for theirs on the first page. */
const VEHICLES = 130
const JOBS = 90
const ulid = monotonicFactory()

test('the hundred and first vehicle and job are reached, found by words, and told apart by how they stand', async ({
  page,
}) => {
  await beSomebody(page)
  const [, other] = (await get<List<Person>>('/people')).items
  const post = async (path: string, body: unknown) => {
    const { status } = await fetch(url(`/api${path}`), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    expect(status).toBe(201)
  }
  const name = (n: number) => `Zephyr ${String(n).padStart(3, '0')}`
  const entry = (type: 'job' | 'vehicle', id: string, kind: string, payload: unknown) => ({
    ...{ id: ulid(), subject: { type, id }, kind, payload },
    ...{ at: new Date().toISOString(), by: other!.id },
  })
  const installation = fromArchetype('small-car')
  for (let n = 0; n < VEHICLES; n++) {
    const id = ulid()
    const entries = [entry('vehicle', id, 'installation', installation)]
    await post('/vehicles', { id, name: name(n), entries })
    if (n >= JOBS) continue
    const job = ulid()
    const goal = entry('job', job, 'goal', { jobKind: 'fault', wanted: '' })
    await post('/jobs', { id: job, vehicleId: id, title: 'Pedal heavy', entries: [goal] })
  }
  const rows = (label: string | RegExp) => page.getByRole('list', { name: label }).getByRole('listitem')

  await test.step('vehicles: the list goes on as its end comes in sight, to the very last', async () => {
    await page.goto(url('/vehicles'))
    await expect(rows('Vehicles').first()).toBeVisible()
    expect(await rows('Vehicles').count()).toBeLessThan(VEHICLES)
    await expect(async () => {
      await page.mouse.wheel(0, 4000)
      await expect(page.getByText(name(VEHICLES - 1))).toBeVisible({ timeout: 500 })
    }).toPass()
    await page.getByRole('searchbox').fill('077 zeph')
    await expect(rows('Vehicles')).toHaveCount(1)
    await expect(rows('Vehicles')).toContainText(name(77))
    expect(new URL(page.url()).searchParams.get('search')).toBe('077 zeph')
    await page.getByRole('searchbox').fill('no such thing')
    await expect(page.getByText('No vehicle has all of these words')).toBeVisible()
  })

  await test.step('the bench: searched, filtered, mine; the address brings it back', async () => {
    await page.goto(url('/?search=zephyr'))
    const jobs = rows('Jobs, the last changed first')
    await expect(jobs).toHaveCount(40)
    await expect(jobs.first()).toContainText(name(JOBS - 1))
    await expect(async () => {
      await page.mouse.wheel(0, 6000)
      await expect(page.getByText(name(0))).toBeVisible({ timeout: 500 })
    }).toPass()
    expect(await jobs.count()).toBe(JOBS)
    await page.getByRole('button', { name: 'Mine' }).click()
    await expect(page.getByText('No job fits all of that')).toBeVisible()

    await page.goto(url('/?search=zephyr+004'))
    await jobs.getByRole('link').click()
    await say(page, 'fork cracked')
    await allSent(page)
    await page.goto(url('/?search=zephyr&show=stopped&mine=yes'))
    await expect(jobs).toHaveCount(1)
    await expect(jobs).toContainText(`${name(4)}`)
    await expect(jobs.locator('[data-move]')).toHaveAttribute('data-to', 'mend')
    await page.getByRole('button', { name: 'Done' }).click()
    await expect(page.getByText('No job fits all of that')).toBeVisible()
    await page.getByRole('button', { name: 'Stopped' }).click()
    await expect(jobs).toHaveCount(1)
    await page.reload()
    await expect(jobs).toHaveCount(1)
  })
})

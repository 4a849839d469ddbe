import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { monotonicFactory } from 'ulid'
import type { DueTold, Job, Page as List, Person, WithEntries } from '../../contract'
import { year } from '../../demo/years'
import { freeTravel, solveCircuit } from '../../core/circuit'
import { faultKind } from '../../core/diagnosis'
import { fold } from '../../core/journal'
import { isProven } from '../../core/proof'
import { restoreBackup } from '../../server/backup/restore'
import { writeBackup } from '../../server/backup/write'
import { freshDatabase, runningSuite } from '../harness/running'
import {
  allSent,
  beSomebody,
  demoJob,
  entriesOf,
  expect,
  get,
  measure,
  say,
  SUITE,
  test,
  url,
} from './app'
import { wrongOn } from './axe'
import { open, reckoned } from './trial'

const DAY = 24 * 3600 * 1000
const ulid = monotonicFactory()

/** Entries of a job as they were filed so many days ago, by whoever works here. */
async function filed(id: string, daysAgo: number, lines: [string, object][]): Promise<string[]> {
  const [person] = (await get<List<Person>>('/people')).items
  const ids: string[] = []
  for (const [i, [kind, payload]] of lines.entries()) {
    const entry = {
      id: ulid(),
      subject: { type: 'job', id },
      kind,
      at: new Date(Date.now() - daysAgo * DAY + i * 1000).toISOString(),
      by: person!.id,
      payload,
    }
    const answer = await fetch(url(`/api/jobs/${id}/entries`), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(entry),
    })
    expect(answer.status, await answer.text()).toBe(201)
    ids.push(entry.id)
  }
  return ids
}

/** A soft pedal that was bled and proven so many days ago, by the core's own figures. */
async function provenJob(daysAgo: number) {
  const opened = await open('small-car', [])
  const { lines } = year(opened.installation, {
    title: 'Soft',
    daysAgo,
    air: [900, 20],
    seen: [[1, 'Tam Brackley', 'complaint', { complaint: 'soft' }]],
    worked: [[60, 'Tam Brackley', 'workDone', { operation: 'slave' }]],
  })
  const own = lines.filter(([, , kind]) => kind !== 'goal' && kind !== 'closed')
  const ids = await filed(
    opened.id,
    daysAgo,
    own.map(([, , kind, payload]): [string, object] => [kind, payload]),
  )
  expect(isProven(fold(await entriesOf(opened.id)))).toBe(true)
  const { subject } = await get<WithEntries<Job>>(`/jobs/${opened.id}`)
  return { ...opened, verdict: ids.at(-1)!, vehicleId: subject.vehicleId }
}

test('a week later it is looked at again: late on the bench, measured anew, filed as that, and owed no more', async ({
  page,
}) => {
  test.setTimeout(90_000)
  await beSomebody(page)
  const { id, installation, verdict, vehicleId } = await provenJob(8)
  const due = new Date(Date.now() - DAY).toISOString().slice(0, 10)
  await filed(id, 8, [
    ['measurement', { reading: 'mileage', value: 84_000, phase: 'after' }],
    ['recheck', { of: verdict, due, atKm: 84_200, rules: ['reserve', 'levelFall', 'unionsDry'] }],
    ['recheck', { of: verdict, atKm: 85_000, rules: ['reserve', 'sink', 'levelFall', 'unionsDry'] }],
  ])
  await page.goto(url('/'))
  const ahead = page.locator('[data-ahead]')
  await ahead.getByRole('link', { name: /Look again: free travel and take-up/ }).click()
  await expect(page).toHaveURL(new RegExp(`${id}/prove`))
  const pending = page.locator('[data-pending-look]')
  await expect(pending).toContainText('Measure free travel and take-up, level, unions dry anew first.')
  await expect(pending.getByRole('button')).toHaveAttribute('aria-pressed', 'true')

  // A week has let in a little air: still within, by the same figures.
  const circuit = { ...installation.circuit, air: 150 }
  const travel = Math.round(freeTravel(circuit))
  const { engagement } = solveCircuit(circuit)
  await measure(page, 'Free travel at the pad', String(travel))
  await measure(page, 'Take-up height', String(Math.round(circuit.pedal.travel - engagement!)))
  await expect(page.locator('[data-figure="verdict"]')).toHaveText('Proven')
  await page.getByRole('button', { name: 'File this verdict' }).click()
  await expect(page.locator('[data-taken]')).toContainText('free travel and take-up, level')
  await expect(pending).toContainText('sink under a held foot')
  await allSent(page)
  const state = fold(await entriesOf(id))
  expect(state.verdict!.payload).toMatchObject({ outcome: 'pass', recheck: state.rechecks[0]!.id })
  expect(state.readings.after.freeTravel!.payload.value).toBe(travel)
  expect(
    (await get<List<DueTold>>(`/due?vehicle=${vehicleId}`)).items
      .filter(({ kind }) => kind === 'recheck')
      .map(({ atKm }) => atKm),
  ).toEqual([85_000])
  await page.goto(url(`/vehicles/${vehicleId}/history`))
  await expect(page.locator('[data-history]')).toContainText('at 85000 km')
  await expect(page.locator('[data-history] svg').first()).toBeVisible()
  await page.goto(url(`/jobs/${id}/record`))
  await expect(page.locator('[data-story]')).toContainText('Looked at again: Proven')
})

test('a comeback is told at once, on the bench and in Find; counted, it changes what Find proposes', async ({
  page,
}) => {
  test.setTimeout(90_000)
  await beSomebody(page)
  const before = await provenJob(20)
  await filed(before.id, 19, [
    ['deferred', { repair: 'hose', watch: 'freeTravel', limit: 45, words: 'waits for its price' }],
  ])
  const [person] = (await get<List<Person>>('/people')).items
  const id = ulid()
  const entry = (kind: string, payload: object) => ({
    id: ulid(),
    subject: { type: 'job', id },
    kind,
    at: new Date().toISOString(),
    by: person!.id,
    payload,
  })
  const answer = await fetch(url('/api/jobs'), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      id,
      vehicleId: before.vehicleId,
      title: 'Soft again',
      entries: [
        entry('goal', { jobKind: 'fault', wanted: '' }),
        entry('complaint', { complaint: 'soft' }),
      ],
    }),
  })
  expect(answer.status).toBe(201)
  await page.goto(url('/'))
  await page
    .locator('[data-came-back]')
    .getByRole('link', { name: /Soft again/ })
    .click()
  const strip = page.locator('[data-here-before]')
  await expect(strip).toContainText('Came back.')
  await expect(strip).toContainText('renew the slave, bled in 4 cycles')

  /** What the page proposes, the likeliest first, once it is what the core makes of the entries. */
  const proposed = async () => {
    const { suspects } = await reckoned(id, before.installation)
    const wanted = suspects.slice(0, 3).map(({ fault }) => fault)
    await expect
      .poll(async () => {
        const rows = page.locator('[data-suspect]')
        return rows.evaluateAll((all) =>
          all.slice(0, 3).map((one) => (one as HTMLElement).dataset.suspect),
        )
      })
      .toEqual(wanted)
    return suspects
  }
  const plain = await proposed()
  await strip.getByRole('button', { name: 'Worked on lately' }).click()
  await allSent(page)
  const counted = await proposed()
  const chanceOf = (list: typeof plain, fault: string) =>
    list.find((one) => one.fault === fault)?.chance ?? 0
  const risen = counted.filter(({ fault, chance }) => chance > 1.3 * chanceOf(plain, fault))
  expect(risen.length).toBeGreaterThan(0)
  // Counted, it moves the chances themselves, as they are read.
  expect(counted.map(({ chance }) => chance.toFixed(4))).not.toEqual(
    plain.map(({ chance }) => chance.toFixed(4)),
  )
  expect(risen.map(({ fault }) => faultKind(fault).label).length).toBeGreaterThan(0)

  // What the first job put off is remembered, and called for once its watch reads its limit.
  const hose = page.locator('[data-owed-before] li').filter({ hasText: 'waits for its price' })
  await expect(hose).toContainText('Owed from before.')
  await say(page, 'free travel 44 mm')
  await expect(hose).not.toContainText('Due.')
  await say(page, 'free travel 46.5 mm')
  await expect(hose).toContainText(
    /Due\.\s*Renew the hose, put off: free travel at the pad is 46\.5 mm, the limit was 45\.0 mm/,
  )
  expect(await wrongOn(page)).toEqual([])
  await allSent(page)
  const was = fold(await entriesOf(before.id)).readings.after.freeTravel!.payload.value
  const due = await get<List<DueTold>>(`/due?vehicle=${before.vehicleId}`)
  expect(due.items.filter(({ kind }) => kind === 'deferred')).toMatchObject([
    { jobId: id, payload: { was, reached: { value: 46.5 }, ofJob: before.id } },
  ])
  await page.goto(url(`/jobs/${id}/record`))
  await expect(hose).toContainText('Due.')
  await page.goto(url(`/vehicles/${before.vehicleId}/history`))
  await expect(page.locator('[data-comeback]')).toHaveCount(1)
})

const benchOf = async (page: Page): Promise<string[]> => {
  await expect(page.locator('[data-move]').first()).toBeVisible()
  return page
    .locator('ol[aria-label^="Jobs"] a')
    .evaluateAll((all) => all.map((one) => (one as HTMLAnchorElement).pathname.split('/')[2]!))
}

test('backed up, wiped and restored in the browser’s sight: the same bench, the same figures', async ({
  page,
  context,
}) => {
  test.setTimeout(120_000)
  await beSomebody(page)
  const job = await demoJob('School')
  await page.goto(url('/'))
  const bench = await benchOf(page)
  await page.goto(url(`/jobs/${job.id}/prove`))
  const verdict = page.locator('[data-figure="verdict"]')
  await expect(verdict).toBeVisible()
  const said = await page.getByRole('region', { name: 'Verdict' }).innerText()

  const { settings } = runningSuite(SUITE)
  const file = join(mkdtempSync(join(tmpdir(), 'backup-')), 'shop.backup')
  const written = await writeBackup(settings, file)
  expect(written.rows.entries).toBeGreaterThan(150)
  // The server has read more of this job than the backup holds.
  await filed(job.id, 0, [['note', { words: 'after the backup' }]])
  expect((await entriesOf(job.id)).at(-1)!.payload).toEqual({ words: 'after the backup' })
  // Somebody else has the job open all the while, and it knows of that note.
  const other = await context.newPage()
  await other.goto(url(`/jobs/${job.id}/record`))
  // The button that undoes names the newest entry too.
  const story = other.locator('[data-story]')
  await expect(story.getByText('after the backup')).toBeVisible()
  // And somebody calls a bleed.
  const calling = await context.newPage()
  await calling.goto(url(`/jobs/${(await demoJob('Quarry')).id}/bleed/coach`))
  await calling.getByRole('button', { name: 'Start calling' }).click()
  await expect(calling).toHaveURL(/bleed\/calls/)
  await (await freshDatabase(settings, settings.name)).sequelize.close()
  await page.goto(url('/'))
  // Nobody works here any more, and there is nothing to be done.
  await expect(page.getByRole('heading', { name: 'Who is at this device?' })).toBeVisible()
  await expect(page.locator('[data-move]')).toHaveCount(0)

  await restoreBackup(settings, file)
  // What takes the place of the note that came after the backup is what everybody reads, and not what the server remembers.
  await filed(job.id, 0, [['note', { words: 'after the restore' }]])
  await expect
    .poll(async () => (await entriesOf(job.id)).at(-1)!.payload)
    .toEqual({ words: 'after the restore' })
  // A page that was open is told so; it counts on from the other shop until it is opened again.
  await expect(calling.locator('[data-put-back]')).toContainText('The shop was put back from a backup')
  expect(await wrongOn(calling)).toEqual([])
  // It pushes no touch area off the screen.
  expect(await calling.evaluate(() => document.documentElement.scrollHeight <= innerHeight)).toBe(true)
  await calling.close()
  const told = other.locator('[data-put-back]')
  await expect(told).toContainText('The shop was put back from a backup')
  expect(await wrongOn(other)).toEqual([])
  await told.getByRole('button', { name: 'Open it again' }).click()
  await expect(story.getByText('after the restore')).toBeVisible()
  await expect(other.getByText('after the backup')).toHaveCount(0)
  await expect(told).toHaveCount(0)
  await other.close()
  await page.goto(url('/'))
  // The same order, but for the one that was filed into last.
  expect(await benchOf(page)).toEqual([job.id, ...bench.filter((id) => id !== job.id)])
  await page.goto(url(`/jobs/${job.id}/prove`))
  await expect(verdict).toBeVisible()
  await expect(page.locator('[data-put-back]')).toHaveCount(0)
  expect(await page.getByRole('region', { name: 'Verdict' }).innerText()).toBe(said)
  // And it goes on from there.
  await measure(page, 'Free travel at the pad', '24')
  await allSent(page)
  expect(fold(await entriesOf(job.id)).readings.after.freeTravel!.payload.value).toBe(24)
})

test('the whole shop goes out as a file and comes in again; a job’s file says what is wrong with it', async ({
  page,
}) => {
  await beSomebody(page)
  await page.goto(url('/shop'))
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'The whole shop as a file' }).click(),
  ])
  const path = await download.path()
  const picker = page.getByLabel('File of a job, a vehicle or a shop')
  await picker.setInputFiles(path)
  await expect(page.locator('[data-files]')).toContainText('All of it was here already')
  await picker.setInputFiles({
    name: 'torn.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"mellow-anchor file 1"'),
  })
  await expect(page.getByRole('alert')).toContainText(
    'torn.json: Refused: the file is not readable as JSON',
  )
})

test('a word of last year’s note, a plate and a part are found from anywhere', async ({ page }) => {
  await beSomebody(page)
  const job = await demoJob('Mail van')
  await filed(job.id, 400, [['note', { words: 'Bracket sings at idle, felt under it' }]])
  await page.goto(url('/'))
  await page.getByRole('link', { name: 'Search' }).click()
  await expect(page).toHaveURL(/search/)
  const field = page.getByRole('searchbox')
  await field.fill('sings brack')
  const found = page.locator('[data-found]')
  await expect(found).toHaveCount(1)
  await expect(found).toContainText('Bracket sings at idle')
  await field.fill('fid07')
  await expect(found.first()).toContainText('Mail van')
  await found.first().getByRole('link').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Mail van, north round')
})

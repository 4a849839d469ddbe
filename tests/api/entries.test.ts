import { beforeAll, describe, expect, it } from 'vitest'
import type { BenchJob, Job, Page, Person, WithEntries } from '../../contract'
import type { Entry, Subject } from '../../core/journal'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

let by: string
let job: { vehicleId: string; jobId: string; subject: Subject }
beforeAll(async () => {
  by = await aPerson()
  job = await aJob(by)
})
const free = (value: number, more: Partial<Entry> = {}, subject = job.subject) =>
  anEntry(subject, by, 'measurement', { reading: 'freeTravel', value, phase: 'asFound' }, more)
const post = (entry: unknown, id = job.jobId) => call<Entry>('POST', `/jobs/${id}/entries`, entry)
const read = async (id = job.jobId) =>
  (await call<Page<Entry>>('GET', `/jobs/${id}/entries`)).body.items

describe('appending', () => {
  it('gives each entry the next place and gives it back whole', async () => {
    const entry = free(42)
    const { status, body } = await post(entry)
    expect(status).toBe(201)
    expect(body).toEqual({ ...entry, sequence: 2 })
    expect((await read()).at(-1)).toEqual(body)
  })

  it('the same entry again changes nothing; its order of fields does not matter', async () => {
    const entry = free(43)
    const first = await post(entry)
    const { payload, ...rest } = entry
    const again = await post({
      payload: Object.fromEntries(Object.entries(payload).reverse()),
      ...rest,
    })
    expect([first.status, again.status]).toEqual([201, 200])
    expect(again.body).toEqual(first.body)
    expect((await read()).filter((one) => one.id === entry.id)).toHaveLength(1)
  })

  it('the same id with other content is refused and the first stays', async () => {
    const entry = free(44)
    await post(entry)
    const problem = await refused(post({ ...entry, payload: { ...entry.payload, value: 45 } }))
    expect(problem).toMatchObject({ status: 409, type: 'urn:mellow-anchor:entry-differs' })
    expect((await read()).find((one) => one.id === entry.id)!.payload).toMatchObject({ value: 44 })
  })

  it('many at once get one place each, without a gap', async () => {
    const { jobId, subject } = await aJob(by)
    const entries = Array.from({ length: 40 }, (_, i) => free(i, {}, subject))
    const twice = [...entries, ...entries.slice(0, 10)]
    const answers = await Promise.all(twice.map((entry) => post(entry, jobId)))
    expect(answers.filter((answer) => answer.status === 201)).toHaveLength(40)
    expect(answers.filter((answer) => answer.status === 200)).toHaveLength(10)
    const stored = await read(jobId)
    expect(stored.map((entry) => entry.sequence)).toEqual(Array.from({ length: 41 }, (_, i) => i + 1))
  })

  it('stores text as it is, whatever it looks like', async () => {
    const words = `'); DROP TABLE entries; -- "\\ <b>½ ml</b> 漏 🙂`
    const { body } = await post(anEntry(job.subject, by, 'note', { words }))
    expect(body.payload).toEqual({ words })
    expect((await read()).at(-1)!.payload).toEqual({ words })
  })

  it('entries after a place are asked for by its number', async () => {
    const all = await read()
    const page = async (query: string) =>
      (await call<Page<Entry>>('GET', `/jobs/${job.jobId}/entries?${query}`)).body
    const places = ({ items, next }: Page<Entry>) => [items.map((entry) => entry.sequence), next]
    expect(places(await page('after=2&limit=2'))).toEqual([[3, 4], '4'])
    expect(places(await page('before=5&limit=2'))).toEqual([[3, 4], '3'])
    expect(places(await page('before=3&limit=2'))).toEqual([[1, 2], null])
    expect(places(await page(`after=${all.length}`))).toEqual([[], null])
    expect(all.length).toBeGreaterThan(4)
  })
})

describe('corrections and withdrawals', () => {
  it('name an entry of the same history and the same kind', async () => {
    const entry = free(50)
    await post(entry)
    expect((await post(free(51, { corrects: entry.id }))).status).toBe(201)
    const undo = anEntry(job.subject, by, 'withdrawal', {}, { withdraws: entry.id })
    expect((await post(undo)).body).toMatchObject({ withdraws: entry.id })

    const other = anEntry(job.subject, by, 'note', { words: 'x' }, { corrects: entry.id })
    expect(await refused(post(other))).toMatchObject({ status: 422, errors: [{ path: '/kind' }] })
    const elsewhere = await aJob(by)
    const foreign = free(52, { corrects: entry.id }, elsewhere.subject)
    expect(await refused(post(foreign, elsewhere.jobId))).toMatchObject({
      errors: [{ path: '/corrects' }],
    })
    expect(await refused(post(free(53, { corrects: newId() })))).toMatchObject({ status: 422 })
  })
})

describe('refusals', () => {
  it('name the field and its bound, and store nothing', async () => {
    const before = (await read()).length
    const wrong = free(900)
    const problem = await refused(post(wrong))
    expect(problem).toMatchObject({
      status: 422,
      title: 'invalid',
      errors: [{ path: '/payload/value', message: 'Free travel at the pad must be 0 to 500 mm' }],
    })
    expect(await refused(post({ ...free(1), extra: 1 }))).toMatchObject({
      errors: [{ path: '/extra' }],
    })
    const sink = anEntry(job.subject, by, 'measurement', { reading: 'sink', value: 4, phase: 'after' })
    expect(await refused(post(sink))).toMatchObject({ errors: [{ path: '/payload/duration' }] })
    expect(await refused(post(free(1, { by: newId() })))).toMatchObject({ errors: [{ path: '/by' }] })
    expect(await refused(post(free(1, { subject: { type: 'job', id: newId() } })))).toMatchObject({
      title: 'wrong subject',
    })
    expect((await read()).length).toBe(before)
  })

  it('of what is not there', async () => {
    const id = newId()
    expect(await refused(call('GET', `/jobs/${id}`))).toMatchObject({ status: 404 })
    expect(await refused(call('GET', '/jobs/nonsense'))).toMatchObject({
      status: 422,
      errors: [{ path: '/id' }],
    })
    expect(await refused(post(free(1, {}, { type: 'job', id }), id))).toMatchObject({ status: 404 })
    expect(await refused(call('GET', '/nothing'))).toMatchObject({ status: 404 })
  })

  it('of bodies that are no JSON, are not said to be, or are too large', async () => {
    const path = `/jobs/${job.jobId}/entries`
    expect(await refused(call('POST', path, '{"id":'))).toMatchObject({ status: 400 })
    expect(await refused(call('POST', path, '{}', { 'content-type': 'text/plain' }))).toMatchObject({
      status: 415,
    })
    const large = JSON.stringify({ words: 'x'.repeat(300_000) })
    expect(await refused(call('POST', path, large))).toMatchObject({ status: 413 })
    const long = anEntry(job.subject, by, 'note', { words: 'x'.repeat(2001) })
    expect(await refused(post(long))).toMatchObject({ errors: [{ path: '/payload/words' }] })
  })

  it('of calls that another site makes a browser send', async () => {
    const origin = { origin: 'http://elsewhere.example' }
    expect(await refused(call('POST', '/people', { id: newId(), name: 'x' }, origin))).toMatchObject({
      status: 403,
    })
  })
})

describe('jobs and vehicles', () => {
  it('a job reads with all its entries', async () => {
    const { body } = await call<WithEntries<Job>>('GET', `/jobs/${job.jobId}`)
    expect(body.subject).toMatchObject({ id: job.jobId, kind: 'fault', vehicleId: job.vehicleId })
    expect(body.entries).toHaveLength(body.subject.lastSequence)
  })

  it('the bench lists newest first, with the verdict that stands', async () => {
    const { jobId, subject } = await aJob(by)
    const verdict = anEntry(subject, by, 'verdict', {
      outcome: 'notYet',
      reasons: [{ rule: 'air', outcome: 'notYet', words: 'more', figure: 1, limit: 0.3, unit: 'ml' }],
    })
    await post(verdict, jobId)
    const first = async () =>
      (await call<Page<BenchJob>>('GET', '/jobs?limit=1&sort=opened')).body.items[0]!
    expect(await first()).toMatchObject({
      id: jobId,
      vehicleName: 'Test van',
      outcome: 'notYet',
      step: { to: 'look' },
    })
    const undo = anEntry(subject, by, 'withdrawal', {}, { withdraws: verdict.id })
    await post(undo, jobId)
    expect((await first()).outcome).toBeNull()
    await post(anEntry(subject, by, 'withdrawal', {}, { withdraws: undo.id }), jobId)
    const cycle = { method: 'openPush', strokes: 2, cameOut: 'few' } as const
    await post(anEntry(subject, by, 'bleedCycle', cycle), jobId)
    await post(free(40, {}, subject), jobId)
    expect(await first()).toMatchObject({
      outcome: 'notYet',
      step: { to: 'bleed', cycles: 1, clearInRow: 0 },
    })
    // A stop comes first; taken back, the job goes on where it was.
    const cracked = { finding: 'forkCracked', state: 'present', phase: 'working' } as const
    const stop = anEntry(subject, by, 'finding', cracked)
    await post(stop, jobId)
    expect((await first()).step).toMatchObject({ to: 'mend', stop: 'forkCracked' })
    await post(anEntry(subject, by, 'withdrawal', {}, { withdraws: stop.id }), jobId)
    expect((await first()).step).toMatchObject({ to: 'bleed' })
    // The rod's stop hangs on this vehicle's own port.
    const rod = { reading: 'rodClearance', value: -1.5, phase: 'working' } as const
    await post(anEntry(subject, by, 'measurement', rod), jobId)
    expect((await first()).step).toMatchObject({ to: 'mend', stop: 'rodClearance' })
    const mine = await call<Page<BenchJob>>('GET', `/jobs?vehicle=${job.vehicleId}`)
    expect(mine.body.items.map((one) => one.id)).toEqual([job.jobId])
  })

  it('are made whole or not at all, and once', async () => {
    const id = newId()
    const subject = { type: 'job', id } as const
    const goal = anEntry(subject, by, 'goal', { jobKind: 'fault', wanted: '' })
    const bad = anEntry(subject, by, 'complaint', { complaint: 'soft' }, { by: newId() })
    const body = { id, vehicleId: job.vehicleId, title: 'Half', entries: [goal, bad] }
    expect((await refused(call('POST', '/jobs', body))).status).toBe(422)
    expect((await refused(call('GET', `/jobs/${id}`))).status).toBe(404)

    const good = { ...body, entries: [goal] }
    expect((await call('POST', '/jobs', good)).status).toBe(201)
    expect((await call('POST', '/jobs', good)).status).toBe(200)
    expect(await read(id)).toHaveLength(1)
    expect(await refused(call('POST', '/jobs', { ...good, title: 'Other' }))).toMatchObject({
      status: 409,
    })
    expect(
      await refused(call('POST', '/jobs', { ...good, id: newId(), vehicleId: newId() })),
    ).toMatchObject({
      errors: [{ path: '/vehicleId' }],
    })
  })

  it('people are added once by name', async () => {
    const id = newId()
    const name = `Ané ${id}`
    expect((await call('POST', '/people', { id, name })).status).toBe(201)
    expect((await call('POST', '/people', { id, name })).status).toBe(200)
    expect(await refused(call('POST', '/people', { id: newId(), name }))).toMatchObject({
      errors: [{ path: '/name' }],
    })
    expect(await refused(call('POST', '/people', { id: newId(), name: '  ' }))).toMatchObject({
      status: 422,
    })
    expect(
      (await call<Page<Person>>('GET', `/people?search=${id}`)).body.items.map((one) => one.name),
    ).toContain(name)
  })
})

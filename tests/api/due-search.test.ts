import ICAL from 'ical.js'
import { parse } from 'csv-parse/sync'
import { describe, expect, it } from 'vitest'
import type {
  BenchJob,
  CameBackTold,
  DueTold,
  Found,
  Job,
  LearntTold,
  Page,
  Shop,
  Vehicle,
  WithEntries,
} from '../../contract'
import type { VehicleHistory } from '../../core/history'
import { fromArchetype } from '../../core/installation'
import type { Kind, Payloads, Subject } from '../../core/journal'
import { runningSuite } from '../harness/running'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

const filer =
  (by: string, subject: Subject) =>
  async <K extends Kind>(kind: K, payload: Payloads[K], more = {}) => {
    const entry = anEntry(subject, by, kind, payload, more)
    const { status } = await call('POST', `/${subject.type}s/${subject.id}/entries`, entry)
    expect(status).toBe(201)
    return entry
  }
const dueOf = async (vehicleId: string) =>
  (await call<Page<DueTold>>('GET', `/due?vehicle=${vehicleId}`)).body.items

/** A job of a vehicle that was proven and whose cause is known; all of it filed at one moment. */
async function proven(by: string, vehicleId: string, complaint: 'soft' | 'grinds', at: string) {
  const jobId = newId(Date.parse(at))
  const subject = { type: 'job', id: jobId } as const
  await call('POST', '/jobs', {
    id: jobId,
    vehicleId,
    title: `Was ${complaint}`,
    entries: [anEntry(subject, by, 'goal', { jobKind: 'fault', wanted: '' }, { at })],
  })
  const file = filer(by, subject)
  await file('complaint', { complaint }, { at })
  const work = await file('workDone', { operation: 'slave' }, { at })
  await file('graded', { of: complaint, grade: 'gone' }, { at })
  await file('verdict', { outcome: 'pass', reasons: [] }, { at })
  await file('cause', { faults: ['slaveLeak'] }, { at })
  return { jobId, subject, file, work }
}

/** The vehicle is here again, with a soft pedal. */
async function softAgain(by: string, vehicleId: string): Promise<string> {
  const id = newId()
  const subject = { type: 'job', id } as const
  await call('POST', '/jobs', {
    id,
    vehicleId,
    title: 'Soft again',
    entries: [
      anEntry(subject, by, 'goal', { jobKind: 'fault', wanted: '' }),
      anEntry(subject, by, 'complaint', { complaint: 'soft' }),
    ],
  })
  return id
}

describe('what is due', () => {
  it('is listed by day, one page after the other, and goes when it is done', async () => {
    const by = await aPerson()
    const { subject, vehicleId } = await aJob(by)
    const file = filer(by, subject)
    await file('followUp', { what: 'boot', due: '2031-05-01' })
    await file('followUp', { what: 'clip', due: '2031-04-01' })
    await file('followUp', { what: 'mat', atKm: 90_000 })
    await file('workDone', { operation: 'flush' }, { at: '2024-07-01T10:00:00.000Z' })
    const items = await dueOf(vehicleId)
    expect(items.map(({ kind, due, atKm }) => [kind, due, atKm])).toEqual([
      ['fluid', '2026-07-01', null],
      ['followUp', '2031-04-01', null],
      ['followUp', '2031-05-01', null],
      ['followUp', null, 90_000],
    ])
    const seen: string[] = []
    for (let after = ''; ;) {
      const { body } = await call<Page<DueTold>>('GET', `/due?vehicle=${vehicleId}&limit=1${after}`)
      seen.push(...body.items.map(({ id }) => id))
      if (body.next === null) break
      after = `&after=${body.next}`
    }
    expect(seen).toEqual(items.map(({ id }) => id))
    await file('followUp', { what: 'clip', due: '2031-04-01', done: true })
    expect((await dueOf(vehicleId)).map(({ due }) => due)).toEqual(['2026-07-01', '2031-05-01', null])
  })

  it('tells the fluid’s next change by the newest job that knows, and the maker’s months', async () => {
    const by = await aPerson()
    const { subject, vehicleId } = await aJob(by)
    await filer(by, subject)('workDone', { operation: 'flush' }, { at: '2025-01-10T10:00:00.000Z' })
    const later = await proven(by, vehicleId, 'soft', '2025-06-01T10:00:00.000Z')
    await later.file('workDone', { operation: 'flush' }, { at: '2025-06-01T11:00:00.000Z' })
    expect((await dueOf(vehicleId)).map(({ due }) => due)).toEqual(['2027-06-01'])
    await filer(by, { type: 'vehicle', id: vehicleId })('fluidInside', {
      kind: 'dot4',
      everyMonths: 12,
    })
    // The vehicle's own word bears on all its jobs once they are looked at again.
    await later.file('note', { words: 'looked up' })
    const [item] = await dueOf(vehicleId)
    expect(item).toMatchObject({ due: '2026-06-01', payload: { months: 12, by: 'maker' } })
  })

  it('calls for a repair that was put off once a later job reads its limit, until some job does it', async () => {
    const by = await aPerson()
    const { vehicleId } = await aJob(by)
    const first = await proven(by, vehicleId, 'soft', '2026-03-01T10:00:00.000Z')
    const read = { reading: 'freeTravel', phase: 'after' } as const
    await first.file('measurement', { ...read, value: 30 }, { at: '2026-03-01T11:00:00.000Z' })
    const putOff = { repair: 'hose', watch: 'freeTravel', until: '2027-03-01' } as const
    const off = await first.file(
      'deferred',
      { ...putOff, limit: 45 },
      { at: '2026-03-01T12:00:00.000Z' },
    )
    const owed = async () =>
      (await dueOf(vehicleId)).map(({ jobId, id, due, words }) => [jobId, id, due, words])
    const calm = [first.jobId, off.id, '2027-03-01', expect.stringMatching(/^Put off: /)]
    expect(await owed()).toEqual([calm])

    const at = '2026-09-01T10:00:00.000Z'
    const second = await proven(by, vehicleId, 'grinds', at)
    const found = await second.file('measurement', { ...read, phase: 'asFound', value: 41 }, { at })
    expect(await owed()).toEqual([calm])
    await second.file(
      'measurement',
      { ...read, phase: 'asFound', value: 46.5 },
      { corrects: found.id, at },
    )
    const due = expect.stringMatching(
      /put off: free travel at the pad is 46\.5 mm, the limit was 45\.0 mm$/,
    )
    const called = [second.jobId, off.id, '2026-09-01', due]
    expect(await owed()).toEqual([called])

    // The job that put it off puts its limit right: the later one heeds that, both ways.
    const right = await first.file(
      'deferred',
      { ...putOff, limit: 50 },
      { corrects: off.id, at: '2026-03-01T12:00:00.000Z' },
    )
    expect((await owed()).map(([jobId, , due]) => [jobId, due])).toEqual([[first.jobId, '2027-03-01']])
    await first.file('withdrawal', {}, { withdraws: right.id })
    expect(await owed()).toEqual([called])

    const third = await proven(by, vehicleId, 'grinds', '2026-10-01T10:00:00.000Z')
    expect(await owed()).toEqual([called])
    await third.file('workDone', { operation: 'hose' }, { at: '2026-10-01T11:00:00.000Z' })
    expect(await owed()).toEqual([])
  })

  it('is a feed that another reader understands', async () => {
    const by = await aPerson()
    const { subject, jobId } = await aJob(by)
    const entry = await filer(by, subject)('followUp', {
      what: 'boot, on order; call',
      due: '2026-12-24',
    })
    const { address } = runningSuite('api')
    const answer = await fetch(`${address}/api/due/calendar`)
    expect(answer.headers.get('content-type')).toMatch(/^text\/calendar/)
    const events = new ICAL.Component(ICAL.parse(await answer.text()) as never)
      .getAllSubcomponents('vevent')
      .map((one) => new ICAL.Event(one))
    const own = events.find(({ uid }) => uid === `${jobId}-${entry.id}@mellow-anchor`)!
    expect(own.summary).toBe('Test van: boot, on order; call')
    expect(own.startDate.isDate).toBe(true)
    expect(own.startDate.toString()).toBe('2026-12-24')
  })
})

describe('a job that came back', () => {
  it('is told on the bench with the one before, in the history and in what is learnt', async () => {
    const by = await aPerson()
    const { vehicleId } = await aJob(by)
    const before = (await call<LearntTold>('GET', '/shop/learnt')).body.all
    const first = await proven(by, vehicleId, 'soft', '2026-11-01T10:00:00.000Z')
    const again = await softAgain(by, vehicleId)
    const { body: back } = await call<CameBackTold[]>('GET', '/due/came-back')
    expect(back.find(({ jobId }) => jobId === again)).toMatchObject({
      title: 'Soft again',
      before: { jobId: first.jobId, title: 'Was soft' },
    })
    const { body: history } = await call<VehicleHistory>('GET', `/vehicles/${vehicleId}/history`)
    expect(history.jobs[0]).toMatchObject({ id: again, cameBackOf: first.jobId })
    const { body: learnt } = await call<LearntTold>('GET', '/shop/learnt')
    expect(learnt.all).toEqual({ jobs: before.jobs + 1, back: before.back + 1 })
    expect(learnt.repairs.find(({ operation }) => operation === 'slave')!.back).toBeGreaterThan(0)
  })
})

describe('a proof that comes late, from a device that was away', () => {
  it('makes a comeback of the job that was opened since', async () => {
    const by = await aPerson()
    const { vehicleId } = await aJob(by)
    const again = await softAgain(by, vehicleId)
    const back = async () =>
      (await call<CameBackTold[]>('GET', '/due/came-back')).body.find(({ jobId }) => jobId === again)
    expect(await back()).toBeUndefined()
    const first = await proven(by, vehicleId, 'soft', '2026-11-01T10:00:00.000Z')
    expect((await back())!.before.jobId).toBe(first.jobId)
  })
})

describe('figures that are learnt', () => {
  it('count work as it stands: not while it is taken back, and again once that is undone', async () => {
    const by = await aPerson()
    const { vehicleId } = await aJob(by)
    const jobs = async () =>
      (await call<LearntTold>('GET', '/shop/learnt')).body.repairs.find(
        ({ operation }) => operation === 'slave',
      )?.jobs ?? 0
    const before = await jobs()
    const { file, work } = await proven(by, vehicleId, 'grinds', '2026-11-02T10:00:00.000Z')
    expect(await jobs()).toBe(before + 1)
    const taken = await file('withdrawal', {}, { withdraws: work.id })
    expect(await jobs()).toBe(before)
    await file('withdrawal', {}, { withdraws: taken.id })
    expect(await jobs()).toBe(before + 1)
    await file('workDone', { operation: 'slave', words: 'boot too' }, { corrects: work.id })
    await file('verdict', { outcome: 'pass', reasons: [] })
    expect(await jobs()).toBe(before + 1)
  })
  it('are left out while they are off, each by itself', async () => {
    const { settings } = (await call<Shop>('GET', '/shop')).body
    const record = () => call<Shop>('GET', '/shop').then(({ body }) => Object.keys(body.record).length)
    const had = await record()
    expect(had).toBeGreaterThan(0)
    const put = (learning: object) => call<Shop>('PUT', '/shop', { ...settings, learning })
    await put({ causes: { off: true, since: null } })
    expect(await record()).toBe(0)
    // Another figure is set: this one stays as it was.
    await put({ times: { off: true, since: null } })
    expect(await record()).toBe(0)
    expect((await call('GET', '/shop/step-times')).body).toEqual({})
    await put({ causes: { off: false, since: null }, times: { off: false, since: null } })
    expect(await record()).toBe(had)
    expect((await refused(put({ weather: { off: true, since: null } }))).errors?.[0]?.path).toBe(
      '/learning/weather',
    )
  })
})

describe('search', () => {
  it('finds words, findings, plates and parts as soon as they are filed, and no more when they are taken back', async () => {
    const by = await aPerson()
    const { subject, jobId } = await aJob(by)
    const file = filer(by, subject)
    const find = async (search: string) =>
      (await call<Found>('GET', `/search?search=${encodeURIComponent(search)}`)).body
    const word = `weeps${Date.now().toString(36)}`
    const note = await file('note', { words: `Flare ${word} at the tip, Größe 7` })
    await file('finding', { finding: 'bootWet', state: 'present', phase: 'asFound' })
    const found = await find(`${word.slice(0, 9)} boot`)
    expect(found.subjects).toHaveLength(1)
    expect(found.subjects[0]).toMatchObject({ subject: 'job', id: jobId, vehicleName: 'Test van' })
    expect(found.subjects[0]!.lines.map(({ words }) => words).join(' ')).toContain(word)
    expect((await find(`${word} gro`)).subjects).toHaveLength(1)
    expect((await find(`${word} zebra`)).subjects).toHaveLength(0)
    // Short ones too, and what would be an operator of the index.
    expect((await find(`${word} 7`)).subjects).toHaveLength(1)
    expect((await find(`+${word}* -(boot)~"`)).subjects).toHaveLength(1)
    await file('note', { words: 'taken for another' }, { corrects: note.id })
    expect((await find(word)).subjects).toHaveLength(0)
    expect((await find('?? !!')).subjects).toHaveLength(0)
    expect((await refused(call('GET', '/search'))).errors?.[0]?.path).toBe('/search')
  })

  it('finds a plate with its gaps and without', async () => {
    const by = await aPerson()
    const id = newId()
    const plate = `Q${Math.floor(Math.random() * 900 + 100)} XKP`
    const { body } = await call<{ id: string }>('POST', '/vehicles', {
      id,
      name: 'Plate van',
      plate,
      entries: [anEntry({ type: 'vehicle', id }, by, 'installation', fromArchetype('small-car'))],
    })
    expect(body.id).toBe(id)
    for (const asked of [plate, plate.replace(' ', ''), plate.toLowerCase().slice(0, 5)]) {
      const { body: found } = await call<Found>('GET', `/search?search=${encodeURIComponent(asked)}`)
      expect(found.subjects.map((one) => one.id)).toContain(id)
    }
  })

  it('finds a vehicle and its jobs by the name and plate that were put right, and no more by those before', async () => {
    const by = await aPerson()
    const { vehicleId, jobId } = await aJob(by)
    const found = async (words: string) =>
      (await call<Found>('GET', `/search?search=${encodeURIComponent(words)}`)).body.subjects.map(
        ({ id }) => id,
      )
    expect(await found('Test van')).toEqual(expect.arrayContaining([vehicleId, jobId]))
    const names = { name: '  Harbour crane ', plate: 'HAR 77', model: null }
    const { body } = await call<Vehicle>('PUT', `/vehicles/${vehicleId}`, names)
    expect(body).toMatchObject({ id: vehicleId, name: 'Harbour crane', plate: 'HAR 77', model: null })
    expect((await call<WithEntries<Vehicle>>('GET', `/vehicles/${vehicleId}`)).body.subject).toEqual(
      body,
    )
    for (const words of ['harbour crane', 'har77'])
      expect(await found(words)).toEqual(expect.arrayContaining([vehicleId, jobId]))
    expect(await found('Test van')).not.toContain(jobId)
    const bench = (await call<Page<BenchJob>>('GET', '/jobs?search=harbour')).body.items
    expect(bench.map(({ id, vehicleName }) => [id, vehicleName])).toEqual([[jobId, 'Harbour crane']])

    const { body: job } = await call<Job>('PUT', `/jobs/${jobId}`, { title: ' Hoist drags ' })
    expect([job.title, job.id]).toEqual(['Hoist drags', jobId])
    expect(await found('hoist drags')).toEqual([jobId])
    expect((await refused(call('PUT', `/jobs/${jobId}`, { title: '' }))).errors![0]!.path).toBe(
      '/title',
    )

    const problem = await refused(call('PUT', `/vehicles/${vehicleId}`, { ...names, name: ' ' }))
    expect(problem.errors![0]!.path).toBe('/name')
    const long = await refused(
      call('PUT', `/vehicles/${vehicleId}`, { ...names, plate: 'X'.repeat(21) }),
    )
    expect(long.errors!.some(({ path }) => path === '/plate')).toBe(true)
    expect((await call('PUT', `/vehicles/${newId()}`, names)).status).toBe(404)
  })
})

describe('measurements as a table', () => {
  it('are read by another parser, with the unit in each head', async () => {
    const by = await aPerson('=Formula, "quoted"')
    const { subject, vehicleId } = await aJob(by)
    const file = filer(by, subject)
    await file('measurement', { reading: 'freeTravel', value: 50.8, phase: 'asFound' })
    await file('measurement', { reading: 'sink', value: 1.5, phase: 'after', duration: 60 })
    const wrong = await file('measurement', { reading: 'freeTravel', value: 99, phase: 'after' })
    await file(
      'measurement',
      { reading: 'freeTravel', value: 30, phase: 'after' },
      { corrects: wrong.id },
    )
    const { address } = runningSuite('api')
    for (const [units, free] of [
      ['metric', ['50.8', '', '30']],
      ['inch', ['2', '', '1.181']],
    ] as const) {
      const answer = await fetch(`${address}/api/vehicles/${vehicleId}/measurements?units=${units}`)
      expect(answer.headers.get('content-type')).toMatch(/^text\/csv/)
      const text = await answer.text()
      const rows = parse<Record<string, string>>(text, { columns: true })
      const head = `Free travel at the pad (${units === 'inch' ? 'in' : 'mm'})`
      expect(rows.map((row) => row[head]!.slice(0, 5))).toEqual(free)
      expect(rows.map((row) => row.when)).toEqual(['as found', 'after', 'after'])
      expect(rows[1]!['over (s)']).toBe('60')
      // Nothing in it starts as a formula.
      expect(rows[0]!.by).toMatch(/^['’]=Formula/)
      expect(text).toContain('\r\n')
    }
  })
})

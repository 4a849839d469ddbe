import { beforeAll, describe, expect, it } from 'vitest'
import type { Page, Person, Vehicle, WithEntries } from '../../contract'
import { INSTALLATION_FILE } from '../../contract'
import { fromArchetype } from '../../core/installation'
import { calibrationFrom, fold, installationFrom, type Entry, type Subject } from '../../core/journal'
import { runningSuite } from '../harness/running'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

let by: string
let job: { vehicleId: string; jobId: string; subject: Subject }
beforeAll(async () => {
  by = await aPerson()
  job = await aJob(by)
})

describe('units of a person', () => {
  it('begin metric, are kept for all devices, and nothing else is taken', async () => {
    const of = async () =>
      (await call<Page<Person>>('GET', '/people')).body.items.find((person) => person.id === by)!.units
    expect(await of()).toBe('metric')
    const { status, body } = await call<Person>('PUT', `/people/${by}`, { units: 'inch' })
    expect([status, body.units]).toEqual([200, 'inch'])
    expect(await of()).toBe('inch')
    const problem = await refused(call('PUT', `/people/${by}`, { units: 'furlong' }))
    expect(problem.errors).toEqual([{ path: '/units', message: 'must be one of metric, inch' }])
    expect((await refused(call('PUT', `/people/${newId()}`, { units: 'inch' }))).status).toBe(404)
    expect(await of()).toBe('inch')
  })
})

describe('the installation of a vehicle', () => {
  it('is versioned by its entries: routes, figures, calibrations; a job works on its own copy', async () => {
    const vehicle: Subject = { type: 'vehicle', id: job.vehicleId }
    const start = fromArchetype('long-line')
    const points = start.route.map((point, i) =>
      i === 3 ? { ...point, height: 175, clip: true } : point,
    )
    const post = (subject: Subject, entry: Entry) =>
      call<Entry>('POST', `/${subject.type}s/${subject.id}/entries`, entry)
    const route = anEntry(vehicle, by, 'route', { points })
    expect((await post(vehicle, route)).status).toBe(201)
    await post(vehicle, anEntry(vehicle, by, 'parameter', { field: 'slave.room', value: 6.5 }))
    await post(vehicle, anEntry(vehicle, by, 'calibration', { freeTravel: 18, takeUpHeight: 21 }))
    await post(job.subject, anEntry(job.subject, by, 'parameter', { field: 'master.tilt', value: 4 }))
    const plan = anEntry(job.subject, by, 'circuitPlan', { changes: [{ change: 'air', value: 100 }] })
    expect((await post(job.subject, plan)).status).toBe(201)

    const { body } = await call<WithEntries<Vehicle>>('GET', `/vehicles/${job.vehicleId}`)
    const kept = installationFrom(body.entries)!
    expect(kept.route[3]).toEqual({ along: 330, height: 175, forward: 60, clip: true })
    expect([kept.slave.room, kept.master.tilt]).toEqual([6.5, start.master.tilt])
    expect(calibrationFrom(body.entries)!.payload).toEqual({ freeTravel: 18, takeUpHeight: 21 })
    const { entries } = (await call<{ entries: Entry[] }>('GET', `/jobs/${job.jobId}`)).body
    expect(installationFrom(entries, kept)!.master.tilt).toBe(4)
    expect(fold(entries).circuitPlan!.payload).toEqual({ changes: [{ change: 'air', value: 100 }] })

    await post(vehicle, anEntry(vehicle, by, 'withdrawal', {}, { withdraws: route.id }))
    const after = await call<WithEntries<Vehicle>>('GET', `/vehicles/${job.vehicleId}`)
    expect(installationFrom(after.body.entries)!.route[3]!.height).toBe(start.route[3]!.height)
  })

  it('refuses a route that goes back, by point', async () => {
    const points = [0, 500, 400].map((along) => ({ along, height: 0, forward: 0 }))
    const entry = anEntry(job.subject, by, 'route', { points })
    const problem = await refused(call('POST', `/jobs/${job.jobId}/entries`, entry))
    expect(problem.errors).toEqual([
      { path: '/payload/points/2/along', message: 'must be greater than the point before it' },
    ])
    const many = Array.from({ length: 61 }, (_, i) => ({ along: i * 10, height: 0, forward: 0 }))
    const crowded = anEntry(job.subject, by, 'route', { points: many })
    expect((await refused(call('POST', `/jobs/${job.jobId}/entries`, crowded))).errors![0]).toEqual({
      path: '/payload/points',
      message: 'must have at most 60',
    })
  })

  it('publishes the schema of its file', async () => {
    const response = await fetch(`${runningSuite('api').address}/schemas/installation-2.json`)
    expect(response.status).toBe(200)
    expect(((await response.json()) as { $id: string }).$id).toBe(INSTALLATION_FILE)
  })
})

describe('two tablets on one circuit', () => {
  it('change different things at once, and neither undoes the other', async () => {
    const { jobId, subject } = await aJob(by)
    const other = await aPerson()
    const points = fromArchetype('long-line').route.map((point) => ({
      ...point,
      height: point.height + 5,
    }))
    const entries = [
      anEntry(subject, by, 'parameter', { field: 'master.bore', value: 17.46 }),
      anEntry(subject, other, 'route', { points: [{ ...points[0]!, height: 0 }, ...points.slice(1)] }),
      anEntry(subject, by, 'parameter', { field: 'reservoir.height', value: 210 }),
      anEntry(subject, other, 'parameter', { field: 'linkage.slop', value: 0.8 }),
      anEntry(subject, other, 'circuitPlan', { changes: [{ change: 'wear', value: 1 }] }),
    ]
    const answers = await Promise.all(
      entries.map((entry) => call<Entry>('POST', `/jobs/${jobId}/entries`, entry)),
    )
    expect(answers.map(({ status }) => status)).toEqual([201, 201, 201, 201, 201])
    const { body } = await call<{ entries: Entry[] }>('GET', `/jobs/${jobId}`)
    const now = installationFrom(body.entries, fromArchetype('long-line'))!
    expect(now.circuit.master.bore).toBe(17.46)
    expect(now.circuit.linkage.slop).toBe(0.8)
    expect(now.reservoir.height).toBe(210)
    expect(now.route[3]!.height).toBe(155)
    for (const path of ['master.bore', 'linkage.slop', 'reservoir.height', 'route'])
      expect(now.assumed).not.toContain(path)
    expect(fold(body.entries).circuitPlan!.by).toBe(other)
  })

  it('a line made shorter after the route was drawn keeps the route’s shape', async () => {
    const { jobId, subject } = await aJob(by)
    const start = fromArchetype('long-line')
    const post = (entry: Entry) => call<Entry>('POST', `/jobs/${jobId}/entries`, entry)
    await post(anEntry(subject, by, 'parameter', { field: 'lines.0.length', value: 1000 }))
    await post(anEntry(subject, by, 'route', { points: start.route }))
    const { body } = await call<{ entries: Entry[] }>('GET', `/jobs/${jobId}`)
    const now = installationFrom(body.entries, start)!
    expect(now.route.at(-1)!.along).toBeCloseTo(1380, 9)
    expect(now.route.map(({ height }) => height)).toEqual(start.route.map(({ height }) => height))
  })

  it('of changes planned is taken from an older tab under its older name, and stands once', async () => {
    const planned = anEntry(job.subject, by, 'circuitPlan', { changes: [{ change: 'air', value: 90 }] })
    const older = { ...planned, kind: 'plan' }
    const post = (body: unknown) => call<Entry>('POST', `/jobs/${job.jobId}/entries`, body)
    const first = await post(older)
    expect([first.status, first.body.kind]).toEqual([201, 'circuitPlan'])
    expect((await post(older)).status).toBe(200)
    expect((await post(planned)).status).toBe(200)
  })
})

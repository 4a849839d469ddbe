import { beforeAll, describe, expect, it } from 'vitest'
import type { Person, Vehicle, WithEntries } from '../../contract'
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
      (await call<Person[]>('GET', '/people')).body.find((person) => person.id === by)!.units
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
    const plan = anEntry(job.subject, by, 'plan', { changes: [{ change: 'air', value: 100 }] })
    expect((await post(job.subject, plan)).status).toBe(201)

    const { body } = await call<WithEntries<Vehicle>>('GET', `/vehicles/${job.vehicleId}`)
    const kept = installationFrom(body.entries)!
    expect(kept.route[3]).toEqual({ along: 330, height: 175, forward: 60, clip: true })
    expect([kept.slave.room, kept.master.tilt]).toEqual([6.5, start.master.tilt])
    expect(calibrationFrom(body.entries)!.payload).toEqual({ freeTravel: 18, takeUpHeight: 21 })
    const { entries } = (await call<{ entries: Entry[] }>('GET', `/jobs/${job.jobId}`)).body
    expect(installationFrom(entries, kept)!.master.tilt).toBe(4)
    expect(fold(entries).plan!.payload).toEqual({ changes: [{ change: 'air', value: 100 }] })

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
    const response = await fetch(`${runningSuite('api').address}/schemas/installation-1.json`)
    expect(response.status).toBe(200)
    expect(((await response.json()) as { $id: string }).$id).toBe(INSTALLATION_FILE)
  })
})

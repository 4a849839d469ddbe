import { beforeAll, describe, expect, it } from 'vitest'
import type { Container, PutOffTold } from '../../contract'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

let by: string
let job: Awaited<ReturnType<typeof aJob>>
beforeAll(async () => {
  by = await aPerson()
  job = await aJob(by)
})
const put = (openedAt: string | null = null, volume = 500_000) => {
  const body = { id: newId(), kind: 'dot4', openedAt, volume }
  return call<Container>('POST', '/containers', body).then(({ body: made }) => made)
}
const read = async (id: string) =>
  (await call<Container[]>('GET', '/containers')).body.find((one) => one.id === id)
const pour = (container: string, volume: number, of = job, more = {}) =>
  call(
    'POST',
    `/jobs/${of.jobId}/entries`,
    anEntry(of.subject, by, 'fluidUsed', { container, volume }, more),
  )

describe('containers of fluid', () => {
  it('stand on the shelf full, once, until they are empty or gone', async () => {
    const body = { id: newId(), kind: 'dot51', openedAt: null, volume: 250_000 }
    expect((await call('POST', '/containers', body)).status).toBe(201)
    const again = await call<Container>('POST', '/containers', body)
    expect([again.status, again.body]).toEqual([200, { ...body, left: 250_000 }])
    expect(await refused(call('POST', '/containers', { ...body, kind: 'dot3' }))).toMatchObject({
      status: 409,
    })
    const opened = await call<Container>('PUT', `/containers/${body.id}`, {
      openedAt: '2026-03-01T00:00:00.000Z',
    })
    expect(opened.body.openedAt).toBe('2026-03-01T00:00:00.000Z')
    const gone = { openedAt: null, gone: true }
    expect((await call<Container>('PUT', `/containers/${body.id}`, gone)).body.left).toBe(0)
    expect(await read(body.id)).toBeUndefined()
    expect((await refused(call('PUT', `/containers/${newId()}`, gone))).status).toBe(404)
  })

  it('are emptied by what jobs pour, opened by the first pour, and filled again by what is taken back', async () => {
    const one = await put()
    const other = await aJob(by)
    expect((await pour(one.id, 120_000)).status).toBe(201)
    const entry = anEntry(other.subject, by, 'fluidUsed', { container: one.id, volume: 80_000 })
    const path = `/jobs/${other.jobId}/entries`
    await call('POST', path, entry)
    await call('POST', path, entry)
    const after = (await read(one.id))!
    expect(after.left).toBe(300_000)
    expect(after.openedAt).not.toBeNull()
    const more = { corrects: entry.id }
    await pour(one.id, 30_000, other, more)
    expect((await read(one.id))!.left).toBe(350_000)
    await call('POST', path, anEntry(other.subject, by, 'withdrawal', {}, { withdraws: entry.id }))
    expect((await read(one.id))!.left).toBe(380_000)
    await Promise.all([job, other].map((each) => pour(one.id, 50_000, each)))
    expect((await read(one.id))!.left).toBe(280_000)
  })

  it('that are not here are not poured from, and a wrong one is refused by its field', async () => {
    const strange = await refused(pour(newId(), 1000))
    expect([strange.type, strange.errors![0]!.path]).toEqual([
      'urn:mellow-anchor:no-container',
      '/payload/container',
    ])
    const body = { id: newId(), kind: 'dot4', openedAt: null, volume: 0 }
    expect((await refused(call('POST', '/containers', body))).errors![0]!.path).toBe('/volume')
  })
})

describe('what was put off by distance', () => {
  it('is told of the vehicle with the mileage that it was put off at, until it is fitted', async () => {
    const one = await aJob(by)
    const path = `/jobs/${one.jobId}/entries`
    const changes = [{ change: 'field', field: 'slave.bore', value: 22.2 }] as const
    await call(
      'POST',
      path,
      anEntry(one.subject, by, 'measurement', { reading: 'mileage', value: 61_840, phase: 'asFound' }),
    )
    await call(
      'POST',
      path,
      anEntry(one.subject, by, 'circuitPlan', { changes: [...changes], waitKm: 500 }),
    )
    const later = () => call<PutOffTold[]>('GET', `/vehicles/${one.vehicleId}/later`)
    expect((await later()).body).toMatchObject([
      { jobId: one.jobId, title: 'Soft', mileage: 61_840, plan: { waitKm: 500, changes } },
    ])
    await call('POST', path, anEntry(one.subject, by, 'circuitPlan', { changes: [...changes] }))
    expect((await later()).body).toEqual([])
  })
})

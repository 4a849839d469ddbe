import { describe, expect, it } from 'vitest'
import type { Shop, Vehicle } from '../../contract'
import { repairOf, SHOP_COSTS, USUAL_POLICY, type FaultId } from '../../core/diagnosis'
import { fromArchetype } from '../../core/installation'
import type { Payloads } from '../../core/journal'
import { anEntry, aPerson, call, newId, refused } from './client'

const usual = {
  name: '',
  ...SHOP_COSTS,
  school: USUAL_POLICY,
  recordSince: null,
  delivery: [],
  learning: {},
}
const shop = async () => (await call<Shop>('GET', '/shop')).body

/** A job on a new vehicle of a model, closed with a verdict and a cause. */
async function closed(
  by: string,
  model: string | undefined,
  faults: FaultId[],
  outcome: Payloads['verdict']['outcome'] = 'pass',
) {
  const vehicleId = newId()
  const id = newId()
  const vehicle = { type: 'vehicle', id: vehicleId } as const
  const job = { type: 'job', id } as const
  await call('POST', '/vehicles', {
    id: vehicleId,
    name: 'Trial car',
    ...(model && { model }),
    entries: [anEntry(vehicle, by, 'installation', fromArchetype('small-car'))],
  })
  const cause = anEntry(job, by, 'cause', { faults })
  const verdict = anEntry(job, by, 'verdict', {
    outcome,
    reasons: [{ rule: 'air', outcome, words: 'No air to be seen' }],
  })
  const { status } = await call('POST', '/jobs', {
    id,
    vehicleId,
    title: 'Closed',
    entries: [
      anEntry(job, by, 'goal', { jobKind: 'fault', wanted: '' }),
      ...faults.map((fault) => anEntry(job, by, 'workDone', { operation: repairOf(fault).id })),
      cause,
      verdict,
    ],
  })
  expect(status).toBe(201)
  return { job, cause, verdict }
}

describe('the shop', () => {
  it('has the usual prices and ways until somebody sets them, and keeps what was set', async () => {
    expect((await shop()).settings).toEqual(usual)
    const set = {
      ...usual,
      name: 'Hill Street',
      hourlyRate: 81.5,
      school: { scope: 'pair', way: 'rebuild', first: 'bleed' },
    }
    const { status, body } = await call<Shop>('PUT', '/shop', set)
    expect(status).toBe(200)
    expect(body.settings).toEqual(set)
    expect((await shop()).settings).toEqual(set)
    // Left out, the name stays.
    const { name: _, ...nameless } = usual
    await call('PUT', '/shop', nameless)
    expect((await shop()).settings).toEqual({ ...usual, name: 'Hill Street' })
    await call('PUT', '/shop', usual)
    expect((await shop()).settings).toEqual(usual)
  })

  it.each([
    ['/hourlyRate', { ...usual, hourlyRate: -1 }],
    ['/comeback', { ...usual, comeback: 2_000_000 }],
    ['/school/scope', { ...usual, school: { ...USUAL_POLICY, scope: 'everything' } }],
    ['/recordSince', { ...usual, recordSince: 'yesterday' }],
    ['/name', { ...usual, name: 'x'.repeat(41) }],
    ['/colour', { ...usual, colour: 'green' }],
  ])('refuses %s out of its bounds and keeps what it had', async (path, body) => {
    const { status, errors } = await refused(call('PUT', '/shop', body))
    expect(status).toBe(422)
    expect(errors!.map((one) => one.path)).toContain(path)
    expect((await shop()).settings).toEqual(usual)
  })

  it('counts confirmed causes of proven jobs by model, and what is taken back no longer', async () => {
    const by = await aPerson()
    const model = `Tern ${newId()}`
    await closed(by, model, ['slaveLeak'])
    const second = await closed(by, model, ['masterBypass', 'hoseLeak'])
    await closed(by, model, ['rodTooLong'], 'notYet')
    expect((await shop()).record[model]).toEqual({
      jobs: 2,
      confirmed: { slaveLeak: 1, masterBypass: 1, hoseLeak: 1 },
    })
    const post = (entry: object) => call('POST', `/jobs/${second.job.id}/entries`, entry)
    await post(
      anEntry(second.job, by, 'cause', { faults: ['masterBypass'] }, { corrects: second.cause.id }),
    )
    expect((await shop()).record[model]!.confirmed).toEqual({ slaveLeak: 1, masterBypass: 1 })
    await post(anEntry(second.job, by, 'withdrawal', {}, { withdraws: second.verdict.id }))
    expect((await shop()).record[model]).toEqual({ jobs: 1, confirmed: { slaveLeak: 1 } })
  })

  it('takes a model for what it is called, whatever that is, and touches nothing else', async () => {
    const by = await aPerson()
    const names = ['__proto__', 'constructor', 'toString', 'hasOwnProperty']
    for (const name of names) await closed(by, name, ['slaveLeak'])
    const { record } = await shop()
    for (const name of names) {
      expect(Object.hasOwn(record, name)).toBe(true)
      expect(Object.entries(record).find(([model]) => model === name)![1].confirmed).toEqual({
        slaveLeak: record[name]!.jobs,
      })
    }
    const { headers } = await call('GET', '/people')
    expect(headers.get('x-content-type-options')).toBe('nosniff')
    expect((await call<object>('GET', '/health')).body).not.toHaveProperty('slaveLeak')
  })

  it('a record begun anew leaves out what was closed before', async () => {
    const by = await aPerson()
    const model = `Skua ${newId()}`
    await closed(by, model, ['slaveLeak'])
    const later = new Date(Date.now() + 60_000).toISOString()
    const { body } = await call<Shop>('PUT', '/shop', { ...usual, recordSince: later })
    expect(body.record[model]).toBeUndefined()
    await call('PUT', '/shop', usual)
    expect((await shop()).record[model]!.jobs).toBe(1)
  })

  it('a vehicle keeps its model, and one without pools with none', async () => {
    const by = await aPerson()
    const id = newId()
    const entries = [anEntry({ type: 'vehicle', id }, by, 'installation', fromArchetype('tractor'))]
    const { body } = await call<Vehicle>('POST', '/vehicles', {
      id,
      name: 'Lifter',
      model: ' Gannet 40 ',
      entries,
    })
    expect(body.model).toBe('Gannet 40')
    const again = await call('POST', '/vehicles', { id, name: 'Lifter', model: 'Gannet 50', entries })
    expect(again.status).toBe(409)
  })
})

describe('entries of the search', () => {
  it('refuse what they cannot say: unknown faults, findings and grades, and a subject that is no job', async () => {
    const by = await aPerson()
    const { job } = await closed(by, undefined, ['slaveLeak'])
    const post = (kind: string, payload: object) =>
      refused(
        call('POST', `/jobs/${job.id}/entries`, {
          ...anEntry(job, by, 'note', { words: 'x' }),
          kind,
          payload,
        }),
      )
    const paths = async (kind: string, payload: object) =>
      (await post(kind, payload)).errors!.map(({ path }) => path)
    expect(await paths('cause', { faults: ['gremlins'] })).toContain('/payload/faults/0')
    expect(await paths('cause', { faults: [] })).toContain('/payload/faults')
    expect(await paths('graded', { of: 'squeaks', grade: 'better' })).toContain('/payload/grade')
    expect(await paths('takenOver', { stop: 'forkCracked', reason: ' ' })).toContain('/payload/reason')
    expect(await paths('condition', { condition: 'sunshine', holds: true })).toContain(
      '/payload/condition',
    )
    expect(
      await paths('decision', {
        scope: 'pair',
        way: 'replace',
        first: 'part',
        repairs: ['wish'],
        reasons: [],
        minutes: 1,
        money: 1,
        comebackRisk: 2,
      }),
    ).toEqual(expect.arrayContaining(['/payload/comebackRisk']))
    const vehicleId = newId()
    const vehicle = { type: 'vehicle', id: vehicleId } as const
    const { errors } = await refused(
      call('POST', '/vehicles', {
        id: vehicleId,
        name: 'Not a job',
        entries: [
          anEntry(vehicle, by, 'installation', fromArchetype('small-car')),
          anEntry(vehicle, by, 'cause', { faults: ['slaveLeak'] }),
        ],
      }),
    )
    expect(errors![0]!.path).toBe('/subject/type')
  })
})

import { beforeAll, describe, expect, it } from 'vitest'
import type { BenchJob, Page, Vehicle, Job, WithEntries } from '../../contract'
import { fold, type Entry } from '../../core/journal'
import { fromArchetype } from '../../core/installation'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

let by: string
let other: string
beforeAll(async () => {
  by = await aPerson()
  other = await aPerson()
})
const jobs = async (query: string) => (await call<Page<BenchJob>>('GET', `/jobs?${query}`)).body

async function aVehicle(name: string, plate?: string, model?: string): Promise<string> {
  const id = newId()
  const entries = [anEntry({ type: 'vehicle', id }, by, 'installation', fromArchetype('small-car'))]
  const body = { id, name, entries, ...(plate && { plate }), ...(model && { model }) }
  expect((await call('POST', '/vehicles', body)).status).toBe(201)
  return id
}

describe('vehicles', () => {
  it('are paged by name to the very last, each once', async () => {
    const tag = newId().slice(-8)
    const names = Array.from({ length: 23 }, (_, i) => `${tag} ${i % 5 === 0 ? 'Same' : `Car ${i}`}`)
    for (const name of names) await aVehicle(name)
    const seen: Vehicle[] = []
    for (let after = ''; ;) {
      const { body } = await call<Page<Vehicle>>('GET', `/vehicles?search=${tag}&limit=4${after}`)
      expect(body.items.length).toBeLessThanOrEqual(4)
      seen.push(...body.items)
      if (body.next === null) break
      after = `&after=${body.next}`
    }
    expect(seen.map(({ name }) => name)).toEqual([...names].sort())
    expect(new Set(seen.map(({ id }) => id)).size).toBe(23)
  })

  it('are found by words of name, plate and model, in any case; wildcards are only letters', async () => {
    const tag = newId().slice(-8)
    const id = await aVehicle(`Ferry bus ${tag}`, '100%_FID', 'Gannet 50')
    await aVehicle(`Other ${tag}`, '100 FID')
    const found = async (words: string) =>
      (
        await call<Page<Vehicle>>('GET', `/vehicles?search=${encodeURIComponent(words)}`)
      ).body.items.map((one) => one.id)
    expect(await found(`${tag} gannet ferry`)).toEqual([id])
    expect(await found(`${tag} 100%_`)).toEqual([id])
    expect(await found(`${tag} launch`)).toEqual([])
  })

  it('refuse a page that is none of this list', async () => {
    for (const after of ['x', Buffer.from('["a"]').toString('base64url')])
      expect(await refused(call('GET', `/vehicles?after=${after}`))).toMatchObject({
        status: 422,
        errors: [{ path: '/after' }],
      })
  })
})

describe('jobs', () => {
  it('are open, stopped or done, and somebody’s who filed in them', async () => {
    const made = [await aJob(by), await aJob(by), await aJob(by)]
    const [open, stopped, done] = made.map(({ jobId }) => jobId) as [string, string, string]
    const post = (entry: Entry) => call('POST', `/jobs/${entry.subject.id}/entries`, entry)
    await post(
      anEntry(made[1]!.subject, other, 'finding', {
        finding: 'forkCracked',
        state: 'present',
        phase: 'asFound',
      }),
    )
    const reasons = [{ rule: 'air', outcome: 'pass', words: 'none' }] as const
    const verdict = anEntry(made[2]!.subject, by, 'verdict', { outcome: 'pass', reasons: [...reasons] })
    await post(verdict)
    const among = async (query: string) => {
      const { items } = await jobs(`${query}&limit=200`)
      return made.map(({ jobId }) => jobId).filter((id) => items.some((one) => one.id === id))
    }
    expect(await among('filter=open')).toEqual([open, stopped])
    expect(await among('filter=stopped')).toEqual([stopped])
    expect(await among('filter=done')).toEqual([done])
    expect(await among(`person=${other}`)).toEqual([stopped])
    await post(anEntry(made[2]!.subject, by, 'withdrawal', {}, { withdraws: verdict.id }))
    expect(await among('filter=done')).toEqual([])
    expect((await jobs('limit=1')).items[0]!.id).toBe(done)
  })

  it('leave the bench when they are closed, and are on it again once that is taken back', async () => {
    const one = await aJob(by)
    const post = (entry: Entry) => call('POST', `/jobs/${entry.subject.id}/entries`, entry)
    const on = async (filter: string) =>
      (await jobs(`filter=${filter}&limit=200`)).items.find(({ id }) => id === one.jobId)
    expect((await on('bench'))?.step).toEqual({ to: 'look' })
    expect(await on('closed')).toBeUndefined()
    const closed = anEntry(one.subject, by, 'closed', { reason: 'sold' })
    await post(closed)
    expect(await on('bench')).toBeUndefined()
    expect((await on('closed'))?.step).toEqual({ to: 'closed' })
    // The vehicle's own list still has it.
    expect((await jobs(`vehicle=${one.vehicleId}`)).items.map(({ id }) => id)).toContain(one.jobId)
    await post(anEntry(one.subject, by, 'withdrawal', {}, { withdraws: closed.id }))
    expect(await on('bench')).toBeDefined()
    expect(await on('closed')).toBeUndefined()
  })

  it('come the last changed first, and a page goes on where the one before ended', async () => {
    const { vehicleId, jobId } = await aJob(by)
    const ids = [jobId]
    for (let i = 0; i < 4; i++) {
      const id = newId()
      const goal = anEntry({ type: 'job', id }, by, 'goal', { jobKind: 'fault', wanted: '' })
      await call('POST', '/jobs', { id, vehicleId, title: `Job ${i}`, entries: [goal] })
      ids.push(id)
    }
    await call(
      'POST',
      `/jobs/${ids[1]}/entries`,
      anEntry({ type: 'job', id: ids[1]! }, by, 'note', { words: 'x' }),
    )
    const first = await jobs(`vehicle=${vehicleId}&limit=3`)
    const second = await jobs(`vehicle=${vehicleId}&limit=3&after=${first.next}`)
    expect([...first.items, ...second.items].map(({ id }) => id)).toEqual(
      [1, 4, 3, 2, 0].map((i) => ids[i]),
    )
    expect(second.next).toBeNull()
  })

  it('keep their step with them: a change of the vehicle’s port is seen in its jobs', async () => {
    const { vehicleId, jobId, subject } = await aJob(by)
    const rod = { reading: 'rodClearance', value: -0.9, phase: 'working' } as const
    await call('POST', `/jobs/${jobId}/entries`, anEntry(subject, by, 'measurement', rod))
    const step = async () => (await jobs(`vehicle=${vehicleId}`)).items[0]!.step
    const before = await step()
    const field = (value: number) =>
      call(
        'POST',
        `/vehicles/${vehicleId}/entries`,
        anEntry({ type: 'vehicle', id: vehicleId }, by, 'parameter', {
          field: 'master.portClosure',
          value,
        }),
      )
    await field(0.5)
    const shut = await step()
    expect(shut).toMatchObject({
      to: 'mend',
      words: expect.stringContaining('covers the port at rest'),
    })
    await field(3)
    expect(await step()).not.toEqual(shut)
    expect(before).toMatchObject({ to: 'mend' })
  })
})

describe('a long job', () => {
  it('is opened by the entries that bear its state, and the rest is fetched behind', async () => {
    const { jobId, subject } = await aJob(by)
    for (let i = 0; i < 130; i++)
      await call(
        'POST',
        `/jobs/${jobId}/entries`,
        anEntry(subject, by, 'measurement', {
          reading: 'freeTravel',
          value: 20 + (i % 30),
          phase: 'asFound',
        }),
      )
    const open = async (query: string) =>
      (await call<WithEntries<Job>>('GET', `/jobs/${jobId}${query}`)).body
    const part = await open('?entries=state')
    const whole = await open('')
    expect([part.partial, whole.partial, whole.entries.length]).toEqual([true, false, 131])
    expect(part.entries).toHaveLength(101)
    const of = ({ goal, readings }: ReturnType<typeof fold>) => ({ goal, readings })
    expect(of(fold(part.entries))).toEqual(of(fold(whole.entries)))
  })
})

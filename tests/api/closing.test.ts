import { beforeAll, describe, expect, it } from 'vitest'
import { reading } from '../arbitrary/entry'
import type { Entry } from '../../core/journal'
import { aJob, anEntry, aPerson, call, refused } from './client'

type Job = Awaited<ReturnType<typeof aJob>>
const at = ({ jobId }: Job) => `/jobs/${jobId}/entries`
const refuse = (job: Job, entry: Entry) => refused(call('POST', at(job), entry))
const post = (job: Job, entry: Entry) => call('POST', at(job), entry)
const listed = async (job: Job) =>
  (await call<{ entries: Entry[] }>('GET', `/jobs/${job.jobId}`)).body.entries.map(({ kind }) => kind)

describe('a job is closed', () => {
  let by = ''
  beforeAll(async () => {
    by = await aPerson()
  })
  const closed = (job: Job, payload: { reason?: string }) => anEntry(job.subject, by, 'closed', payload)
  const passed = (job: Job) => anEntry(job.subject, by, 'verdict', { outcome: 'pass', reasons: [] })

  it('before it is proven only with a reason, whoever closes it', async () => {
    const job = await aJob(by)
    const bare = await refuse(job, closed(job, {}))
    expect(bare).toMatchObject({
      status: 422,
      errors: [
        { path: '/payload/reason', message: expect.stringMatching(/why it is closed/) as string },
      ],
    })
    expect(bare.detail).toBe('It is not proven: say why it is closed.')
    expect((await refuse(job, closed(job, { reason: '   ' }))).status).toBe(422)
    expect(await listed(job)).not.toContain('closed')
    const said = closed(job, { reason: 'sold as it stands' })
    expect((await post(job, said)).status).toBe(201)
    // Its reason is not corrected away, and what was sent before is taken as it is.
    const away = anEntry(job.subject, by, 'closed', {}, { corrects: said.id })
    expect((await refuse(job, away)).status).toBe(422)
    expect((await post(job, said)).status).toBe(200)
  })
  it('without a word once it is proven, and not while something is still on it', async () => {
    const job = await aJob(by)
    await post(job, passed(job))
    const wedge = anEntry(job.subject, by, 'putOn', { item: 'prop', place: 'at the pedal' })
    await post(job, wedge)
    expect((await refuse(job, closed(job, {}))).detail).toMatch(/^Something is still on/)
    await post(job, anEntry(job.subject, by, 'withdrawal', {}, { withdraws: wedge.id }))
    expect((await post(job, closed(job, {}))).status).toBe(201)
  })
  it('not without a word where a reading came after the proof, or a cause that nobody mended', async () => {
    for (const later of ['measurement', 'cause'] as const) {
      const job = await aJob(by)
      await post(job, passed(job))
      const entry =
        later === 'cause'
          ? anEntry(job.subject, by, 'cause', { faults: ['masterBypass'] })
          : anEntry(job.subject, by, 'measurement', reading('sink', 4, 'after', 60))
      await post(job, entry)
      expect((await refuse(job, closed(job, {}))).status, later).toBe(422)
    }
  })
  it('and a cause that was not mended does not teach the shop', async () => {
    const model = `Petrel ${by.slice(-6)}`
    const counted = async () => {
      const { body } = await call<{ record: Record<string, { jobs: number }> }>('GET', '/shop')
      return body.record[model]?.jobs ?? 0
    }
    const job = await aJob(by, model)
    await post(job, anEntry(job.subject, by, 'workDone', { operation: 'bleed' }))
    await post(job, passed(job))
    await post(job, anEntry(job.subject, by, 'cause', { faults: ['masterBypass'] }))
    expect(await counted()).toBe(0)
    await post(job, anEntry(job.subject, by, 'workDone', { operation: 'master' }))
    await post(job, passed(job))
    expect(await counted()).toBe(1)
  })
})

import { beforeAll, describe, expect, it } from 'vitest'
import { openDatabase } from '../../server/database/database'
import { fromArchetype } from '../../core/installation'
import type { Subject } from '../../core/journal'
import { runningSuite } from '../harness/running'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

let by: string
let job: { vehicleId: string; jobId: string; subject: Subject }
beforeAll(async () => {
  by = await aPerson()
  job = await aJob(by)
})
const statuses = async (...calls: ReturnType<typeof call>[]) =>
  (await Promise.all(calls)).map(({ status }) => status).sort()

describe('the same thing at the same moment', () => {
  it('is made once; whoever comes second is told so, never that the server failed', async () => {
    for (let i = 0; i < 8; i++) {
      const id = newId()
      const person = () => call('POST', '/people', { id, name: `Twin ${id}` })
      expect(await statuses(person(), person(), person())).toEqual([200, 200, 201])

      const name = `Name ${newId()}`
      const named = () => call('POST', '/people', { id: newId(), name })
      expect(await statuses(named(), named(), named())).toEqual([201, 409, 409])

      const vehicle = newId()
      const entries = [
        anEntry({ type: 'vehicle', id: vehicle }, by, 'installation', fromArchetype('small-car')),
      ]
      const car = () => call('POST', '/vehicles', { id: vehicle, name: 'Twin', entries })
      expect(await statuses(car(), car(), car())).toEqual([200, 200, 201])

      const note = anEntry(job.subject, by, 'note', { words: 'same' })
      const post = () => call('POST', `/jobs/${job.jobId}/entries`, note)
      expect(await statuses(post(), post(), post(), post())).toEqual([200, 200, 200, 201])
    }
  })

  it('one id on three histories stands on one of them', async () => {
    const elsewhere = await aJob(by)
    for (let i = 0; i < 8; i++) {
      const entry = anEntry(job.subject, by, 'note', { words: 'once' })
      const on = (subject: Subject) =>
        call('POST', `/${subject.type}s/${subject.id}/entries`, { ...entry, subject })
      const answers = await statuses(
        on(job.subject),
        on(elsewhere.subject),
        on({ type: 'vehicle', id: job.vehicleId }),
      )
      expect(answers).toEqual([201, 409, 409])
    }
  })
})

describe('a job that somebody holds from outside', () => {
  it('is answered with 503 in seconds, and others go on meanwhile', async () => {
    const elsewhere = await aJob(by)
    const database = openDatabase(runningSuite('api').settings)
    const holding = await database.sequelize.transaction()
    try {
      await database.models.Job.findByPk(job.jobId, {
        transaction: holding,
        lock: holding.LOCK.UPDATE,
      })
      const started = performance.now()
      const note = () =>
        refused(
          call('POST', `/jobs/${job.jobId}/entries`, anEntry(job.subject, by, 'note', { words: 'x' })),
        )
      // More than there are connections.
      let answered = 0
      const held = Array.from({ length: 15 }, () => note().finally(() => (answered += 1)))
      for (let i = 0; i < 5; i++) {
        const entry = anEntry(elsewhere.subject, by, 'note', { words: 'goes on' })
        expect((await call('POST', `/jobs/${elsewhere.jobId}/entries`, entry)).status).toBe(201)
      }
      // They wait for none of those, which are all still waiting.
      expect(answered).toBe(0)
      for (const problem of await Promise.all(held))
        expect(problem).toMatchObject({ status: 503, type: 'urn:mellow-anchor:busy' })
      expect(performance.now() - started).toBeLessThan(20_000)
    } finally {
      await holding.rollback()
      await database.sequelize.close()
    }
    const note = anEntry(job.subject, by, 'note', { words: 'free again' })
    expect((await call('POST', `/jobs/${job.jobId}/entries`, note)).status).toBe(201)
  })
})

describe('texts and moments that no database knows', () => {
  it('are refused by their field', async () => {
    const post = (entry: unknown) => refused(call('POST', `/jobs/${job.jobId}/entries`, entry))
    const half = anEntry(job.subject, by, 'note', { words: 'half \ud83d' })
    expect(await post(half)).toMatchObject({ status: 422, errors: [{ path: '/payload/words' }] })
    for (const at of ['2016-12-31T23:59:60Z', '0000-01-01T00:00:00Z', '0001-01-01T00:00:00Z'])
      expect(await post(anEntry(job.subject, by, 'note', { words: 'x' }, { at }))).toMatchObject({
        status: 422,
        errors: [{ path: '/at' }],
      })
    expect(await refused(call('POST', '/people', { id: newId(), name: 'A\udfff' }))).toMatchObject({
      status: 422,
      errors: [{ path: '/name' }],
    })
  })
})

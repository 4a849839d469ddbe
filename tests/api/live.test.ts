import { setTimeout as wait } from 'node:timers/promises'
import { afterEach, beforeAll, describe, expect, it } from 'vitest'
import { coachPlan, startCoach, touched } from '../../core/coach'
import type { Cue } from '../../contract'
import { fromArchetype } from '../../core/installation'
import type { Entry, Subject } from '../../core/journal'
import { runningSuite, secondServer } from '../harness/running'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

interface Message {
  event: string
  id?: string
  data: unknown
}

/** A stream as a browser holds it: messages as they come, until it is closed. */
async function listen(path: string, address = runningSuite('api').address, lastEventId?: string) {
  const ending = new AbortController()
  const messages: Message[] = []
  const response = await fetch(`${address}/api${path}`, {
    headers: { accept: 'text/event-stream', ...(lastEventId && { 'last-event-id': lastEventId }) },
    signal: ending.signal,
  })
  const reading = (async () => {
    let rest = ''
    const text = new TextDecoder()
    for await (const chunk of response.body!) {
      rest += text.decode(chunk as Uint8Array, { stream: true })
      const blocks = rest.split('\n\n')
      rest = blocks.pop()!
      for (const block of blocks) {
        const fields = new Map(
          block.split('\n').map((line) => line.split(/: (.*)/s) as [string, string]),
        )
        messages.push({
          event: fields.get('event')!,
          id: fields.get('id'),
          data: JSON.parse(fields.get('data')!),
        })
      }
    }
  })().catch(() => {})
  open.push(async () => {
    ending.abort()
    await reading
  })
  const entries = () => messages.filter(({ event }) => event === 'entry')
  const until = async (enough: () => boolean) => {
    const end = Date.now() + 10_000
    while (!enough()) {
      if (Date.now() > end) throw new Error(`waited in vain; got ${JSON.stringify(messages)}`)
      await wait(5)
    }
  }
  return { response, messages, entries, until }
}
const open: (() => Promise<void>)[] = []
afterEach(async () => {
  for (const close of open.splice(0)) await close()
})

let by: string
let job: { vehicleId: string; jobId: string; subject: Subject }
beforeAll(async () => {
  by = await aPerson()
})
const file = (words: string, subject = job.subject) =>
  call<Entry>(
    'POST',
    `/${subject.type}s/${subject.id}/entries`,
    anEntry(subject, by, 'note', { words }),
  )

describe('a job’s stream', () => {
  it('gives what is not known yet, then each entry of the job and of its vehicle as it is filed', async () => {
    job = await aJob(by)
    await file('before')
    const stream = await listen(`/jobs/${job.jobId}/live?after=1.1`)
    expect(stream.response.headers.get('content-type')).toMatch(/^text\/event-stream/)
    await stream.until(() => stream.entries().length === 1)
    // Whether it is still the same shop is told first, and by every answer.
    expect(stream.messages[0]).toMatchObject({ event: 'beat', data: { restoredAt: 'never' } })
    expect(stream.response.headers.get('mellow-restored-at')).toBe('never')
    const { body } = await file('during')
    await file('on the vehicle', { type: 'vehicle', id: job.vehicleId })
    await stream.until(() => stream.entries().length === 3)
    expect(stream.entries().map(({ id }) => id)).toEqual(['2.1', '3.1', '3.2'])
    expect(stream.entries()[1]!.data).toEqual(body)
  })

  it('goes on where a browser was cut off, by the last id that it had', async () => {
    job = await aJob(by)
    for (const words of ['one', 'two', 'three']) await file(words)
    const stream = await listen(`/jobs/${job.jobId}/live?after=0.0`, undefined, '3.1')
    await stream.until(() => stream.entries().length === 1)
    expect(stream.entries().map(({ id, data }) => [id, (data as Entry).payload])).toEqual([
      ['4.1', { words: 'three' }],
    ])
  })

  it('carries what another server process has taken in, and what was filed while it was away', async () => {
    job = await aJob(by)
    const other = await secondServer('api')
    try {
      const stream = await listen(`/jobs/${job.jobId}/live?after=1.1`, other.address)
      await file('taken in by the first')
      // Learnt from the database: nobody asks for it.
      await stream.until(() => stream.entries().length === 1)
    } finally {
      await other.stop()
    }
  })

  it('carries cues, which stay out of the journal', async () => {
    job = await aJob(by)
    const stream = await listen(`/jobs/${job.jobId}/live?after=1.1`)
    await stream.until(() => stream.messages.length > 0)
    const cue: Cue = { cue: 'here', device: newId(), by, stage: 'bleed' }
    expect((await call('POST', `/jobs/${job.jobId}/cues`, cue)).status).toBe(202)
    await stream.until(() => stream.messages.some(({ event }) => event === 'cue'))
    const told = stream.messages.filter(({ event }) => event === 'cue')
    expect(told).toEqual([{ event: 'cue', id: undefined, data: cue }])
    expect(stream.entries()).toEqual([])
    expect(await refused(call('POST', `/jobs/${newId()}/cues`, cue))).toMatchObject({ status: 404 })
    expect(
      await refused(call('POST', `/jobs/${job.jobId}/cues`, { ...cue, stage: 'lunch' })),
    ).toMatchObject({ status: 422, errors: [{ path: '/stage' }] })
  })

  it('carries a coached bleed whole between two devices, and refuses what is no state of one', async () => {
    job = await aJob(by)
    const stream = await listen(`/jobs/${job.jobId}/live?after=1.1`)
    await stream.until(() => stream.messages.length > 0)
    const installation = fromArchetype('small-car')
    const steps = [{ method: 'openPush', cycles: 30 }] as const
    let state = startCoach(coachPlan({ steps, installation, people: 2, dry: true }))
    for (let i = 0; i < 80; i++)
      state = touched(
        state,
        newId(),
        state.held && state.world.screw === 'shut' ? { touch: 'toppedUp' } : { touch: 'answer' },
      ).state
    const device = newId()
    const seat = { device, by }
    const cue: Cue & { cue: 'coach' } = {
      ...seat,
      cue: 'coach',
      run: newId(),
      ...{ number: 3, confirmed: true, asked: null, kept: null },
      took: { roles: ['pedal'], from: seat, to: seat },
      term: 1,
      lead: device,
      roles: { pedal: null, bleeder: seat },
      ids: { '1.0': newId(), n4: newId() },
      state,
    }
    const said = await call<{ number: number }>('POST', `/jobs/${job.jobId}/cues`, cue)
    expect(said.status).toBe(202)
    const touch: Cue = {
      ...{ ...seat, cue: 'coachTouch', run: cue.run, id: newId(), role: 'pedal', seen: state.n },
      touch: { touch: 'says', says: 'free', mm: 31 },
    }
    const then = await call<{ number: number }>('POST', `/jobs/${job.jobId}/cues`, touch)
    // What is said later has the higher number: runs are told apart by it, and not by clocks.
    expect(then.body.number).toBeGreaterThan(said.body.number)
    const cues = () => stream.messages.filter(({ event }) => event === 'cue').map(({ data }) => data)
    await stream.until(() => cues().length === 2)
    expect(cues()).toEqual([cue, touch])
    expect(stream.entries()).toEqual([])
    const wrong = (body: unknown) => refused(call('POST', `/jobs/${job.jobId}/cues`, body))
    expect(
      await wrong({ ...cue, state: { ...state, world: { ...state.world, screw: 'ajar' } } }),
    ).toMatchObject({
      status: 422,
      errors: [{ path: '/state/world/screw' }],
    })
    expect(await wrong({ ...cue, ids: { '1.0': 'no entry' } })).toMatchObject({ status: 422 })
    expect(await wrong({ ...touch, touch: { touch: 'says', says: 'free', mm: 4000 } })).toMatchObject({
      status: 422,
      errors: [{ path: '/touch/mm' }],
    })
    expect(await wrong({ ...seat, cue: 'coachAsk', run: null, ask: 'coffee' })).toMatchObject({
      status: 422,
      errors: [{ path: '/ask' }],
    })
  })

  it('of a vehicle carries its own entries; one of nothing is refused', async () => {
    job = await aJob(by)
    const vehicle = { type: 'vehicle', id: job.vehicleId } as const
    const stream = await listen(`/vehicles/${job.vehicleId}/live?after=0.1`)
    await call(
      'POST',
      `/vehicles/${job.vehicleId}/entries`,
      anEntry(vehicle, by, 'installation', fromArchetype('small-car')),
    )
    await stream.until(() => stream.entries().length === 1)
    expect(stream.entries()[0]!.id).toBe('0.2')
    expect(await refused(call('GET', `/jobs/${newId()}/live`))).toMatchObject({ status: 404 })
    expect(await refused(call('GET', `/jobs/${job.jobId}/live?after=x`))).toMatchObject({
      errors: [{ path: '/after' }],
    })
  })
})

import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import ICAL from 'ical.js'
import { beforeAll, describe, expect, it } from 'vitest'
import type { StepTimesTold } from '../../contract'
import { fold, type Entry } from '../../core/journal'
import { fromArchetype } from '../../core/installation'
import { PACKAGES, type Package } from '../../core/plan'
import { jobPlan } from '../../core/proof'
import { cautionWords } from '../../core/words'
import { runningSuite } from '../harness/running'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

let by: string
beforeAll(async () => {
  by = await aPerson()
})

const own = (id: string, more: object = {}) => ({
  ...PACKAGES.get('makePipe')!,
  id,
  title: id,
  ...more,
})
const kept = (pack: object, id: string) => call<Package>('PUT', `/shop/packages/${id}`, pack)

/** A job with a plan and, where told, some of its steps. */
async function planned(...more: [kind: 'step' | 'asFound', payload: never][]) {
  const { subject, jobId } = await aJob(by)
  const entries: Entry[] = [
    anEntry(subject, by, 'workPlan', { packages: [{ id: 'renewMaster' }], people: 1, seed: 3 }),
    ...more.map(([kind, payload]) => anEntry(subject, by, kind, payload)),
  ]
  for (const entry of entries) await call('POST', `/jobs/${jobId}/entries`, entry)
  const state = fold(entries)
  // What this shop took is learnt from: the server plans by it too.
  const { body: times } = await call<StepTimesTold>('GET', '/shop/step-times')
  const plan = jobPlan(state, state.workPlan!.payload, fromArchetype('small-car'), { times })
  return { jobId, subject, plan }
}

describe('packages of the shop’s own', () => {
  it('are kept, read, changed and taken out', async () => {
    const id = `own-${newId().toLowerCase()}`
    expect((await kept(own(id), id)).status).toBe(200)
    const all = await call<Package[]>('GET', '/shop/packages')
    expect(all.body.find((one) => one.id === id)?.steps).toHaveLength(3)
    await kept(own(id, { title: 'Made to the old one' }), id)
    const again = await call<Package[]>('GET', '/shop/packages')
    expect(again.body.filter((one) => one.id === id).map(({ title }) => title)).toEqual([
      'Made to the old one',
    ])
    expect((await call('DELETE', `/shop/packages/${id}`)).body).toEqual({ id })
    expect((await refused(call('DELETE', `/shop/packages/${id}`))).status).toBe(404)
  })

  it('that leave something on are refused, and the step is named', async () => {
    const [first, ...rest] = PACKAGES.get('makePipe')!.steps
    const steps = [{ ...first, puts: ['paintCovered'] }, ...rest]
    const problem = await refused(kept(own('own-leaves', { steps }), 'own-leaves'))
    expect(problem).toMatchObject({ status: 422, errors: [{ path: '/steps/0' }] })
    expect(problem.errors![0]!.message).toMatch(/planned alone: .*paint covered/)
    const other = await refused(kept(own('own-one'), 'own-other'))
    expect(other.errors).toEqual([{ path: '/id', message: 'must be own-other' }])
    expect((await refused(kept(own('makePipe'), 'makePipe'))).status).toBe(422)
    expect((await refused(kept({ ...own('own-x'), by: 'me' }, 'own-x'))).errors![0]!.path).toMatch(/by/)
  })

  it('stand in a plan by their id', async () => {
    const id = `own-${newId().toLowerCase()}`
    await kept(own(id), id)
    const { subject, jobId } = await aJob(by)
    const plan = anEntry(subject, by, 'workPlan', { packages: [{ id }], people: 1, seed: 1 })
    expect((await call('POST', `/jobs/${jobId}/entries`, plan)).status).toBe(201)
    const nobody = anEntry(subject, by, 'workPlan', {
      packages: [{ id: 'polish' }],
      people: 1,
      seed: 1,
    })
    const problem = await refused(call('POST', `/jobs/${jobId}/entries`, nobody))
    expect(problem.errors!.some(({ path }) => path === '/payload/packages/0/id')).toBe(true)
    await call('DELETE', `/shop/packages/${id}`)
  })
})

describe('what steps took', () => {
  it('is learnt from what was told and stands', async () => {
    const before = (await call<StepTimesTold>('GET', '/shop/step-times')).body['renewMaster.off']
    const likely = PACKAGES.get('renewMaster')!.steps.find(({ id }) => id === 'off')!.minutes[1]!
    const tellIn = async (minutes: number) => {
      const { subject, jobId } = await aJob(by)
      const file = async (one: Entry) => {
        await call('POST', `/jobs/${jobId}/entries`, one)
        return one
      }
      const payload = { step: 'renewMaster.off', act: 'done', minutes } as const
      const told = await file(anEntry(subject, by, 'step', payload))
      const takeBack = ({ id }: Entry) =>
        file({ ...anEntry(subject, by, 'withdrawal', {}), withdraws: id } as Entry)
      const correct = (right: number) =>
        file({
          ...anEntry(subject, by, 'step', { ...payload, minutes: right }),
          corrects: told.id,
        } as Entry)
      return { told, takeBack, correct }
    }
    const learnt = async () => {
      const now = (await call<StepTimesTold>('GET', '/shop/step-times')).body['renewMaster.off']
      const [count, sumLog] = [now?.count ?? 0, now?.sumLog ?? 0]
      return [count - (before?.count ?? 0), Math.exp(sumLog - (before?.sumLog ?? 0))] as const
    }
    await tellIn(2 * likely)
    // A slip of the finger is not learnt from.
    await tellIn(1000 * likely)
    expect(await learnt()).toEqual([1, expect.closeTo(2, 9)])
    const second = await tellIn(3 * likely)
    expect(await learnt()).toEqual([2, expect.closeTo(6, 9)])
    await second.correct(4 * likely)
    expect(await learnt()).toEqual([2, expect.closeTo(8, 9)])
    // Taken back, nothing is left of it, its correction neither; undone, it counts again.
    const taken = await second.takeBack(second.told)
    expect(await learnt()).toEqual([1, expect.closeTo(2, 9)])
    await second.takeBack(taken)
    expect(await learnt()).toEqual([2, expect.closeTo(8, 9)])
  })
})

describe('the plan on paper and in a calendar', () => {
  it('is a PDF in which every step, tool and caution is found, in order', async () => {
    const { jobId, plan } = await planned(
      ['asFound', { item: 'threadsOnRod', value: 7, unit: 'threads' } as never],
      ['step', { step: 'access.ignition', act: 'done' } as never],
    )
    const { address } = runningSuite('api')
    const answer = await fetch(`${address}/api/jobs/${jobId}/plan-sheet?units=inch`)
    expect(answer.headers.get('content-type')).toBe('application/pdf')
    const file = join(mkdtempSync(join(tmpdir(), 'sheet-')), 'sheet.pdf')
    writeFileSync(file, Buffer.from(await answer.arrayBuffer()))
    const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' })
    const flat = text.replace(/\s+/g, ' ')
    let from = 0
    plan.steps.forEach((step, i) => {
      const at = flat.indexOf(`${i + 1}. ${step.title}`, from)
      expect(at, step.title).toBeGreaterThanOrEqual(from)
      from = at
    })
    for (const { tools, cautions } of plan.steps) {
      for (const { name } of tools) expect(flat).toContain(name)
      for (const one of cautions) expect(flat).toContain(`Caution: ${cautionWords(one)}`)
    }
    expect(flat).toContain('you wrote, threads showing on the rod: 7 threads')
    expect(flat).toContain('length of the pushrod: not written down')
    expect(flat).toMatch(/1 of \d+/)
  })

  it('is a calendar that another reader understands, one event for each stretch', async () => {
    const { jobId, plan } = await planned()
    const { address } = runningSuite('api')
    const start = '2026-11-30T08:00:00Z'
    const answer = await fetch(`${address}/api/jobs/${jobId}/plan-calendar?start=${start}`)
    expect(answer.headers.get('content-type')).toMatch(/^text\/calendar/)
    const events = new ICAL.Component(ICAL.parse(await answer.text()) as never)
      .getAllSubcomponents('vevent')
      .map((one) => new ICAL.Event(one))
    const places = plan.steps.filter(({ place }, i) => place !== plan.steps[i - 1]?.place)
    expect(events).toHaveLength(places.length)
    expect(events[0]!.startDate.toJSDate().toISOString()).toBe('2026-11-30T08:00:00.000Z')
    const minutes = plan.steps.reduce((sum, step) => sum + step.minutes[1], 0)
    const end = events.at(-1)!.endDate.toJSDate().getTime()
    expect((end - Date.parse(start)) / 60_000).toBeCloseTo(minutes, 1)
    expect(events.flatMap(({ description }) => description.split('\n'))).toEqual(
      plan.steps.map(({ title }) => title),
    )
  })

  it('is refused where there is none, and where the start is no moment', async () => {
    const { jobId } = await aJob(by)
    const none = await refused(call('GET', `/jobs/${jobId}/plan-sheet`))
    expect(none).toMatchObject({ status: 409, type: 'urn:mellow-anchor:no-plan' })
    expect((await refused(call('GET', `/jobs/${newId()}/plan-sheet`))).status).toBe(404)
    const bad = await refused(call('GET', `/jobs/${jobId}/plan-calendar?start=soon`))
    expect(bad.errors![0]!.path).toBe('/start')
  })
})

describe('the work at the boundary', () => {
  it('takes a bore only with the verdict that its figures come to', async () => {
    const { subject, jobId } = await aJob(by)
    const post = (payload: object) =>
      call('POST', `/jobs/${jobId}/entries`, anEntry(subject, by, 'boreCheck', payload as never))
    const check = { cylinder: 'slave', nominal: 19.05, surface: 'pit', verdict: 'reject' }
    expect((await post(check)).status).toBe(201)
    expect((await refused(post({ ...check, verdict: 'pass' }))).errors).toEqual([
      { path: '/payload/verdict', message: 'these figures come to reject' },
    ])
    expect((await refused(post({ ...check, bore: 19.05, piston: 19.2 }))).errors![0]!.path).toBe(
      '/payload/piston',
    )
    const adjust = anEntry(subject, by, 'adjust', { what: 'switch', from: 7, to: 61 })
    expect((await refused(call('POST', `/jobs/${jobId}/entries`, adjust))).errors).toEqual([
      { path: '/payload/to', message: 'Pedal switch must be 0 to 60 threads' },
    ])
  })
})

import { beforeAll, describe, expect, it } from 'vitest'
import type { JobLook, Shop } from '../../contract'
import {
  faultKind,
  findingKind,
  FINDINGS,
  knowledgeOf,
  priorsFrom,
  readingKind,
  READINGS,
  report,
  type Report,
} from '../../core/diagnosis'
import { fromArchetype } from '../../core/installation'
import {
  evidenceOf,
  fold,
  type Entry,
  type Kind,
  type Payloads,
  type Subject,
} from '../../core/journal'
import { openStops, questionOf } from '../../core/proof'
import { aJob, anEntry, aPerson, call, newId, refused } from './client'

const installation = fromArchetype('long-line')

const labelOf = (look: Report['looks'][number]) =>
  (look.kind === 'finding' ? findingKind(look.id) : readingKind(look.id)).label

/** What the core makes of the same entries. */
async function reckoned(jobId: string) {
  const { entries } = (await call<{ entries: Entry[] }>('GET', `/jobs/${jobId}`)).body
  const { record } = (await call<Shop>('GET', '/shop')).body
  const state = fold(entries)
  const stops = openStops(state, installation.circuit.master.portClosure)
  const { priors } = priorsFrom(record, '')
  return report(knowledgeOf(installation, priors), questionOf(evidenceOf(state), state, stops))
}

describe('the look ahead', () => {
  let by: string
  let jobId: string
  let subject: Subject
  const look = async () => (await call<JobLook>('GET', `/jobs/${jobId}/look`)).body
  const file = <K extends Kind>(kind: K, payload: Payloads[K]) =>
    call('POST', `/jobs/${jobId}/entries`, anEntry(subject, by, kind, payload))
  beforeAll(async () => {
    by = await aPerson()
    ;({ jobId, subject } = await aJob(by))
  })

  it('is what the core says of the job’s entries, and follows them', async () => {
    await file('complaint', { complaint: 'sinks' })
    const first = await look()
    const told = await reckoned(jobId)
    expect(first.act).toBeNull()
    expect(first.look).toEqual({ label: labelOf(told.looks[0]!), minutes: told.looks[0]!.minutes })
    expect(first.lead!.label).toBe(faultKind(told.suspects[0]!.fault).label)
    expect(first.lead!.chance).toBeCloseTo(told.suspects[0]!.chance, 9)

    await file('measurement', { reading: 'sink', value: 14, duration: 60, phase: 'asFound' })
    for (const finding of ['rodEndDamp', 'bootWet', 'levelLow'] as const)
      await file('finding', { finding, state: 'absent', phase: 'asFound' })
    const second = await look()
    expect(second.lead!.label).toBe(faultKind('masterBypass').label)
    expect(second.lead!.chance).toBeCloseTo((await reckoned(jobId)).suspects[0]!.chance, 9)
    expect(second.act).toBe('Renew the master, bleed')
    expect(await look()).toEqual(second)
  })

  it('follows the shop’s prices as well', async () => {
    const { settings } = (await call<Shop>('GET', '/shop')).body
    await call('PUT', '/shop', { ...settings, comeback: 20_000 })
    expect((await look()).act).toBeNull()
    await call('PUT', '/shop', settings)
    expect((await look()).act).toBe('Renew the master, bleed')
  })

  it('proposes nothing that a stop forbids', async () => {
    await file('finding', { finding: 'threadCrossed', state: 'present', phase: 'asFound' })
    const barred = new Set<string>(findingKind('threadCrossed').bars)
    const { label } = (await look()).look!
    const kind = [...FINDINGS, ...READINGS].find((one) => one.label === label)!
    expect(kind.needs.filter((need) => barred.has(need))).toEqual([])
    expect(label).toBe(labelOf((await reckoned(jobId)).looks[0]!))
  })

  it('of a job that is not there is refused', async () => {
    expect(await refused(call('GET', `/jobs/${newId()}/look`))).toMatchObject({
      status: 404,
      detail: 'There is no such job',
    })
  })
})

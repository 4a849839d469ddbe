import { beforeAll, describe, expect, it } from 'vitest'
import { whole } from '../../core/run'
import { learnRun, type BleedOutcome } from '../../core/bleed'
import { freeTravel } from '../../core/circuit'
import { fromArchetype } from '../../core/installation'
import type { Entry, Kind, Payloads } from '../../core/journal'
import { aJob, anEntry, aPerson, call, refused } from './client'

let by: string
beforeAll(async () => {
  by = await aPerson()
})
const { circuit } = fromArchetype('long-line')
/** Free travel of this vehicle with so much air, mm. */
const travel = (air: number) => Math.round(freeTravel({ ...circuit, air }))

type Said = { [K in Kind]: [kind: K, payload: Payloads[K]] }[Kind]
async function bled(...said: Said[]): Promise<string> {
  const { subject, jobId } = await aJob(by)
  for (const [kind, payload] of said) {
    const { status } = await call('POST', `/jobs/${jobId}/entries`, anEntry(subject, by, kind, payload))
    expect(status).toBeLessThan(300)
  }
  return jobId
}
const free = (value: number, phase: 'asFound' | 'working' | 'after'): Said => [
  'measurement',
  { reading: 'freeTravel', value, phase },
]
const cycle = (more: Partial<Payloads['bleedCycle']> = {}): Said => [
  'bleedCycle',
  { method: 'openPush', strokes: 4, cameOut: 'few', ...more },
]
const outcomes = async () => (await call<BleedOutcome[]>('GET', '/shop/bleed-outcomes')).body

describe('what a bleed files', () => {
  it('is kept as it was said: new methods, parts, tricks, what the pedal says, how it is set up', async () => {
    const said: Said[] = [
      ['bleedSetup', { people: 1, kit: ['vacuumPump'], vacuum: 55, dry: true }],
      cycle({ method: 'crackedUnion', cameOut: 'notSeen', phase: 'fill' }),
      ['bleedCycle', { method: 'reservoirVacuum', cameOut: 'foam', seconds: 180, phase: 'flush' }],
      ['trick', { trick: 'noseUp', degrees: 12 }],
      ['pedalSays', { says: 'free', mm: 30 }],
    ]
    const id = await bled(...said)
    const { body } = await call<{ entries: Entry[] }>('GET', `/jobs/${id}`)
    const kept = body.entries.filter(({ kind }) => kind !== 'goal')
    expect(kept.map(({ kind, payload }) => [kind, payload])).toEqual(said)
  })
  it.each([
    ['bleedCycle', { method: 'magic', cameOut: 'few' }, '/payload/method'],
    ['bleedCycle', { method: 'openPush', cameOut: 'few', seconds: -1 }, '/payload/seconds'],
    ['bleedCycle', { method: 'openPush', cameOut: 'few', phase: 'rinse' }, '/payload/phase'],
    ['trick', { trick: 'noseUp', degrees: 500 }, '/payload/degrees'],
    ['trick', { trick: 'prayer' }, '/payload/trick'],
    ['pedalSays', { says: 'free', mm: 4000 }, '/payload/mm'],
    ['bleedSetup', { people: 3, kit: [] }, '/payload/people'],
    ['bleedSetup', { people: 2, kit: ['wand'] }, '/payload/kit/0'],
    [
      'bleedSetup',
      { people: 2, kit: [], override: { by: ' ', words: 'because' } },
      '/payload/override/by',
    ],
  ] as const)('%s %j is refused at %s', async (kind, payload, path) => {
    const { subject, jobId } = await aJob(by)
    const entry = anEntry(subject, by, kind, payload as never)
    const problem = await refused(call('POST', `/jobs/${jobId}/entries`, entry))
    expect(problem.status).toBe(422)
    expect(problem.errors!.map((one) => one.path)).toContain(path)
  })
})

describe('how the shop’s bleeds went', () => {
  it('are told with air before and after, where both were measured', async () => {
    const before = (await outcomes()).length
    await bled(
      free(travel(3000), 'asFound'),
      cycle(),
      cycle({ cameOut: 'clear' }),
      free(travel(400), 'after'),
    )
    // Nothing measured after it, or only before: nothing to learn from.
    await bled(free(travel(3000), 'asFound'), cycle())
    // As found says nothing of a circuit that was opened since.
    await bled(
      free(travel(3000), 'asFound'),
      ['workDone', { operation: 'slave' }],
      cycle(),
      free(travel(300), 'after'),
    )
    const all = await outcomes()
    expect(all.length).toBe(Math.min(24, before + 1))
    const [newest] = all
    expect(newest!.routing).toBe('crest')
    expect(newest!.cycles).toHaveLength(2)
    expect(newest!.before).toBeCloseTo(3, 0)
    expect(newest!.after).toBeCloseTo(0.4, 0)
    // As it comes over the wire it can be learnt from.
    expect(whole(learnRun([newest!])).count).toBe(1)
  })
})

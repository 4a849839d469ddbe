import { describe, expect, it } from 'vitest'
import { cycle, entry, reading } from '../../tests/arbitrary/entry'
import { fold, type Entry, type JobKind, type Payloads } from '../journal'
import { nextStep, openStops } from '.'

type Step = { [K in keyof Payloads]: [K, Payloads[K]] }[keyof Payloads]
const goal = (jobKind: JobKind): Step => ['goal', { jobKind, wanted: 'Right again' }]
const stepAfter = (steps: Step[], portClosure = 1.2) => {
  const state = fold(
    steps.map(
      ([kind, payload], i) => entry(i + 1, kind as 'note', payload as { words: string }) as Entry,
    ),
  )
  return nextStep(state, openStops(state, portClosure))
}
const cracked: Step = ['finding', { finding: 'forkCracked', state: 'present', phase: 'asFound' }]
const decided: Step = [
  'decision',
  {
    scope: 'proven',
    way: 'replace',
    first: 'part',
    repairs: ['master'],
    reasons: [],
    minutes: 120,
    money: 78,
    comebackRisk: 0.1,
  },
]
const pass: Step = ['verdict', { outcome: 'pass', reasons: [] }]

describe('the next step of a job', () => {
  it('goes along the road as its entries do', () => {
    const road: Step[] = [goal('fault'), ['complaint', { complaint: 'sinks' }]]
    expect(stepAfter(road)).toEqual({ to: 'look' })
    expect(stepAfter([...road, decided])).toEqual({ to: 'repair', words: 'Renew the master, bleed' })
    const bled: Step[] = [
      ...road,
      decided,
      ['bleedCycle', cycle('few')],
      ['bleedCycle', cycle('clear')],
      ['bleedCycle', cycle('clear')],
    ]
    expect(stepAfter(bled)).toEqual({ to: 'bleed', cycles: 3, clearInRow: 2 })
    const measured: Step[] = [...bled, ['measurement', reading('freeTravel', 12, 'after')]]
    // Take-up height, sink and rod clearance are still to be measured.
    expect(stepAfter(measured)).toEqual({ to: 'prove', owed: 3 })
    expect(stepAfter([...measured, pass])).toEqual({ to: 'handOver' })
  })

  it('a stop comes before everything, even a verdict, until it is mended or taken over', () => {
    expect(stepAfter([goal('fault'), decided, cracked])).toMatchObject({
      to: 'mend',
      stop: 'forkCracked',
    })
    expect(stepAfter([goal('fault'), cracked, pass])).toMatchObject({ to: 'mend' })
    const taken: Step = ['takenOver', { stop: 'forkCracked', reason: 'Towed to the welder.' }]
    expect(stepAfter([goal('fault'), decided, cracked, taken])).toMatchObject({ to: 'repair' })
    const mended: Step = ['finding', { finding: 'forkCracked', state: 'absent', phase: 'working' }]
    expect(stepAfter([goal('fault'), cracked, mended])).toEqual({ to: 'look' })
  })

  it('a rod measured too long is such a stop', () => {
    const rod = (mm: number): Step => ['measurement', reading('rodClearance', mm)]
    expect(stepAfter([goal('fault'), rod(-1.5)])).toMatchObject({ to: 'mend', stop: 'rodClearance' })
    expect(stepAfter([goal('fault'), rod(0.3)])).toEqual({ to: 'look' })
  })

  it('a job without a complaint enters where its kind does', () => {
    expect(stepAfter([goal('fluidService')])).toEqual({ to: 'enter', stage: 'bleed' })
    expect(stepAfter([goal('refresh')])).toEqual({ to: 'enter', stage: 'choose' })
    expect(stepAfter([goal('refresh'), ['complaint', { complaint: 'soft' }]])).toEqual({ to: 'look' })
    expect(stepAfter([goal('afterOtherWork')])).toEqual({ to: 'look' })
  })
})

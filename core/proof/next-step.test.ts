import { describe, expect, it } from 'vitest'
import { cycle, entry, reading } from '../../tests/arbitrary/entry'
import { fold, type Entry, type JobKind, type Payloads } from '../journal'
import { chooseOwed, nextStep, openStops } from '.'

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

  const nut = { thread: '3/8-24', gender: 'male', seat: 'doubleFlare' } as const
  const port = { thread: 'M10x1', gender: 'female', seat: 'doubleFlare' } as const
  const joint = (verdict: 'joins' | 'refused' | null): Step => [
    'joint',
    { at: 'slavePort', a: nut, b: verdict ? port : null, verdict, reasons: [] },
  ]
  it('a joint that does not join comes before the repair, until another part is checked', () => {
    const road = [goal('fault'), decided]
    expect(stepAfter([...road, joint('refused')])).toEqual({ to: 'joint', at: 'slavePort' })
    expect(stepAfter([...road, joint('refused'), joint('joins')])).toMatchObject({ to: 'repair' })
    expect(stepAfter([...road, joint(null)])).toMatchObject({ to: 'repair' })
  })

  it('an upgrade is sized first, and what was decided says which joints are owed', () => {
    expect(stepAfter([goal('upgrade')])).toEqual({ to: 'size' })
    const plan: Step = [
      'circuitPlan',
      { changes: [{ change: 'field', field: 'slave.bore', value: 22.2 }], waitKm: 500 },
    ]
    expect(stepAfter([goal('upgrade'), plan])).toEqual({ to: 'enter', stage: 'choose' })
    const owed = (...steps: Step[]) =>
      chooseOwed(
        fold(
          steps.map(([kind, payload], i) => entry(i + 1, kind as 'note', payload as { words: string })),
        ),
      )
    expect(owed(goal('fault'), decided)).toMatchObject({
      refused: [],
      unchecked: ['masterOutlet'],
      plan: false,
    })
    expect(owed(goal('fault'), decided, ['bleedCycle', cycle('few')]).unchecked).toEqual([])
    expect(owed(goal('upgrade')).plan).toBe(true)
  })

  it('the wrong fluid stops, by what is inside and by what was filled onto it', () => {
    const inside = (kind: 'mineral' | 'dot4', wanted?: 'dot4'): Step => [
      'fluidInside',
      { kind, ...(wanted && { wanted }) },
    ]
    const used = (kind: 'dot4' | 'dot5'): Step => [
      'fluidUsed',
      { container: '01ARZ3NDEKTSV4RRFFQ69G5FAV', volume: 50_000, kind },
    ]
    expect(stepAfter([goal('fault'), inside('mineral', 'dot4')])).toMatchObject({
      to: 'mend',
      stop: 'fluidWrong',
    })
    expect(stepAfter([goal('fault'), inside('mineral')])).toEqual({ to: 'look' })
    expect(stepAfter([goal('fault'), inside('dot4'), used('dot4')])).toEqual({ to: 'look' })
    expect(stepAfter([goal('fault'), inside('dot4'), used('dot5')])).toMatchObject({ to: 'mend' })
    expect(stepAfter([goal('fault'), inside('mineral', 'dot4'), inside('dot4')])).toEqual({
      to: 'look',
    })
  })
})

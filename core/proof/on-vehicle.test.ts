import { describe, expect, it } from 'vitest'
import { entry as made } from '../../tests/arbitrary/entry'
import { fromArchetype } from '../installation'
import { evidenceOf, fold, type Entry, type Kind, type Payloads } from '../journal'
import { RECORDS } from '../plan'
import { formatOf } from '../quantity'
import {
  heldNow,
  isProven,
  isRecorded,
  judge,
  leftOver,
  nextStep,
  openStops,
  reasonWords,
  recalled,
  RECORD_WORDS,
} from '.'

let count = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K], more: Partial<Entry> = {}): Entry =>
  made(++count, kind, payload, more)
const car = fromArchetype('small-car')
const done = (step: string) => entry('step', { step, act: 'done' })
const left = (...entries: Entry[]) =>
  leftOver(fold(entries)).map(({ half, words }) => `${half}: ${words}`)
const next = (...entries: Entry[]) => {
  const state = fold(entries)
  return nextStep(state, openStops(state))
}
const decided = (way: 'replace' | 'rebuild', more: Partial<Entry> = {}) =>
  entry(
    'decision',
    {
      scope: 'proven',
      way,
      first: 'part',
      repairs: ['slave'],
      reasons: [],
      minutes: 60,
      money: 50,
      comebackRisk: 0.1,
    },
    more,
  )
const bore = (verdict: 'pass' | 'reject', more: Partial<Payloads['boreCheck']> = {}) =>
  entry('boreCheck', {
    cylinder: 'slave',
    nominal: 19.05,
    surface: verdict === 'pass' ? 'clean' : 'pit',
    verdict,
    ...more,
  })

describe('the ledger of a job', () => {
  it('holds what was put on and taken off until it is off and back, whoever told it', () => {
    const clamp = entry('putOn', { item: 'clamp', place: 'feed hose' })
    const bolts = entry('removed', { item: 'fastener', place: '3 bolts, undertray', bag: 'bag 1' })
    expect(left(clamp, bolts)).toEqual([
      'on: clamp, feed hose',
      'off: fasteners, 3 bolts, undertray (bag 1)',
    ])
    expect(left(clamp, bolts, entry('takenOff', { of: clamp.id }))).toHaveLength(1)
    expect(
      left(clamp, bolts, entry('takenOff', { of: clamp.id }), entry('refitted', { of: bolts.id })),
    ).toEqual([])
    // Taken back, the clamp is on again.
    const off = entry('takenOff', { of: clamp.id })
    expect(left(clamp, off, entry('withdrawal', {}, { withdraws: off.id }))).toEqual([
      'on: clamp, feed hose',
    ])
  })

  it('knows what the steps that are done have put on', () => {
    expect(left(done('access.ignition'), done('renewMaster.tag'), done('renewMaster.clamp'))).toEqual([
      'on: clamp on the feed hose',
      'on: pedal tagged',
      'on: ignition off',
    ])
    const state = fold([done('renewMaster.clamp')])
    expect([...heldNow(state)]).toEqual(['feedClamped'])
  })

  it('keeps a verdict from passing and the vehicle from being handed over', () => {
    const clamp = entry('putOn', { item: 'clamp', place: 'feed hose' })
    const { verdict } = judge(car, fold([clamp]))
    const said = verdict.reasons.find(({ rule }) => rule === 'ledger')!
    expect(said).toMatchObject({ outcome: 'notYet', figure: 1 })
    expect(reasonWords(said, formatOf('metric'))).toBe(
      'Still on, or not back in its place: clamp, feed hose',
    )
    expect(judge(car, fold([])).verdict.reasons.some(({ rule }) => rule === 'ledger')).toBe(false)
    const passed = entry('verdict', { outcome: 'pass', reasons: [] })
    expect(isProven(fold([passed]))).toBe(true)
    expect(isProven(fold([passed, entry('putOn', { item: 'tag', place: 'pedal' })]))).toBe(false)
    // What was on before it was proven, and is still on.
    const before = entry('putOn', { item: 'cover', place: 'wing' })
    expect(next(before, entry('verdict', { outcome: 'pass', reasons: [] }))).toEqual({
      to: 'putBack',
      left: 1,
      words: 'cover, wing',
    })
  })

  it('is what the bench says of a job that is being worked', () => {
    const plan = entry('workPlan', { packages: [{ id: 'renewSlave' }], people: 1, seed: 1 })
    expect(next(plan, done('access.ignition'))).toEqual({
      to: 'work',
      told: 1,
      left: 1,
      words: 'ignition off',
    })
  })
})

describe('a bore that is rejected', () => {
  it('stops the job where its cylinder would be rebuilt, and is evidence', () => {
    const state = fold([decided('rebuild'), bore('reject')])
    expect(openStops(state).map(({ stop }) => stop)).toEqual(['borePitted'])
    expect(evidenceOf(state).findings.borePitted).toBe('present')
    expect(nextStep(state, openStops(state))).toMatchObject({ to: 'mend', stop: 'borePitted' })
  })
  it('stops nothing once it is renewed, by the decision or by the plan', () => {
    expect(openStops(fold([decided('replace'), bore('reject')]))).toEqual([])
    const plan = entry('workPlan', { packages: [{ id: 'renewSlave' }], people: 1, seed: 1 })
    expect(openStops(fold([decided('rebuild'), bore('reject'), plan]))).toEqual([])
    const both = entry('workPlan', { packages: [{ id: 'rebuildSlave' }], people: 1, seed: 1 })
    expect(openStops(fold([decided('replace'), bore('reject'), both]))).toHaveLength(1)
  })
  it('of another cylinder than the one that is rebuilt stops nothing', () => {
    const master = bore('reject', { cylinder: 'master' })
    expect(openStops(fold([decided('rebuild'), master]))).toEqual([])
  })
  it('is sound where it is judged so, and what is said of it later counts', () => {
    expect(evidenceOf(fold([bore('pass')])).findings.borePitted).toBe('absent')
    const said = entry(
      'finding',
      { finding: 'borePitted', state: 'absent', phase: 'working' },
      { at: '2026-11-25T08:00:00.000Z' },
    )
    expect(evidenceOf(fold([bore('reject'), said])).findings.borePitted).toBe('absent')
  })
})

describe('what was written down', () => {
  const metric = formatOf('metric')
  it('comes back as the figure that is needed', () => {
    const state = fold([
      entry('asFound', { item: 'threadsOnRod', value: 7, unit: 'threads' }),
      entry('asFound', { item: 'routing', words: 'behind the steering column' }),
      entry('measurement', { reading: 'padHeight', value: 172, phase: 'asFound' }),
      entry('removed', { item: 'fastener', place: '2 nuts, master', bag: 'bag 3' }),
      entry('parameter', { field: 'master.outletAngle', value: 30 }),
    ])
    const was = (name: (typeof RECORDS)[number]) =>
      recalled(state, { ...car, master: { ...car.master, outletAngle: 30 } }, name, metric)
    expect(was('threadsOnRod')).toBe('7 threads')
    expect(was('routing')).toBe('behind the steering column')
    expect(was('padHeight')).toBe('172 mm')
    expect(was('fasteners')).toBe('fasteners, 2 nuts, master (bag 3)')
    expect(was('outletAngle')).toBe('30°')
    expect(was('clips')).toBeNull()
    for (const name of RECORDS) expect(isRecorded(state, name)).toBe(was(name) !== null)
  })
  it('has a name and a way to be filed for every record of a plan', () => {
    for (const name of RECORDS) expect(RECORD_WORDS[name]).toMatch(/^[a-z]/)
    expect(isRecorded(fold([]), 'nothing')).toBe(false)
  })
})

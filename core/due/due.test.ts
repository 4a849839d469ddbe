import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cycle, entry as made } from '../../tests/arbitrary/entry'
import { circuitVolume, neededFor } from '../fluid'
import { fromArchetype } from '../installation'
import { fold, type Entry, type Kind, type Payloads } from '../journal'
import { formatOf } from '../quantity'
import { cameBack, dueOf, dueWords, fluidChanged, monthsAfter, USUAL_MONTHS } from '.'

let n = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K], at = '2026-11-20T08:00:00.000Z'): Entry =>
  made(++n, kind, payload, { at })
const car = fromArchetype('small-car')

describe('months', () => {
  // Worked out by hand: a day that the month has not becomes its last.
  it.each([
    ['2024-01-31T10:00:00.000Z', 1, '2024-02-29'],
    ['2023-01-31T10:00:00.000Z', 1, '2023-02-28'],
    ['2024-02-29T10:00:00.000Z', 24, '2026-02-28'],
    ['2026-11-27T10:00:00.000Z', -36, '2023-11-27'],
    ['2026-12-31T23:59:59.000Z', 6, '2027-06-30'],
  ])('%s and %i months is %s', (from, months, day) => {
    expect(monthsAfter(from, months).slice(0, 10)).toBe(day)
  })
  it('go forward and back to the same month', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1990-01-01'), max: new Date('2090-01-01'), noInvalidDate: true }),
        fc.integer({ min: 0, max: 240 }),
        (from, months) => {
          const back = monthsAfter(monthsAfter(from.toISOString(), months), -months)
          expect(back.slice(0, 7)).toBe(from.toISOString().slice(0, 7))
        },
      ),
    )
  })
})

describe('what is owed', () => {
  it('is each look again until its own verdict is filed, and no other', () => {
    const verdict = entry('verdict', { outcome: 'pass', reasons: [] })
    const week = entry('recheck', { of: verdict.id, due: '2026-11-27', rules: ['reserve'] })
    const far = entry('recheck', { of: verdict.id, atKm: 85_000, rules: ['sink'] })
    const before = dueOf(fold([verdict, week, far]), car, null)
    expect(before.map(({ id, due, atKm }) => [id, due, atKm])).toEqual([
      [week.id, '2026-11-27', null],
      [far.id, null, 85_000],
    ])
    const again = entry('verdict', { outcome: 'pass', reasons: [], recheck: week.id })
    const after = dueOf(fold([verdict, week, far, again]), car, null)
    expect(after.map(({ id }) => id)).toEqual([far.id])
    expect(dueWords(after[0]!, formatOf('metric'))).toBe('Look again: sink under a held foot')
  })

  it('is a repair put off until that repair is done, later', () => {
    const early = entry('workDone', { operation: 'hose' }, '2026-11-19T08:00:00.000Z')
    const off = entry('deferred', { repair: 'hose', watch: 'freeTravel', limit: 45 })
    expect(dueOf(fold([early, off]), car, null).map(({ kind }) => kind)).toEqual(['deferred'])
    const late = entry('workDone', { operation: 'hose' }, '2026-11-21T08:00:00.000Z')
    expect(dueOf(fold([early, off, late]), car, null)).toEqual([])
  })

  it('is a repair put off until a step of its plan is done', () => {
    const off = entry('deferred', { repair: 'hose', watch: 'freeTravel', limit: 45 })
    const step = entry('step', { step: 'renewHose.on', act: 'done' }, '2026-11-21T08:00:00.000Z')
    expect(dueOf(fold([off, step]), car, null)).toEqual([])
  })

  it('is what was promised until it is done, and a change put off by distance', () => {
    const boot = entry('followUp', { what: 'boot', due: '2026-12-01' })
    const mileage = entry('measurement', { reading: 'mileage', value: 84_000, phase: 'asFound' })
    const plan = entry('circuitPlan', { changes: [], waitKm: 10_000 } as never)
    const items = dueOf(fold([boot, mileage, plan]), car, null)
    expect(items.map(({ kind, due, atKm }) => [kind, due, atKm])).toEqual([
      ['followUp', '2026-12-01', null],
      ['circuitPlan', null, 94_000],
    ])
    const done = entry('followUp', { what: 'boot', due: '2026-12-01', done: true })
    expect(dueOf(fold([boot, done]), car, null)).toEqual([])
  })

  it('is the fluid by its maker’s schedule, else two years after it was changed', () => {
    const flushed = entry('workDone', { operation: 'flush' }, '2026-03-05T08:00:00.000Z')
    expect(dueOf(fold([flushed]), car, null)).toMatchObject([
      { kind: 'fluid', due: '2028-03-05', payload: { months: USUAL_MONTHS, by: 'usual' } },
    ])
    const [maker] = dueOf(fold([flushed]), car, { kind: 'glycol4', everyMonths: 12 } as never)
    expect(maker).toMatchObject({ due: '2027-03-05', payload: { by: 'maker' } })
    const asked = entry('measurement', { reading: 'fluidAge', value: 30, phase: 'asFound' })
    expect(fluidChanged(fold([asked]), car)!.slice(0, 10)).toBe('2024-05-20')
    // Work tells more than memory.
    expect(fluidChanged(fold([asked, flushed]), car)).toBe('2026-03-05T08:00:00.000Z')
    expect(fluidChanged(fold([]), car)).toBeNull()
  })

  it('is the soonest day first, then the nearest distance, and last what has neither', () => {
    const items = dueOf(
      fold([
        entry('followUp', { what: 'far', atKm: 90_000 }),
        entry('followUp', { what: 'some day' }),
        entry('followUp', { what: 'late', due: '2027-02-01' }),
        entry('followUp', { what: 'near', atKm: 85_000 }),
        entry('deferred', { repair: 'hose', watch: 'freeTravel', limit: 45, atKm: 87_000 }),
        entry('followUp', { what: 'later on that day', due: '2026-12-01', atKm: 86_000 }),
        entry('followUp', { what: 'early', due: '2026-12-01', atKm: 84_000 }),
      ]),
      car,
      null,
    )
    expect(items.map(({ due, atKm }) => [due, atKm])).toEqual([
      ['2026-12-01', 84_000],
      ['2026-12-01', 86_000],
      ['2027-02-01', null],
      [null, 85_000],
      [null, 87_000],
      [null, 90_000],
      [null, null],
    ])
  })

  it('counts a flush for a change, and no other bleeding', () => {
    const bled = (phase: 'fill' | 'flush' | 'finish') =>
      entry('bleedCycle', { ...cycle('clear'), phase }, '2026-11-20T09:00:00.000Z')
    expect(fluidChanged(fold([bled('fill'), bled('finish')]), car)).toBeNull()
    expect(fluidChanged(fold([bled('flush')]), car)).toBe('2026-11-20T09:00:00.000Z')
  })

  it('counts what the slave holds into what a change takes', () => {
    const whole = neededFor('bleed', circuitVolume(car.circuit, 3000), car.reservoir.usable)
    const bigger = { ...car, slave: { ...car.slave, chamber: 3000 } }
    const used = (volume: number) =>
      fold([entry('fluidUsed', { container: '00000000000000000000000009', volume })])
    expect(fluidChanged(used(whole), bigger)).not.toBeNull()
    expect(fluidChanged(used(whole - 1), bigger)).toBeNull()
  })

  it('counts a fill for a change where it is as much as the circuit takes', () => {
    const used = (volume: number) =>
      entry('fluidUsed', { container: '00000000000000000000000009', volume })
    expect(fluidChanged(fold([used(5000)]), car)).toBeNull()
    expect(fluidChanged(fold([used(200_000), used(200_000)]), car)).not.toBeNull()
  })
})

describe('a comeback', () => {
  const opened = { openedAt: '2026-11-27T08:00:00.000Z', complaints: ['soft', 'grinds'] as never[] }
  const job = (id: string, provenAt: string | null, complaints: string[]) => ({
    id,
    provenAt,
    complaints: complaints as never[],
  })
  // Written before the code was run on it.
  it.each([
    ['the same complaint, two weeks on', [job('a', '2026-11-13T08:00:00.000Z', ['soft'])], 'a'],
    ['one of its two complaints', [job('a', '2026-11-13T08:00:00.000Z', ['leak', 'soft'])], 'a'],
    ['proven as this was opened', [job('a', '2026-11-27T08:00:00.000Z', ['soft'])], 'a'],
    ['another complaint', [job('a', '2026-11-13T08:00:00.000Z', ['leak'])], null],
    ['never proven', [job('a', null, ['soft'])], null],
    ['proven after this was opened', [job('a', '2026-11-27T09:00:00.000Z', ['soft'])], null],
    ['a year and a day ago', [job('a', '2025-11-26T08:00:00.000Z', ['soft'])], null],
    ['just within the year', [job('a', '2025-11-28T08:00:00.000Z', ['soft'])], 'a'],
    [
      'the last of several',
      [
        job('a', '2026-03-01T08:00:00.000Z', ['soft']),
        job('b', '2026-09-01T08:00:00.000Z', ['grinds']),
      ],
      'b',
    ],
  ])('%s', (_, before, expected) => {
    expect(cameBack(opened, before)).toBe(expected)
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { entry as made } from '../../tests/arbitrary/entry'
import { READING_NAMES } from '../diagnosis'
import { fold, type Entry, type Kind, type Payloads } from '../journal'
import { formatOf } from '../quantity'
import { dueOf, dueWords, isReached, type DeferredDue, type Watched } from '.'

let n = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K], day: string): Entry =>
  made(++n, kind, payload, { at: `${day}T08:00:00.000Z` })
/** A job of the vehicle before this one. */
const JOB = '01HEARLIER0000000000000000'
const read = (value: number, at: string, phase: 'asFound' | 'working' | 'after' = 'asFound') =>
  entry('measurement', { reading: 'freeTravel', value, phase }, at)
const hose = { repair: 'hose', watch: 'freeTravel', limit: 45 } as const
const owedOf = (entries: Entry[], before: Watched[] = []) =>
  dueOf(fold(entries), null, null, before).map(({ id, due, payload }) => ({
    id,
    due,
    payload: payload as DeferredDue,
  }))

describe('the watch of a repair put off', () => {
  // Written before the code was run on it: what is watched, its limit, what was read at the time, what is read now.
  it.each([
    ['freeTravel', 45, 30, 44.9, false],
    ['freeTravel', 45, 30, 45, true],
    ['freeTravel', 45, undefined, 50, true],
    ['takeUpHeight', 20, 35, 21, false],
    ['takeUpHeight', 20, 35, 20, true],
    ['takeUpHeight', 20, undefined, 18, true],
    ['takeUpHeight', 20, undefined, 30, false],
    ['rodStroke', 8, 9.5, 8.4, false],
    ['rodStroke', 8, 9.5, 7.6, true],
    ['rodClearance', 1.5, 0.6, 1.6, true],
    ['rodClearance', 0.2, 0.6, 0.1, true],
    ['sink', 6, 3, 5, false],
    ['mileage', 90_000, 84_000, 90_100, true],
    // Put off at its limit already: the way that it usually goes.
    ['reserve', 15, 15, 14, true],
    ['freeTravel', 45, 45, 44, false],
  ] as const)(
    '%s to %f, %s when it was put off, is %f now: %s',
    (watch, limit, was, value, reached) => {
      const due = { repair: 'hose', watch, limit, ...(was !== undefined && { was }) } as const
      expect(isReached(due, value)).toBe(reached)
    },
  )

  it('stays reached the further the reading goes on the same way', () => {
    const figure = fc.double({ min: 0, max: 100, noNaN: true })
    fc.assert(
      fc.property(
        fc.constantFrom(...READING_NAMES),
        figure,
        fc.option(figure, { nil: undefined }),
        figure,
        figure,
        (watch, limit, was, value, more) => {
          const due = { repair: 'hose', watch, limit, ...(was !== undefined && { was }) } as const
          fc.pre(isReached(due, value))
          const way = isReached(due, limit + 1) ? 1 : -1
          expect(isReached(due, value + way * more)).toBe(true)
        },
      ),
    )
  })

  it('is due on the day of the reading that comes to the limit, or by the day that was set', () => {
    const off = entry('deferred', { ...hose, until: '2027-03-01' }, '2026-11-20')
    expect(owedOf([read(30, '2026-11-19'), off])).toMatchObject([
      { id: off.id, due: '2027-03-01', payload: { was: 30 } },
    ])
    const [due] = owedOf([read(30, '2026-11-19'), off, read(46, '2026-12-05', 'after')])
    expect(due).toMatchObject({ due: '2026-12-05', payload: { was: 30 } })
    expect(due!.payload.reached).toEqual({ value: 46, at: '2026-12-05T08:00:00.000Z' })
    const words = dueWords({ kind: 'deferred', ...due!, atKm: null }, formatOf('metric'))
    expect(words).toBe(
      'Renew the hose, put off: free travel at the pad is 46.0 mm, the limit was 45.0 mm',
    )
  })

  it('is not called by what was read before, nor by what the pedal says while it is being bled', () => {
    const off = entry('deferred', hose, '2026-11-20')
    expect(owedOf([read(50, '2026-11-19'), off])).toMatchObject([{ due: null, payload: { was: 50 } }])
    expect(owedOf([off, read(90, '2026-11-21', 'working')])).toMatchObject([{ due: null }])
  })

  it('is kept by a later job of the vehicle, until the repair is done or put off anew', () => {
    const first = entry('deferred', hose, '2026-11-20')
    const [own] = owedOf([read(30, '2026-11-19'), first])
    const before = [{ id: first.id, jobId: JOB, payload: own!.payload }]
    const found = read(47, '2027-02-01')
    expect(owedOf([read(40, '2027-02-01')], before)).toEqual([])
    expect(owedOf([], before)).toEqual([])
    expect(owedOf([found], before)).toMatchObject([
      { id: first.id, due: '2027-02-01', payload: { ofJob: JOB, reached: { value: 47 } } },
    ])
    const done = entry('workDone', { operation: 'hose' }, '2027-02-02')
    expect(owedOf([found, done], before)).toEqual([])
    const anew = entry('deferred', { ...hose, limit: 60 }, '2027-02-02')
    expect(owedOf([found, anew], before)).toMatchObject([{ id: anew.id, due: null }])
    // Mended and measured again: it is no longer called for.
    expect(owedOf([found, read(20, '2027-02-03', 'after')], before)).toEqual([])
  })
})

import { describe, expect, it } from 'vitest'
import { entry as made } from '../../tests/arbitrary/entry'
import { fold, type Entry, type Kind, type Payloads } from '../journal'
import { fromBefore, type OwedBy } from '.'

let n = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K]): Entry =>
  made(++n, kind, payload, { at: '2027-02-01T08:00:00.000Z' })
const HERE = '01HHERE0000000000000000000'
const BEFORE = '01HBEFORE00000000000000000'
const TODAY = '2027-02-01'

const common = { jobId: BEFORE, due: null, atKm: null }
const hose: OwedBy = {
  ...{ ...common, kind: 'deferred', id: 'hose' },
  payload: { repair: 'hose', watch: 'freeTravel', limit: 45, was: 30 },
}
const boot: OwedBy = { ...common, kind: 'followUp', id: 'boot', payload: { what: 'boot' } }
const fluid = (due: string): OwedBy => ({
  ...{ ...common, kind: 'fluid', id: 'fluid', due },
  payload: { changed: '2025-02-01', months: 24, by: 'usual' },
})
const seen = (items: OwedBy[], ...entries: Entry[]) =>
  fromBefore(fold(entries), HERE, items, TODAY).map(({ id, isDue }) => [id, isDue])
const read = (reading: 'freeTravel' | 'mileage', value: number) =>
  entry('measurement', { reading, value, phase: 'asFound' })

describe('what earlier jobs left owed', () => {
  it('stands with the next job, what is due first', () => {
    expect(seen([hose, boot])).toEqual([
      ['hose', false],
      ['boot', false],
    ])
    expect(seen([hose, { ...boot, due: TODAY }])).toEqual([
      ['boot', true],
      ['hose', false],
    ])
    expect(seen([{ ...boot, due: '2027-02-02' }])).toEqual([['boot', false]])
    expect(seen([])).toEqual([])
  })
  it('is due by the clock’s reading', () => {
    const far = { ...boot, atKm: 85_000 }
    expect(seen([far], read('mileage', 84_999))).toEqual([['boot', false]])
    expect(seen([far], read('mileage', 85_000))).toEqual([['boot', true]])
  })
  it('is a repair put off as its watch reads here and now, whatever was kept of it', () => {
    expect(seen([hose], read('freeTravel', 44))).toEqual([['hose', false]])
    expect(seen([hose], read('freeTravel', 46))).toEqual([['hose', true]])
    const called: OwedBy = {
      ...hose,
      ...{ jobId: HERE, due: TODAY },
      payload: { ...hose.payload, ofJob: BEFORE, reached: { value: 50, at: TODAY } },
    }
    expect(seen([called], read('freeTravel', 44))).toEqual([['hose', false]])
    expect(seen([{ ...hose, due: TODAY, payload: { ...hose.payload, until: TODAY } }])).toEqual([
      ['hose', true],
    ])
  })
  it('is no repair that is done here or put off here, and nothing that this job says itself', () => {
    expect(seen([hose], entry('workDone', { operation: 'hose' }))).toEqual([])
    const anew = entry('deferred', { repair: 'hose', watch: 'freeTravel', limit: 60 })
    expect(seen([hose], anew)).toEqual([])
    expect(
      seen([
        { ...hose, jobId: HERE },
        { ...boot, jobId: HERE },
      ]),
    ).toEqual([])
  })
  it('is fluid once it is of age', () => {
    expect(seen([fluid('2027-02-02')])).toEqual([])
    expect(seen([fluid('2027-02-01')])).toEqual([['fluid', true]])
  })
})

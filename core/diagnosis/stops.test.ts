import { describe, expect, it } from 'vitest'
import { FINDINGS } from './findings'
import { stopsOf } from './stops'

const stops = (
  findings: Parameters<typeof stopsOf>[0]['findings'],
  clearance?: number,
  portClosure: number | null = 1.2,
) =>
  stopsOf(
    { findings, readings: clearance === undefined ? {} : { rodClearance: { value: clearance } } },
    portClosure,
  ).map(({ stop }) => stop)

describe('what stops work', () => {
  it('is each stop-work finding by itself, and nothing that is absent', () => {
    for (const { id, stop, stopsOnly } of FINDINGS) {
      expect(stops({ [id]: 'present' }), id).toEqual(stop && !stopsOnly ? [id] : [])
      expect(stops({ [id]: 'absent' })).toEqual([])
    }
    expect(stopsOf({ findings: { borePitted: 'present' }, readings: {} }, 1, true)).toHaveLength(1)
  })

  it('is a rod without play beside a slave that will not go back, felt or measured', () => {
    expect(stops({ pushBackStiff: 'present' })).toEqual([])
    expect(stops({ pushBackStiff: 'present', rodTight: 'present' })).toEqual(['wayHomeShut'])
    expect(stops({ pushBackStiff: 'present' }, 0)).toEqual(['wayHomeShut'])
    expect(stops({ pushBackStiff: 'present', rodTight: 'present', wayHomeShut: 'absent' })).toEqual([])
    expect(stops({ pushBackStiff: 'present' }, 0.6)).toEqual([])
  })

  it('is a rod that measures too long, not one that may be right', () => {
    expect(stops({}, -0.5)).toEqual(['rodClearance'])
    expect(stops({}, -2)).toEqual(['rodClearance'])
    expect(stops({}, 0)).toEqual([])
    expect(stops({}, -2, null)).toEqual([])
  })

  it('is a low level where the clutch draws from under the brakes’ mark', () => {
    expect(stops({ takeOffLow: 'present', levelLow: 'present' })).toEqual(['brakeLevelLow'])
    expect(stops({ takeOffLow: 'absent', levelLow: 'present' })).toEqual([])
  })
})

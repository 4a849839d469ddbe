import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { numberIn, shown } from '../../core/quantity'
import { readWithin } from './number'

describe('a typed number', () => {
  it.each([
    ['42', 42],
    [' 4,5 ', 4.5],
    ['-0.6', -0.6],
    ['−0.6', -0.6],
    ['', null],
    ['4.', null],
    ['1e3', null],
    ['4 2', null],
    ['mm', null],
  ])('“%s” is %s', (text, value) => {
    expect(numberIn(text)).toBe(value)
  })

  it('is read back as it is shown', () => {
    fc.assert(
      fc.property(fc.integer({ min: -100_000, max: 100_000 }), (hundredths) => {
        const value = hundredths / 100
        expect(numberIn(shown(value, 2))).toBeCloseTo(value, 9)
      }),
    )
  })

  it('counts only within its bounds', () => {
    expect(readWithin('5', { min: 0, max: 5 })).toBe(5)
    expect(readWithin('5,1', { min: 0, max: 5 })).toBeNull()
    expect(readWithin('', { min: 0, max: 5 })).toBeNull()
  })
})

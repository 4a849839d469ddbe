import { describe, expect, it } from 'vitest'
import { inMl, lengthInMm, shown, volumeInMm3 } from '.'

describe('units where people read and type', () => {
  it('are exact', () => {
    expect(lengthInMm(0.5, 'in')).toBe(12.7)
    expect(lengthInMm(4.2, 'cm')).toBe(42)
    expect(volumeInMm3(2, 'cl')).toBe(20_000)
    expect(inMl(volumeInMm3(7, 'ml'))).toBe(7)
  })

  it('are shown with so many decimals and no minus before a zero', () => {
    expect(shown(-0.004, 2)).toBe('0.00')
    expect(shown(-1.25, 1)).toBe('−1.3')
    expect(shown(15.87, 2)).toBe('15.87')
  })
})

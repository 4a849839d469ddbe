import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  displayUnit,
  inMl,
  lengthInMm,
  lengthTyped,
  numberIn,
  read,
  readWithUnit,
  shown,
  stored,
  typed,
  volumeInMm3,
  type CoreUnit,
} from '.'

const UNITS: CoreUnit[] = ['', '°', 'mm', 'mm²', 'mm³', 'N', 'N/mm', 'MPa', 'mm³/MPa', 'mm³/MPa/m']
const system = fc.constantFrom('metric' as const, 'inch' as const)
const unit = fc.constantFrom(...UNITS)

describe('units where people read and type', () => {
  it('are exact', () => {
    expect(lengthInMm(0.5, 'in')).toBe(12.7)
    expect(lengthInMm(4.2, 'cm')).toBe(42)
    expect(volumeInMm3(2, 'cl')).toBe(20_000)
    expect(inMl(volumeInMm3(7, 'ml'))).toBe(7)
    expect(volumeInMm3(1, 'fl oz')).toBeCloseTo(29_573.5295625, 9)
  })

  it('agree with figures that are known from elsewhere', () => {
    expect(stored(0.625, 'mm', 'inch')).toBe(15.875)
    expect(stored(1000, 'MPa', 'inch')).toBeCloseTo(6.894757, 6)
    expect(stored(1, 'N', 'inch')).toBeCloseTo(4.448222, 6)
    // 0.66 ml/ft at 1000 psi is 2.17 ml/m at 6.895 MPa.
    expect(stored(0.66, 'mm³/MPa/m', 'inch')).toBeCloseTo((0.66 * 1000) / 0.3048 / 6.894757, 4)
    expect(stored(20, 'MPa', 'metric')).toBeCloseTo(2, 12)
  })

  it('come back exactly as they were typed, whatever the unit and system', () => {
    const figure = fc.tuple(fc.integer({ min: -999_999, max: 999_999 }), fc.integer({ min: 0, max: 6 }))
    fc.assert(
      fc.property(figure, unit, system, ([digits, places], one, people) => {
        const value = Number((digits / 10 ** places).toFixed(places))
        const text = typed(stored(value, one, people), one, people)
        expect(numberIn(text)).toBe(value + 0)
      }),
    )
  })

  it('a change of system changes no stored figure', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-3, max: 1e5, noNaN: true }), unit, (value, one) => {
        const inches = Number(typed(value, one, 'inch'))
        const back = stored(inches, one, 'inch')
        expect(Math.abs(back - value)).toBeLessThanOrEqual(4e-15 * value)
      }),
    )
  })

  it('are read with the decimals that their unit carries', () => {
    expect(read(51, 'mm', 'inch')).toBe('2.01')
    expect(readWithUnit(1210, 'mm³', 'metric')).toBe('1.21 ml')
    expect(readWithUnit(3.07, 'MPa', 'metric')).toBe('30.7 bar')
    expect(readWithUnit(3.07, 'MPa', 'inch')).toBe('445 psi')
    expect(readWithUnit(12, '°', 'inch')).toBe('12°')
    expect(readWithUnit(6, '', 'metric')).toBe('6.00')
    expect(displayUnit('mm³/MPa/m', 'inch').symbol).toContain('1000 psi')
  })

  it('are shown with so many decimals and no minus before a zero', () => {
    expect(shown(-0.004, 2)).toBe('0.00')
    expect(shown(-1.25, 1)).toBe('−1.3')
    expect(shown(15.87, 2)).toBe('15.87')
  })

  it('are read from what is typed, and nothing else is', () => {
    expect([numberIn(' 15,87 '), numberIn('−0.6'), numberIn('4.'), numberIn('1e3')]).toEqual([
      15.87,
      -0.6,
      null,
      null,
    ])
  })
})

describe('a typed length', () => {
  it.each([
    ['42', 'metric', 42],
    ['4,2 cm', 'metric', 42],
    ['1 1/4', 'inch', 31.75],
    ['1-1/4 in', 'metric', 31.75],
    ['3/4"', 'metric', 19.05],
    ['1½”', 'inch', 38.1],
    ['1.25"', 'metric', 31.75],
    ['2', 'inch', 50.8],
    ['50 mm', 'inch', 50],
    ['-0.5', 'metric', -0.5],
  ] as const)('%s read in %s', (text, system, mm) =>
    expect(lengthTyped(text, system)).toBeCloseTo(mm, 9),
  )

  it.each([
    ['3/4', 'metric'],
    ['3/4 mm', 'inch'],
    ['1/0', 'inch'],
    ['one', 'metric'],
    ['', 'metric'],
    ['1/4/2', 'inch'],
  ] as const)('%j is none in %s', (text, system) => expect(lengthTyped(text, system)).toBeNull())
})

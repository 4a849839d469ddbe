import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick, reactive, ref } from 'vue'
import type { CoreUnit, UnitSystem } from '../../core/quantity'
import {
  asTyped,
  boundsIn,
  formatNow,
  inUnits,
  retyped,
  symbolOf,
  typedValue,
  typedWithin,
  useRetyping,
  withUnits,
} from './units'
import { withStores } from '../../tests/harness/stores'

const person = reactive<{ units: UnitSystem }>({ units: 'metric' })
beforeEach(() => {
  person.units = 'metric'
  withStores({ person })
})

describe('figures in the units of who reads', () => {
  it('follow the person', () => {
    expect([withUnits(155, 'mm', 0), symbolOf('MPa'), inUnits(3, 'MPa')]).toEqual([
      '155 mm',
      'bar',
      '30.0',
    ])
    person.units = 'inch'
    expect([withUnits(155, 'mm'), symbolOf('MPa'), inUnits(3, 'MPa')]).toEqual([
      '6.10 in',
      'psi',
      '435',
    ])
    expect(formatNow().volume(1210)).toBe('0.041 fl oz')
  })

  it('are read from what is typed in them', () => {
    expect(typedValue('42', 'mm')).toBe(42)
    expect(typedValue('1,5', 'mm³')).toBe(1500)
    expect(typedValue('four', 'mm')).toBeNull()
    person.units = 'inch'
    expect(typedValue('0.625', 'mm')).toBe(15.875)
    expect(typedValue('−0.5', 'mm')).toBe(-12.7)
  })

  it('count within the core’s bounds, and the bound itself as it is typed counts too', () => {
    person.units = 'inch'
    const bounds = { min: 5, max: 60 }
    expect(typedWithin('0.625', 'mm', bounds)).toBe(15.875)
    expect(typedWithin('3', 'mm', bounds)).toBeNull()
    expect(typedWithin(asTyped(60, 'mm'), 'mm', bounds)).toBe(60)
    expect(typedWithin(asTyped(5, 'mm'), 'mm', bounds)).toBe(5)
  })

  it('bounds are said in them, without digits that nobody asked for', () => {
    expect(boundsIn({ min: 0, max: 20 }, 'mm')).toBe('0 to 20 mm')
    expect(boundsIn({ min: -180, max: 180 }, '°')).toBe('-180 to 180°')
    expect(boundsIn({ min: 1, max: 20 }, '')).toBe('1 to 20')
    person.units = 'inch'
    expect(boundsIn({ min: 0, max: 500 }, 'mm')).toBe('0 to 19.69 in')
  })
})

describe('typed text when units change', () => {
  const UNITS: CoreUnit[] = ['mm', 'mm³', 'N', 'MPa', 'mm³/MPa/m']

  it('means the same figure, and comes back as it was typed', () => {
    const figure = fc.tuple(fc.integer({ min: -9999, max: 99_999 }), fc.integer({ min: 0, max: 3 }))
    fc.assert(
      fc.property(figure, fc.constantFrom(...UNITS), ([digits, places], unit) => {
        const text = String(Number((digits / 10 ** places).toFixed(places)))
        const turned = retyped(text, unit, 'metric', 'inch')
        expect(retyped(turned, unit, 'inch', 'metric')).toBe(text)
      }),
    )
  })

  it('what is no number stays as it was typed', () => {
    expect(retyped('fifteen', 'mm', 'inch', 'metric')).toBe('fifteen')
    expect(retyped('', 'mm', 'inch', 'metric')).toBe('')
  })

  it('is turned while the field is on the screen', async () => {
    const text = ref('155')
    useRetyping(text, () => 'mm')
    person.units = 'inch'
    await nextTick()
    expect(text.value).toBe('6.10236220472441')
    person.units = 'metric'
    await nextTick()
    expect(text.value).toBe('155')
  })
})

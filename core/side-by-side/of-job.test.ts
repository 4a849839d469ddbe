import { describe, expect, it } from 'vitest'
import { fromArchetype } from '../installation'
import { formatOf } from '../quantity'
import { filedRow, knownOfShelf, knownOfVehicle, rowsNow, rowsOf, type Comparing } from '.'

const format = formatOf('metric')
const car = { ...fromArchetype('small-car'), assumed: ['master.stroke'] }
const comparing = (more: Partial<Comparing> = {}): Comparing => ({
  of: 'master',
  filed: [],
  vehicle: knownOfVehicle('master', car),
  shelf: {},
  rodThreadPitch: null,
  ...more,
})
const row = (id: string, more: Partial<Comparing> = {}) =>
  rowsNow(comparing(more), format).find(({ kind }) => kind.id === id)!

describe('what is known before anybody looks', () => {
  it('of the vehicle what was measured; what is assumed is nobody’s reading', () => {
    const known = knownOfVehicle('master', car)
    expect(known.bore).toBe(car.circuit.master.bore)
    expect('stroke' in known).toBe(false)
    expect(knownOfVehicle('master', null)).toEqual({})
  })
  it('a slave has its screw, a hose its two ends', () => {
    expect(knownOfVehicle('slave', car).bleedScrew).toBe(
      car.slave.bleeder.kind === 'none' ? 'none' : 'fitted',
    )
    const inside = knownOfVehicle('concentric', fromArchetype('concentric'))
    expect('bore' in inside).toBe(false)
  })
  it('of the shelf what it says; the far end only where there is one', () => {
    const end = { thread: 'M12x1', seat: 'bubble', male: true } as never
    const far = { thread: 'M10x1', seat: 'double', male: true } as never
    expect(knownOfShelf('hose', { length: 400, ends: [end, far] })).toMatchObject({
      ...{ length: 400, portThread: 'M12x1', farThread: 'M10x1' },
    })
    expect(knownOfShelf('master', { bore: 19, ends: [end] })).toEqual({
      ...{ bore: 19, portThread: 'M12x1', portSeat: 'bubble' },
    })
    expect(knownOfShelf('master', null)).toEqual({})
  })
})

describe('rows as they stand', () => {
  it('what somebody measured again comes before what the vehicle was known by', () => {
    const kind = rowsOf('master').find(({ id }) => id === 'bore')!
    const filed = [filedRow(kind, { old: 20.5, new: 19 }, 'wontFit', undefined)]
    expect(row('bore', { filed }).sides).toEqual({ old: 20.5, new: 19 })
    expect(row('bore', { shelf: { bore: 19 } }).sides).toEqual({
      old: car.circuit.master.bore,
      new: 19,
    })
  })
  it('what was judged by hand holds; what was only filed is judged anew', () => {
    const kind = rowsOf('master').find(({ id }) => id === 'bore')!
    const sides = { old: 19, new: 19 }
    const same = row('bore', { filed: [filedRow(kind, sides, 'wontFit', undefined)] })
    expect([same.judged, same.own]).toEqual([same.proposed.judged, null])
    const hand = row('bore', { filed: [filedRow(kind, sides, 'wontFit', 'pitted', true)] })
    expect([hand.judged, hand.change, hand.proposed.judged]).toEqual([
      'wontFit',
      'pitted',
      same.proposed.judged,
    ])
    expect(same.proposed.judged).not.toBe('wontFit')
  })
  it('a figure is filed with its unit, and a long note is cut', () => {
    const kind = rowsOf('master').find(({ id }) => id === 'bore')!
    const one = filedRow(kind, { old: 19, new: 20 }, 'wontFit', 'x'.repeat(400), true)
    expect(one).toMatchObject({ what: 'bore', unit: 'mm', hand: true })
    expect(one.change).toHaveLength(300)
  })
})

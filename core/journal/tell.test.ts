import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cycle, entry, reading } from '../../tests/arbitrary/entry'
import { KINDS, SLICES, type SliceName } from '../entries'
import { formatOf } from '../quantity'
import { timeline } from './effective'
import type { Entry } from './entry'
import { fold, foldSlice, ofSlice } from './fold'
import { upcast } from './upcast'
import { NEWER, tell } from './understood'

const metric = formatOf('metric')
const inch = formatOf('inch')

describe('an entry in words', () => {
  it('follows the units of whoever reads, without a screen', () => {
    const free = entry(1, 'measurement', reading('freeTravel', 25.4))
    expect(tell(free, metric)).toBe('Free travel at the pad 25 mm')
    expect(tell(free, inch)).toBe('Free travel at the pad 1.00 in')
    const planned = entry(2, 'circuitPlan', { changes: [{ change: 'air', value: 1000 }] })
    expect(tell(planned, metric)).toBe('Planned: air 1.00 ml')
    expect(tell(planned, inch)).toBe('Planned: air 0.034 fl oz')
    expect(tell(entry(3, 'bleedCycle', cycle('few', 3, 12_000)), metric)).toBe(
      '3 strokes, few bubbles, 12 ml',
    )
  })

  it('of a newer version says so, whatever is in it', () => {
    for (const kind of ['laterKind', '__proto__', 'toString', ''])
      expect(tell({ kind: kind as never, payload: null as never }, metric)).toBe(`${NEWER} (${kind})`)
    const strange = { finding: 'tubeTurns' as never, state: 'present', phase: 'asFound' } as const
    expect(tell(entry(1, 'finding', strange), metric)).toBe(`${NEWER} (finding)`)
  })
})

describe('an entry of an older version', () => {
  it('is lifted to its kind’s present name, and any other is left as it is', () => {
    const old = { ...entry(1, 'circuitPlan', { changes: [] }), kind: 'plan' } as unknown as Entry
    expect(upcast(old)).toEqual(entry(1, 'circuitPlan', { changes: [] }))
    const note = entry(2, 'note', { words: 'x' })
    expect(upcast(note)).toBe(note)
    expect(upcast({ kind: 'toString' as never }).kind).toBe('toString')
  })
})

describe('slices of the state', () => {
  it('share out every kind: each is taken into one slice', () => {
    const owners = (Object.keys(SLICES) as SliceName[]).flatMap((name) =>
      Object.keys(SLICES[name].kinds),
    )
    expect([...owners].sort()).toEqual(Object.keys(KINDS).sort())
  })

  it('follow from their own kinds alone, whatever else is filed', () => {
    const any = fc.constantFrom<Entry>(
      entry(1, 'bleedCycle', cycle('clear', 2)),
      entry(1, 'measurement', reading('freeTravel', 30, 'working')),
      entry(1, 'finding', { finding: 'bootWet', state: 'present', phase: 'asFound' }),
      entry(1, 'note', { words: 'x' }),
      entry(1, 'cause', { faults: ['slaveLeak'] }),
    )
    fc.assert(
      fc.property(fc.array(any, { maxLength: 20 }), (some) => {
        const history = some.map((one, i) => entry(i + 1, one.kind, one.payload))
        const { standing } = timeline(history)
        const state = fold(history)
        for (const name of Object.keys(SLICES) as SliceName[]) {
          expect(foldSlice(name, ofSlice(name, standing))).toEqual(foldSlice(name, standing))
          expect(state).toMatchObject(foldSlice(name, standing))
        }
      }),
    )
  })
})

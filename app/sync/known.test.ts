import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { entry } from '../../tests/arbitrary/entry'
import { KnownEntries } from './known'

const note = (n: number) => entry(n, 'note', { words: `${n}` })

describe('what is known of a history', () => {
  it('is whole once everything has come, in whatever pieces and order, and says until then what is missing', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }).chain((last) =>
          fc.record({
            last: fc.constant(last),
            pieces: fc.array(fc.array(fc.integer({ min: 1, max: last }), { maxLength: 6 })),
          }),
        ),
        ({ last, pieces }) => {
          const known = new KnownEntries()
          const seen = new Set<number>()
          for (const piece of pieces) {
            known.take(piece.map(note))
            for (const n of piece) seen.add(n)
            let upTo = 0
            while (seen.has(upTo + 1)) upTo++
            expect(known.upTo).toBe(upTo)
            expect(known.hasGap).toBe(Math.max(0, ...seen) > upTo)
          }
          // A look asks for all after `upTo`, as often as it takes.
          known.take(Array.from({ length: last - known.upTo }, (_, i) => note(known.upTo + 1 + i)))
          expect(known.entries.map(({ sequence }) => sequence)).toEqual(
            Array.from({ length: last }, (_, i) => i + 1),
          )
          expect(known.hasGap).toBe(false)
        },
      ),
    )
  })

  it('opened by part of a history goes on from its end', () => {
    const known = new KnownEntries()
    known.take([note(2), note(9)], 9)
    expect([known.upTo, known.hasGap]).toEqual([9, false])
    known.take([note(11)])
    expect([known.upTo, known.hasGap]).toEqual([9, true])
    expect(known.take([note(10)])).toBe(true)
    expect(known.upTo).toBe(11)
    expect(known.take([note(10)])).toBe(false)
    expect([known.has(note(2).id), known.has(note(3).id)]).toEqual([true, false])
  })
})

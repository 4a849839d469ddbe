import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cycle, entry, reading, ulidOf } from '../../tests/arbitrary/entry'
import { fromArchetype } from '../installation'
import { relevantOf, relevantOnwards } from './relevant'
import type { Entry } from './entry'
import { fold, installationFrom, type JobState } from './fold'

const id = (n: number) => ulidOf(1000 + n)

/** A long history of every sort of entry, in which anything may correct or take back anything before it. */
const longHistory = fc
  .array(
    fc.record({
      what: fc.constantFrom('cycle', 'topUp', 'found', 'working', 'finding', 'note', 'field', 'undo'),
      target: fc.nat(400),
      corrects: fc.boolean(),
      value: fc.integer({ min: 1, max: 90 }),
    }),
    { minLength: 110, maxLength: 260 },
  )
  .map((steps) =>
    steps.map(({ what, target, corrects, value }, i): Entry => {
      const n = i + 1
      const before = id(target % n || 1)
      const acts = corrects ? { corrects: before } : {}
      switch (what) {
        case 'cycle':
          return entry(n, 'bleedCycle', cycle(value % 2 ? 'clear' : 'few', (value % 5) + 1), acts)
        case 'topUp':
          return entry(n, 'topUp', { volume: value * 100 }, acts)
        case 'finding':
          return entry(n, 'finding', { finding: 'bootWet', state: 'present', phase: 'asFound' }, acts)
        case 'note':
          return entry(n, 'note', { words: `n${value}` }, acts)
        case 'field':
          return entry(n, 'parameter', { field: 'pedal.travel', value: 100 + value }, acts)
        case 'undo':
          return entry(n, 'withdrawal', {}, { withdraws: before })
        default:
          return entry(
            n,
            'measurement',
            reading('freeTravel', value, what === 'found' ? 'asFound' : 'working'),
            acts,
          )
      }
    }),
  )

/** All that a screen shows of a state but the journal's own list. */
const shown = ({ notes: _, history: __, withdrawn: ___, ...state }: JobState) => state

describe('the entries that bear the state', () => {
  it('fold to the same state and installation as the whole history', () => {
    fc.assert(
      fc.property(longHistory, (history) => {
        const kept = relevantOf(history)
        expect(shown(fold(kept))).toEqual(shown(fold(history)))
        const start = fromArchetype('small-car')
        expect(installationFrom(kept, start)).toEqual(installationFrom(history, start))
      }),
      { numRuns: 150 },
    )
  })

  it('are the same state onwards from what bore it before, wherever that was', () => {
    fc.assert(
      fc.property(longHistory, fc.nat(260), fc.nat(40), (history, at, more) => {
        const from = Math.min(at, history.length)
        const part = history.slice(0, from + more)
        const kept = relevantOnwards(relevantOf(history.slice(0, from)), part, from)
        expect(shown(fold(kept))).toEqual(shown(fold(part)))
        expect(kept.slice(-100)).toEqual(part.slice(-100))
      }),
      { numRuns: 150 },
    )
  })

  it('are few where readings were replaced, and hold the newest hundred', () => {
    const history = Array.from({ length: 2000 }, (_, i) =>
      entry(i + 1, 'measurement', reading('freeTravel', (i % 90) + 1)),
    )
    const kept = relevantOf(history)
    expect(kept).toHaveLength(100)
    expect(kept).toEqual(history.slice(-100))
  })

  it('are all of a short history', () => {
    const history = Array.from({ length: 40 }, (_, i) => entry(i + 1, 'note', { words: 'x' }))
    expect(relevantOf(history)).toEqual(history)
  })
})

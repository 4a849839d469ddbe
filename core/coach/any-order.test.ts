import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { METHODS, TRICKS } from '../entries'
import {
  callNow,
  leftIn,
  movesOf,
  startCoach,
  touched,
  waysOn,
  WORKS,
  type CoachState,
  type Touch,
} from '.'
import { planTried as plan } from './plan-tried'

const touches: fc.Arbitrary<Touch> = fc.oneof(
  { weight: 12, arbitrary: fc.constant<Touch>({ touch: 'answer' }) },
  fc.constantFrom<Touch>(
    { touch: 'cameOut', cameOut: 'few' },
    { touch: 'cameOut', signs: ['hoseOff'] },
    { touch: 'didAnyway' },
    { touch: 'drawnOff' },
    { touch: 'sign', sign: 'threadWet' },
    { touch: 'oneMore' },
    { touch: 'toppedUp' },
    { touch: 'toppedUp', ml: 20 },
    { touch: 'override' },
    { touch: 'says', says: 'firmer' },
    { touch: 'travel', mm: 30 },
    { touch: 'pause' },
    { touch: 'resume' },
    { touch: 'nextPart' },
    { touch: 'undo' },
  ),
)
const parts = fc.array(
  fc.record({
    method: fc.constantFrom(...METHODS, ...TRICKS, ...WORKS),
    cycles: fc.integer({ min: 0, max: 4 }),
  }),
  { minLength: 1, maxLength: 4 },
)

describe('under any order of touches, cuts and repeats', () => {
  it('never calls the pedal up with the screw open where it has to be shut, counts no cycle twice, and has a way on', () => {
    fc.assert(
      fc.property(
        parts,
        fc.array(
          fc.record({
            touch: touches,
            by: fc.constantFrom('pedal', 'bleeder', null),
            repeat: fc.boolean(),
            late: fc.boolean(),
          }),
          { maxLength: 80 },
        ),
        fc.boolean(),
        (list, sequence, shared) => {
          let state: CoachState = startCoach(plan(list, { shared, usable: 30 }))
          const standing = new Map<string, number>()
          sequence.forEach(({ touch, by, repeat, late }, i) => {
            for (let again = 0; again < (repeat ? 2 : 1); again++) {
              const next = touched(state, `t${i}`, touch, by, late ? state.n - 1 : state.n)
              for (const one of next.effects) {
                if (one.do === 'withdraw') standing.set(one.ref, (standing.get(one.ref) ?? 0) - 1)
                else if (one.do === 'correct') expect(standing.get(one.ref)).toBe(1)
                else standing.set(one.ref, (standing.get(one.ref) ?? 0) + 1)
              }
              state = next.state
            }
            const move = callNow(state)
            const now = state.plan.parts[state.part]
            if (move?.call === 'up' && now && movesOf(now.method).shutFirst)
              expect(state.screw).toBe('shut')
            // Nothing that draws is called where it would reach the mark, unless somebody answered for it.
            if (move && !state.overridden && (move.strokes ?? 0) > 0)
              expect(leftIn(state.level).low).toBeGreaterThan(0)
            expect(waysOn(state).length).toBeGreaterThan(0)
            for (const count of standing.values()) expect(count === 0 || count === 1).toBe(true)
          })
          // Wherever it is, it can be brought to its end, with the screw shut.
          for (let i = 0; i < 400 && !state.done; i++) {
            const way = waysOn(state)[0]!
            const touch: Touch =
              way === 'travel' ? { touch: 'travel', mm: null } : ({ touch: way } as Touch)
            state = touched(state, `end${i}`, touch).state
          }
          expect(state.done).toBe(true)
          expect(state.screw).toBe('shut')
        },
      ),
      { numRuns: 400 },
    )
  })
  it('goes over a wire whole: plain data that goes on where it was', () => {
    fc.assert(
      fc.property(parts, fc.array(touches, { maxLength: 20 }), (list, sequence) => {
        let state = startCoach(plan(list))
        let copy = startCoach(plan(list))
        sequence.forEach((touch, i) => {
          state = touched(state, `t${i}`, touch).state
          copy = JSON.parse(JSON.stringify(touched(copy, `t${i}`, touch).state)) as CoachState
        })
        expect(copy).toEqual(state)
      }),
      { numRuns: 60 },
    )
  })
})

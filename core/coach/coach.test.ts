import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { METHODS, TRICKS } from '../entries'
import {
  callNow,
  movesOf,
  reservoirOf,
  startCoach,
  touched,
  waysOn,
  type CoachPlan,
  type CoachState,
  type Effect,
  type Part,
  type Touch,
} from '.'

const plan = (parts: Part[], more: Partial<CoachPlan> = {}): CoachPlan => ({
  parts,
  stroke: 4.55,
  usable: 60,
  shared: false,
  people: 2,
  ...more,
})
/** A coached bleed that is gone through, touch by touch. */
function going(start: CoachPlan) {
  let state = startCoach(start)
  let k = 0
  const effects: Effect[] = []
  const calls: string[] = []
  const touch = (one: Touch, by: Parameters<typeof touched>[3] = null) => {
    const next = touched(state, `t${k++}`, one, by)
    state = next.state
    effects.push(...next.effects)
  }
  return {
    effects,
    calls,
    touch,
    get state() {
      return state
    },
    /** Answers call after call; what holds it back is topped up, what is asked is left open. */
    through(most = 1000) {
      for (let i = 0; i < most && !state.done; i++) {
        const move = callNow(state)
        if (state.asksTravel) touch({ touch: 'travel', mm: null })
        else if (state.held) touch({ touch: 'toppedUp' })
        else if (move) {
          calls.push(move.call)
          touch({ touch: 'answer' }, move.role)
        }
      }
    },
  }
}
const filed = (effects: readonly Effect[]) => effects.filter((one) => one.do === 'cycle')

describe('what the coach calls', () => {
  it.each([
    ['openPush', ['open', 'down', 'shut', 'up']],
    ['pumpHold', ['pump', 'hold', 'open', 'shut', 'up']],
    ['prop', ['walk', 'open', 'down', 'walk', 'shut', 'up']],
    ['submerged', ['open', 'down', 'up', 'shut']],
    ['vacuum', ['build', 'open', 'look', 'shut', 'release']],
    ['bottomed', ['tag', 'open', 'press', 'shut', 'clampOff', 'untag']],
    ['slaveStrokes', ['in', 'wait', 'out', 'wait']],
  ] as const)('%s, one cycle', (method, calls) => {
    const run = going(plan([{ method, cycles: 1 }]))
    run.through()
    expect(run.calls).toEqual(calls)
  })
  it('fills, flushes and finishes as one run, files each cycle once, and asks for free travel in between', () => {
    const run = going(
      plan([
        { method: 'openPush', cycles: 3, phase: 'fill' },
        { method: 'vacuum', cycles: 2, phase: 'flush' },
        { method: 'shortStrokes', cycles: 1, phase: 'finish' },
      ]),
    )
    run.through()
    expect(filed(run.effects).map(({ ref, payload }) => [ref, payload])).toEqual([
      ...[0, 1, 2].map((i) => [
        `0.${i}`,
        { method: 'openPush', strokes: 1, cameOut: 'notSeen', phase: 'fill' },
      ]),
      ...[0, 1].map((i) => [`1.${i}`, { method: 'vacuum', cameOut: 'notSeen', phase: 'flush' }]),
    ])
    expect(run.effects.filter((one) => one.do === 'trick')).toEqual([
      { do: 'trick', ref: '2.0', trick: 'shortStrokes' },
    ])
    expect(run.state).toMatchObject({ done: true, asksTravel: true })
  })
  it('alone with a bar: twelve cycles, twenty-four walks of twenty seconds', () => {
    const run = going(plan([{ method: 'prop', cycles: 12 }], { people: 1, usable: 200 }))
    run.through()
    expect(run.state.walks).toBe(24)
    expect(
      movesOf('prop')
        .cycle.filter(({ call }) => call === 'walk')
        .map(({ seconds }) => seconds),
    ).toEqual([20, 20])
  })
  it('an answer counts from whose turn it is, once, and to the call that was on the screen', () => {
    const run = going(plan([{ method: 'openPush', cycles: 1 }]))
    run.touch({ touch: 'answer' }, 'pedal')
    expect(callNow(run.state)!.call).toBe('open')
    const { state } = touched(run.state, 'same', { touch: 'answer' }, 'bleeder')
    expect(touched(state, 'same', { touch: 'answer' }, 'pedal').state).toBe(state)
    expect(touched(state, 'late', { touch: 'answer' }, 'pedal', state.n - 1).state).toBe(state)
    expect(callNow(state)!.call).toBe('down')
  })
  it('what came out goes with the cycle that was just filed, and can be said again', () => {
    const run = going(plan([{ method: 'openPush', cycles: 2 }]))
    run.touch({ touch: 'cameOut', cameOut: 'foam' })
    expect(run.effects).toEqual([])
    for (const role of ['bleeder', 'pedal', 'bleeder', 'pedal'] as const)
      run.touch({ touch: 'answer' }, role)
    run.touch({ touch: 'cameOut', cameOut: 'few', bottle: 4000 })
    run.touch({ touch: 'cameOut', cameOut: 'large' })
    expect(run.effects.slice(1)).toEqual([
      {
        do: 'correct',
        ref: '0.0',
        payload: { method: 'openPush', strokes: 1, cameOut: 'few', bottle: 4000 },
      },
      { do: 'correct', ref: '0.0', payload: { method: 'openPush', strokes: 1, cameOut: 'large' } },
    ])
  })
  it('undo takes the last touch back, and the cycle that it filed', () => {
    const run = going(plan([{ method: 'openPush', cycles: 2 }]))
    for (const role of ['bleeder', 'pedal', 'bleeder', 'pedal'] as const)
      run.touch({ touch: 'answer' }, role)
    run.touch({ touch: 'undo' })
    expect(run.effects.at(-1)).toEqual({ do: 'withdraw', ref: '0.0' })
    expect(callNow(run.state)!.call).toBe('up')
    run.touch({ touch: 'answer' }, 'pedal')
    expect(run.effects.at(-1)).toMatchObject({ do: 'cycle', ref: '0.0' })
  })
})

describe('the reservoir by arithmetic', () => {
  it('holds the stroke back that would reach the mark, until it is topped up or somebody answers for it', () => {
    const run = going(plan([{ method: 'openPush', cycles: 40 }]))
    let strokes = 0
    for (let i = 0; i < 200 && !run.state.held; i++) {
      const move = callNow(run.state)!
      if (move.call === 'down') strokes += 1
      run.touch({ touch: 'answer' }, move.role)
    }
    // 60 ml less 2 kept back, a tenth of what was drawn as its spread: 4.55 n · 1.1 + 4.55 > 58.
    expect(strokes).toBe(11)
    expect(callNow(run.state)).toBeNull()
    expect(reservoirOf(run.state).strokes).toBe(0)
    const stopped = run.state
    run.touch({ touch: 'override' })
    expect(callNow(run.state)!.call).toBe('down')
    expect(touched(stopped, 'x', { touch: 'toppedUp', ml: 30 }).state.level.drawn).toBeCloseTo(
      11 * 4.55 - 30,
      9,
    )
    const shared = { ...stopped, plan: { ...stopped.plan, shared: true } }
    expect(touched(shared, 'y', { touch: 'override' }).state).toBe(shared)
    expect(waysOn(shared)).toEqual(['toppedUp', 'undo'])
  })
})

const touches: fc.Arbitrary<Touch> = fc.oneof(
  { weight: 12, arbitrary: fc.constant<Touch>({ touch: 'answer' }) },
  fc.constantFrom<Touch>(
    { touch: 'cameOut', cameOut: 'few' },
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
    method: fc.constantFrom(...METHODS, ...TRICKS),
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
                if (one.do === 'cycle') standing.set(one.ref, (standing.get(one.ref) ?? 0) + 1)
                if (one.do === 'withdraw') standing.set(one.ref, (standing.get(one.ref) ?? 0) - 1)
                if (one.do === 'correct') expect(standing.get(one.ref)).toBe(1)
              }
              state = next.state
            }
            const move = callNow(state)
            const now = state.plan.parts[state.part]
            if (move?.call === 'up' && now && movesOf(now.method).shutFirst)
              expect(state.screw).toBe('shut')
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

import { describe, expect, it } from 'vitest'
import {
  callNow,
  movesOf,
  nextMove,
  partsOf,
  reservoirOf,
  startCoach,
  touched,
  toTheMark,
  waysOn,
  type CoachPlan,
  type Effect,
  type Touch,
} from '.'
import { planTried as plan } from './plan-tried'

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
        if (state.asks) touch({ touch: 'travel', mm: null })
        else if (state.held === 'high') touch({ touch: 'drawnOff' })
        else if (state.held) touch({ touch: 'toppedUp' })
        else if (move) {
          calls.push(move.call)
          touch({ touch: 'answer' }, move.role)
        }
      }
    },
  }
}
const twice = <T>(list: T[]): T[] => [...list, ...list]
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
    expect(run.state).toMatchObject({ done: true, asks: 'freeTravel' })
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
      {
        do: 'correct',
        ref: '0.0',
        payload: { method: 'openPush', strokes: 1, cameOut: 'large', bottle: 4000 },
      },
    ])
    run.touch({ touch: 'cameOut', signs: ['hoseOff', 'threadWet'] })
    expect(run.effects.at(-1)).toMatchObject({
      payload: { cameOut: 'large', bottle: 4000, signs: ['hoseOff', 'threadWet'] },
    })
    run.touch({ touch: 'undo' })
    expect(run.effects.at(-1)).toEqual({
      do: 'correct',
      ref: '0.0',
      payload: { method: 'openPush', strokes: 1, cameOut: 'large', bottle: 4000 },
    })
  })
  it('of the last cycle of a part too, while free travel is asked for', () => {
    const run = going(plan([{ method: 'openPush', cycles: 1 }]))
    for (const role of ['bleeder', 'pedal', 'bleeder', 'pedal'] as const)
      run.touch({ touch: 'answer' }, role)
    expect(run.state.asks).toBe('freeTravel')
    run.touch({ touch: 'cameOut', cameOut: 'clear' })
    expect(run.effects.at(-1)).toMatchObject({
      do: 'correct',
      ref: '0.0',
      payload: { cameOut: 'clear' },
    })
  })
  it('undo takes back what the pedal said and a top-up, by what they were filed as', () => {
    const run = going(plan([{ method: 'openPush', cycles: 2 }]))
    run.touch({ touch: 'says', says: 'firmer' })
    run.touch({ touch: 'toppedUp', ml: 10 })
    const [says, topUp] = run.effects as { ref: string }[]
    expect(says!.ref).not.toBe(topUp!.ref)
    run.touch({ touch: 'undo' })
    run.touch({ touch: 'undo' })
    expect(run.effects.slice(2)).toEqual([
      { do: 'withdraw', ref: topUp!.ref },
      { do: 'withdraw', ref: says!.ref },
    ])
    expect(run.state.level.drawn).toBe(0)
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
      if (move.call === 'open') expect(reservoirOf(run.state).strokes).toBeGreaterThan(0)
      if (move.call === 'down') strokes += 1
      run.touch({ touch: 'answer' }, move.role)
    }
    // 60 ml less 2 kept back, a tenth of what was drawn as its spread: 4.55 n · 1.1 + 4.55 > 58.
    expect(strokes).toBe(11)
    expect(run.state).toMatchObject({ held: 'low', screw: 'shut', pedal: 'up' })
    expect(callNow(run.state)).toBeNull()
    expect(reservoirOf(run.state).strokes).toBe(0)
    const stopped = run.state
    run.touch({ touch: 'override' })
    expect(callNow(run.state)!.call).toBe('open')
    expect(touched(stopped, 'x', { touch: 'toppedUp', ml: 30 }).state.level.drawn).toBeCloseTo(
      11 * 4.55 - 30,
      9,
    )
    const shared = { ...stopped, plan: { ...stopped.plan, shared: true } }
    expect(touched(shared, 'y', { touch: 'override' }).state).toBe(shared)
    expect(waysOn(shared)).toEqual(['toppedUp', 'didAnyway', 'undo'])
  })
})

describe('what was done is always written down', () => {
  it('a stroke that was not called counts, and draws', () => {
    const run = going(plan([{ method: 'openPush', cycles: 3 }], { usable: 6, shared: true }))
    run.touch({ touch: 'answer' })
    run.touch({ touch: 'answer' })
    run.touch({ touch: 'answer' })
    run.touch({ touch: 'answer' })
    expect(run.state.held).toBe('low')
    run.touch({ touch: 'didAnyway' })
    expect(run.state).toMatchObject({ held: 'low', move: 1 })
    run.touch({ touch: 'didAnyway' })
    run.touch({ touch: 'answer' })
    run.touch({ touch: 'answer' })
    expect(filed(run.effects)).toHaveLength(2)
    expect(run.state.level.drawn).toBeGreaterThan(6)
  })
})

it('what is said of the last cycle meanwhile makes no answer late; an answer to the call before is', () => {
  const run = going(plan([{ method: 'openPush', cycles: 3 }]))
  for (let i = 0; i < 5; i++) run.touch({ touch: 'answer' })
  const { n, calledAt } = run.state
  run.touch({ touch: 'cameOut', cameOut: 'few' })
  expect(run.state).toMatchObject({ n: n + 1, calledAt })
  expect(callNow(touched(run.state, 'p', { touch: 'answer' }, 'pedal', n).state)!.call).toBe('shut')
  expect(touched(run.state, 'q', { touch: 'answer' }, 'pedal', n - 1).state).toBe(run.state)
})

describe('what goes wrong beside a cycle', () => {
  it('is said while it happens, and filed with that cycle; after it, of the last', () => {
    const run = going(plan([{ method: 'openPush', cycles: 2 }]))
    run.touch({ touch: 'answer' })
    run.touch({ touch: 'sign', sign: 'hoseOff' })
    run.touch({ touch: 'oneMore' })
    for (let i = 0; i < 3; i++) run.touch({ touch: 'answer' })
    expect(filed(run.effects)[0]).toMatchObject({ payload: { signs: ['hoseOff'] } })
    expect(run.state).toMatchObject({ signs: [], cycle: 1, plan: { parts: [{ cycles: 3 }] } })
    run.touch({ touch: 'sign', sign: 'threadWet' })
    expect(run.effects.at(-1)).toMatchObject({
      do: 'correct',
      payload: { signs: ['hoseOff', 'threadWet'] },
    })
    run.touch({ touch: 'sign', sign: 'hoseOff' })
    expect(run.effects.at(-1)).toMatchObject({ payload: { signs: ['threadWet'] } })
  })
})

describe('the fill ends on the mark', () => {
  it('injected from below: lowered first, by what will come up, and no more than stands there', () => {
    const run = going(plan([{ method: 'inject', cycles: 2 }]))
    expect(run.state.held).toBe('high')
    expect(toTheMark(run.state)).toBeCloseTo(-40, 9)
    run.touch({ touch: 'drawnOff' })
    run.through()
    expect(run.state.level.drawn).toBeCloseTo(0, 9)
    const long = going(plan([{ method: 'inject', cycles: 9 }]))
    long.through()
    expect(filed(long.effects)).toHaveLength(9)
    expect(long.state.level.drawn).toBeGreaterThanOrEqual(0)
  })
  it('a bleed is made ready first, and ends with the last fill; both are filed as top-ups', () => {
    const parts = partsOf([{ method: 'openPush', cycles: 2 }], false)
    expect(parts.map(({ method, phase }) => [method, phase])).toEqual([
      ['setUp', undefined],
      ['openPush', 'flush'],
      ['endFill', undefined],
    ])
    const run = going(plan(parts))
    run.through()
    expect(run.calls).toEqual(['hose', 'fill', ...twice(['open', 'down', 'shut', 'up']), 'fill'])
    expect(run.effects.map((one) => one.do)).toEqual(['topUp', 'cycle', 'cycle', 'topUp'])
    expect(run.state.level.drawn).toBe(0)
  })
  it('fill, flush and finish of an empty circuit; the bench is made ready for a loop', () => {
    const phases = (steps: Parameters<typeof partsOf>[0], dry: boolean) =>
      partsOf(steps, dry).map(({ method, phase }) => `${method} ${phase ?? ''}`.trim())
    const steps = [
      { method: 'gravity', cycles: 2 },
      { method: 'vacuum', cycles: 2 },
      { method: 'openPush', cycles: 4 },
      { method: 'shortStrokes', cycles: 1 },
    ] as const
    expect(phases(steps, true)).toEqual([
      'setUp',
      'gravity fill',
      'vacuum flush',
      'openPush finish',
      'shortStrokes',
      'endFill',
    ])
    expect(phases(steps, false).slice(1, 4)).toEqual([
      'gravity flush',
      'vacuum flush',
      'openPush finish',
    ])
    expect(phases([{ method: 'benchLoop', cycles: 10 }], false)).toEqual([
      'benchSetUp',
      'benchLoop',
      'endFill',
    ])
    expect(phases([{ method: 'openPush', cycles: 0 }], false)).toEqual([])
  })
})

describe('proof in stages', () => {
  it('each stage is stroked short and asks for its own free travel', () => {
    const run = going(
      plan(
        partsOf(
          [
            { method: 'masterAlone', cycles: 1 },
            { method: 'withLine', cycles: 1 },
            { method: 'withSlave', cycles: 1 },
          ],
          false,
        ),
      ),
    )
    const asked: unknown[] = []
    for (let i = 0; i < 40 && !(run.state.done && !run.state.asks); i++) {
      if (run.state.asks) {
        asked.push(run.state.asks)
        run.touch({ touch: 'travel', mm: 10 + asked.length })
      } else run.touch({ touch: 'answer' })
    }
    expect(asked).toEqual(['master', 'masterAndLine', 'whole'])
    expect(run.effects.map((one) => one.do === 'stageProof' && [one.stage, one.mm])).toEqual([
      ['master', 11],
      ['masterAndLine', 12],
      ['whole', 13],
    ])
  })
})

it('tells the move after the one that is called, before somebody walks', () => {
  const run = going(plan([{ method: 'prop', cycles: 2 }], { people: 1 }))
  const told: string[] = []
  while (callNow(run.state)) {
    told.push(`${callNow(run.state)!.call} ${nextMove(run.state)?.call ?? '-'}`)
    run.touch({ touch: 'answer' })
  }
  expect(told.slice(0, 6)).toEqual([
    'walk open',
    'open down',
    'down walk',
    'walk shut',
    'shut up',
    'up walk',
  ])
  expect(told.at(-1)).toBe('up -')
})

import { describe, expect, it } from 'vitest'
import { callNow, movesOf, nextMove, partsOf, startCoach, touched, type Effect } from '.'
import { callIs, going } from './going'
import { planTried as plan } from './plan-tried'

const filed = (effects: readonly Effect[]) => effects.filter((one) => one.do === 'cycle')
const END = ['tighten', 'detach', 'fill', 'cap']

describe('what the coach calls, from the first hand on it to the last', () => {
  it.each([
    ['openPush', ['fill', 'hose', 'open', 'down', 'shut', 'up', ...END]],
    ['pumpHold', ['fill', 'hose', 'pump', 'hold', 'open', 'shut', 'up', ...END]],
    ['submerged', ['fill', 'hose', 'open', 'down', 'up', 'shut', ...END]],
    ['checkValve', ['fill', 'hose', 'open', 'down', 'up', 'shut', ...END]],
    ['gravity', ['fill', 'hose', 'open', 'wait', 'shut', ...END]],
    [
      'pressure',
      [
        'fill',
        'hose',
        'adapter',
        'apply',
        'open',
        'flow',
        'shut',
        'vent',
        'tighten',
        'detach',
        'detach',
        'fill',
        'cap',
      ],
    ],
    ['vacuum', ['fill', 'rig', 'apply', 'open', 'flow', 'shut', 'vent', ...END]],
    // Never filled before it is drawn off.
    ['inject', ['drawOff', 'purge', 'rig', 'open', 'inject', 'shut', ...END]],
    // No hose on a slave that has no screw, or that is in the hand.
    [
      'slaveStrokes',
      ['tag', 'unbolt', 'fill', 'in', 'wait', 'out', 'wait', 'refit', 'untag', 'fill', 'cap'],
    ],
    ['hang', ['suspend', 'fill', 'in', 'wait', 'out', 'wait', 'fill', 'cap']],
    ['reservoirVacuum', ['fill', 'adapter', 'apply', 'wait', 'vent', 'wait', 'detach', 'fill', 'cap']],
    [
      'crackedUnion',
      ['fill', 'cover', 'loosen', 'down', 'nip', 'up', 'tighten', 'wipe', 'fill', 'cap'],
    ],
    ['benchLoop', ['vice', 'level', 'hands', 'loop', 'fill', 'down', 'up', 'plug', 'cap']],
    ['bottomed', ['fill', 'hose', 'tag', 'open', 'squeeze', 'shut', 'unclamp', 'untag', ...END]],
    ['wedged', ['tag', 'wedge', 'remove', 'up', 'untag', 'fill', 'cap']],
    ['noseUp', ['raise', 'wheels', 'fill', 'cap']],
    [
      'masterPrimed',
      ['fill', 'cover', 'loosen', 'down', 'nip', 'up', 'tighten', 'wipe', 'fill', 'cap'],
    ],
  ] as const)('%s, one cycle', (method, calls) => {
    const run = going(plan(partsOf([{ method, cycles: 1 }], false)))
    run.through()
    expect(run.calls).toEqual(calls)
    expect(Object.values(run.state.world.things).filter((one) => one?.on && one.ref)).toEqual([])
  })
  it('alone with a bar: each walk is called, the bar in and out, and the trips are as long as in the ranking', () => {
    const run = going(
      plan(partsOf([{ method: 'prop', cycles: 12 }], false), { people: 1, usable: 200 }),
    )
    run.through()
    expect(run.calls.slice(2, 12)).toEqual([
      ...['walk', 'open', 'walk', 'down', 'bar', 'walk', 'shut', 'walk', 'remove', 'up'],
    ])
    expect(run.state.walks).toBe(48)
    const walks = movesOf('prop').cycle.filter(({ call }) => call === 'walk')
    expect(walks.reduce((sum, { seconds }) => sum + seconds!, 0)).toBe(40)
  })
  it('fills, flushes and finishes as one run, files each cycle once, and asks for free travel in between', () => {
    const run = going(
      plan([
        { method: 'openPush', cycles: 3, phase: 'fill' },
        { method: 'vacuum', cycles: 2, phase: 'flush' },
        { method: 'shortStrokes', cycles: 1, phase: 'finish' },
      ]),
    )
    run.until((state) => state.done)
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
    // One hose comes off before the other goes on.
    expect(run.calls.filter((one) => ['hose', 'rig', 'detach'].includes(one))).toEqual([
      ...['hose', 'detach', 'rig', 'detach'],
    ])
  })
  it('an answer counts from whose turn it is, once, and to the call that was on the screen', () => {
    const run = going(plan([{ method: 'openPush', cycles: 1 }]))
    run.until(callIs('open'))
    run.touch({ touch: 'answer' }, 'pedal')
    expect(run.call).toBe('open')
    const { state } = touched(run.state, 'same', { touch: 'answer' }, 'bleeder')
    expect(touched(state, 'same', { touch: 'answer' }, 'pedal').state).toBe(state)
    expect(touched(state, 'late', { touch: 'answer' }, 'pedal', state.n - 1).state).toBe(state)
    expect(callNow(state)!.call).toBe('down')
  })
  it('what came out goes with the cycle that was just filed, and can be said again', () => {
    const run = going(plan([{ method: 'openPush', cycles: 2 }]))
    run.touch({ touch: 'cameOut', cameOut: 'foam' })
    expect(run.effects).toEqual([])
    run.until((state) => state.cycle === 1)
    const before = run.effects.length
    run.touch({ touch: 'cameOut', cameOut: 'few', bottle: 4000 })
    run.touch({ touch: 'cameOut', cameOut: 'large' })
    const payload = { method: 'openPush', strokes: 1, cameOut: 'large', bottle: 4000 }
    expect(run.effects.slice(before)).toEqual([
      { do: 'correct', ref: '0.0', payload: { ...payload, cameOut: 'few' } },
      { do: 'correct', ref: '0.0', payload },
    ])
    run.touch({ touch: 'cameOut', signs: ['hoseOff', 'threadWet'] })
    expect(run.effects.at(-1)).toMatchObject({
      payload: { cameOut: 'large', bottle: 4000, signs: ['hoseOff', 'threadWet'] },
    })
    run.touch({ touch: 'undo' })
    expect(run.effects.at(-1)).toEqual({ do: 'correct', ref: '0.0', payload })
  })
  it('of the last cycle of a part too, while free travel is asked for', () => {
    const run = going(plan([{ method: 'openPush', cycles: 1 }]))
    run.until((state) => state.asks !== null)
    expect(run.state.asks).toBe('freeTravel')
    run.touch({ touch: 'cameOut', cameOut: 'clear' })
    expect(run.effects.at(-1)).toMatchObject({
      do: 'correct',
      ref: '0.0',
      payload: { cameOut: 'clear' },
    })
  })
  it('pumps before an opening as it was chosen: a number counts strokes, “until firm” and seconds count none', () => {
    const of = (pumps: 6 | 'firm' | { seconds: number }) => {
      const run = going(plan([{ method: 'pumpHold', cycles: 1, pumps }]))
      run.until(callIs('pump'))
      const move = callNow(run.state)!
      run.until((state) => state.cycle === 1 || state.done)
      return { move, payload: filed(run.effects)[0]!.payload }
    }
    expect(of(6).move.times).toBe(6)
    expect(of(6).payload.strokes).toBe(6)
    expect(of('firm').move).toMatchObject({ call: 'pump' })
    expect(of('firm').move.times).toBeUndefined()
    expect(of('firm').payload.strokes).toBeUndefined()
    expect(of({ seconds: 10 }).move.seconds).toBe(10)
  })
})

describe('undo', () => {
  it('takes back what the pedal said and a top-up, by what they were filed as; the level counts as if neither were sure', () => {
    const run = going(plan([{ method: 'openPush', cycles: 5 }]))
    run.until((state) => state.cycle === 2)
    const drawn = run.state.level.most
    run.touch({ touch: 'says', says: 'firmer' })
    run.touch({ touch: 'toppedUp', ml: 5 })
    const [says, topUp] = run.effects.slice(-2) as { ref: string }[]
    expect(says!.ref).not.toBe(topUp!.ref)
    run.touch({ touch: 'undo' })
    run.touch({ touch: 'undo' })
    expect(run.effects.slice(-2)).toEqual([
      { do: 'withdraw', ref: topUp!.ref },
      { do: 'withdraw', ref: says!.ref },
    ])
    expect(run.state.level.most).toBeCloseTo(drawn, 9)
    expect(run.state.level.least).toBeLessThan(drawn - 4)
  })
  it('takes the last touch back, and the cycle that it filed; the pedal is called up once more, for nobody knows now', () => {
    const run = going(plan([{ method: 'openPush', cycles: 2 }]))
    run.until((state) => state.cycle === 1)
    run.touch({ touch: 'undo' })
    expect(run.effects.at(-1)).toEqual({ do: 'withdraw', ref: '0.0' })
    expect(run.state.world).toMatchObject({
      screw: 'shut',
      screwSure: true,
      pedal: 'up',
      pedalSure: false,
    })
    expect(run.call).toBe('up')
    run.touch({ touch: 'answer' }, 'pedal')
    expect(run.effects.at(-1)).toMatchObject({ do: 'cycle', ref: '0.0' })
  })
  it('what was put on stays in the ledger, and is called again', () => {
    const run = going(plan(partsOf([{ method: 'openPush', cycles: 1 }], false)))
    run.until(callIs('open'))
    run.touch({ touch: 'undo' })
    expect(run.call).toBe('hose')
    expect(run.effects.some((one) => one.do === 'withdraw')).toBe(false)
    run.through()
    const ledger = run.effects.filter((one) => /putOn|removed|takenOff|refitted/.test(one.do))
    expect(ledger.map((one) => one.do)).toEqual(['removed', 'putOn', 'takenOff', 'refitted'])
    const put = ledger.find((one) => one.do === 'putOn')!
    expect(put).toMatchObject({ item: 'bleedHose', place: 'the bleed screw' })
    expect(ledger[2]).toMatchObject({ of: put.ref })
  })
})

describe('what was done is always written down', () => {
  it('a stroke that was not called counts, and draws', () => {
    const run = going(plan([{ method: 'openPush', cycles: 3 }], { usable: 7, shared: true }))
    run.until((state) => state.held !== null)
    run.touch({ touch: 'didAnyway' })
    expect(run.state).toMatchObject({ held: 'low', move: 1 })
    expect(run.call).toBe('shut')
    run.touch({ touch: 'didAnyway' })
    run.until((state) => state.cycle === 2)
    expect(filed(run.effects)).toHaveLength(2)
    expect(run.state.level.most).toBeGreaterThan(5)
  })
})

it('what is said of the last cycle meanwhile makes no answer late; an answer to the call before is', () => {
  const run = going(plan([{ method: 'openPush', cycles: 3 }]))
  run.until((state) => state.cycle === 1 && callIs('down')(state))
  const { n, calledAt } = run.state
  run.touch({ touch: 'cameOut', cameOut: 'few' })
  expect(run.state).toMatchObject({ n: n + 1, calledAt })
  expect(callNow(touched(run.state, 'p', { touch: 'answer' }, 'pedal', n).state)!.call).toBe('shut')
  expect(touched(run.state, 'q', { touch: 'answer' }, 'pedal', n - 1).state).toBe(run.state)
})

describe('what goes wrong beside a cycle', () => {
  it('is said while it happens, and filed with that cycle; after it, of the last', () => {
    const run = going(plan([{ method: 'openPush', cycles: 2 }]))
    run.until(callIs('down'))
    run.touch({ touch: 'sign', sign: 'hoseOff' })
    run.touch({ touch: 'oneMore' })
    run.until((state) => state.cycle === 1)
    expect(filed(run.effects)[0]).toMatchObject({ payload: { signs: ['hoseOff'] } })
    expect(run.state).toMatchObject({ signs: [], cycle: 1, cycles: [3] })
    run.touch({ touch: 'sign', sign: 'threadWet' })
    expect(run.effects.at(-1)).toMatchObject({
      do: 'correct',
      payload: { signs: ['hoseOff', 'threadWet'] },
    })
    run.touch({ touch: 'sign', sign: 'hoseOff' })
    expect(run.effects.at(-1)).toMatchObject({ payload: { signs: ['threadWet'] } })
  })
  const saying = (came: ('foam' | 'nothing' | 'few')[], more = {}) => {
    const run = going(plan([{ method: 'openPush', cycles: 12, ...more }], { usable: 200 }))
    came.forEach((cameOut, i) => {
      run.until((state) => state.cycle === i + 1)
      run.touch({ touch: 'cameOut', cameOut })
    })
    return run
  }
  it('foam or nothing three times running interrupts between two cycles; after it was read, not before three more', () => {
    expect(saying(['foam', 'foam']).state.unusual).toBeNull()
    expect(saying(['foam', 'few', 'foam', 'foam']).state.unusual).toBeNull()
    expect(saying(['nothing', 'nothing', 'nothing']).state.unusual).toBe('nothing')
    const run = saying(['foam', 'foam', 'foam'])
    expect([run.state.unusual, run.call]).toEqual(['foam', null])
    run.touch({ touch: 'goOn' })
    expect(run.call).toBe('open')
    for (const n of [4, 5, 6]) {
      expect(run.state.unusual).toBeNull()
      run.until((state) => state.cycle === n)
      run.touch({ touch: 'cameOut', cameOut: 'foam' })
    }
    expect(run.state.unusual).toBe('foam')
  })
  it('an empty circuit gives nothing at first: not before twice the cycle at which fluid is due', () => {
    const fill = { phase: 'fill', fluidBy: 2 }
    expect(saying(['nothing', 'nothing', 'nothing'], fill).state.unusual).toBeNull()
    expect(saying(['nothing', 'nothing', 'nothing', 'nothing'], fill).state.unusual).toBe('nothing')
  })
})

describe('proof in stages', () => {
  it('each stage is stroked short and asks for its own free travel; a plug is in the ledger until it is out', () => {
    const steps = (['masterAlone', 'withLine', 'withSlave'] as const).map((method) => ({
      method,
      cycles: 1,
    }))
    const run = going(plan(partsOf(steps, false)))
    const asked: unknown[] = []
    for (let i = 0; i < 60 && !(run.state.done && !run.state.asks); i++) {
      if (run.state.asks) {
        asked.push(run.state.asks)
        run.touch({ touch: 'travel', mm: 10 + asked.length })
      } else run.on()
    }
    expect(asked).toEqual(['master', 'masterAndLine', 'whole'])
    const stages = run.effects.flatMap((one) => (one.do === 'stageProof' ? [[one.stage, one.mm]] : []))
    expect(stages).toEqual([
      ['master', 11],
      ['masterAndLine', 12],
      ['whole', 13],
    ])
    expect(run.calls).toEqual([
      ...['fill', 'plug', 'short', 'pull', 'join', 'plug', 'short', 'pull', 'join', 'short'],
    ])
    const plugs = run.effects.flatMap((one) => ('item' in one && one.item === 'plug' ? [one.do] : []))
    expect(plugs).toEqual(['putOn', 'putOn'])
  })
})

it('tells the move after the one that is called, before somebody walks', () => {
  const run = going(plan([{ method: 'prop', cycles: 2 }], { people: 1 }))
  run.until(callIs('walk'))
  const told: string[] = []
  for (let i = 0; i < 10; i++) {
    told.push(`${run.call} ${nextMove(run.state)?.call ?? '-'}`)
    run.on()
  }
  expect(told.slice(0, 5)).toEqual(['walk open', 'open walk', 'walk down', 'down bar', 'bar walk'])
})
it('refuses to start what one alone cannot do', () => {
  expect(() => startCoach(plan([{ method: 'openPush', cycles: 1 }], { people: 1 }))).toThrow(/refused/)
})
it('fill, flush and finish of an empty circuit', () => {
  const phases = (steps: Parameters<typeof partsOf>[0], dry: boolean) =>
    partsOf(steps, dry).map(({ method, phase }) => `${method} ${phase ?? ''}`.trim())
  const steps = [
    { method: 'gravity', cycles: 2 },
    { method: 'vacuum', cycles: 2 },
    { method: 'openPush', cycles: 4 },
    { method: 'shortStrokes', cycles: 1 },
  ] as const
  expect(phases(steps, true)).toEqual([
    ...['gravity fill', 'vacuum flush', 'openPush finish', 'shortStrokes', 'endFill'],
  ])
  expect(phases(steps, false).slice(0, 3)).toEqual(['gravity flush', 'vacuum flush', 'openPush finish'])
  expect(phases([{ method: 'benchLoop', cycles: 10 }], false)).toEqual(['benchLoop', 'putAway'])
  expect(phases([{ method: 'openPush', cycles: 0 }], false)).toEqual([])
})

import { describe, expect, it } from 'vitest'
import { callNow, onAlready, partsOf, startCoach, touched, type Effect } from '.'
import { callIs, going } from './going'
import { planTried as plan } from './plan-tried'

const END = ['tighten', 'detach', 'fill', 'cap']
const filed = (effects: readonly Effect[]) => effects.filter((one) => one.do === 'cycle')

describe('stop, and whatever holds it back', () => {
  it.each(['gravity', 'submerged', 'checkValve', 'openPush', 'pumpHold', 'bottomed'] as const)(
    '%s: stopped with the screw open calls Close first; it is opened again by a call, never assumed',
    (method) => {
      const run = going(plan([{ method, cycles: 2 }]))
      run.until((state) => state.world.screw === 'open')
      run.touch({ touch: 'pause' })
      expect(run.call).toBe('shut')
      expect(touched(run.state, 'r', { touch: 'resume' }).state).toBe(run.state)
      run.on()
      expect(run.call).toBeNull()
      expect(run.state).toMatchObject({ paused: true, world: { screw: 'shut' } })
      run.touch({ touch: 'resume' })
      const before = run.calls.length
      run.until((state) => state.world.screw === 'open' || state.done)
      expect(run.calls.slice(before).at(-1)).toBe('open')
      // What was pumped is lost by then: it is pumped again.
      if (method === 'pumpHold') expect(run.calls.slice(before)).toContain('pump')
    },
  )
  it('gravity that is stopped has run meanwhile: the level counts the whole minute at the most', () => {
    const run = going(plan([{ method: 'gravity', cycles: 3 }]))
    run.until(callIs('wait'))
    run.touch({ touch: 'pause' })
    expect(run.state.level).toMatchObject({ middle: 20, most: 40 })
  })
  it('held low with the screw open: closed, filled, and opened again', () => {
    const run = going(plan([{ method: 'submerged', cycles: 30 }]))
    run.until((state) => state.held !== null)
    expect([run.state.held, run.call]).toEqual(['low', 'shut'])
    expect(touched(run.state, 'o', { touch: 'override' }).state).toBe(run.state)
    run.on()
    expect(run.call).toBeNull()
    run.touch({ touch: 'toppedUp' })
    expect(run.call).toBe('open')
    run.on()
    expect(run.call).toBe('down')
  })
  it('held low under pressure: the pressure goes before the reservoir is opened, and comes back before the screw is', () => {
    const run = going(
      plan([{ method: 'pressure', cycles: 9, draws: [{ low: 20, middle: 25, high: 30 }] }]),
    )
    run.until((state) => state.held !== null)
    const before = run.calls.length
    run.until((state) => state.cycle === 2)
    expect(run.calls.slice(before)).toEqual(['vent', 'apply', 'open', 'flow', 'shut'])
  })
  it('the rest of a part left out in a cycle’s midst is gone through to its end', () => {
    const run = going(plan([{ method: 'openPush', cycles: 9 }]))
    run.until(callIs('shut'))
    run.touch({ touch: 'nextPart' })
    expect(run.call).toBe('shut')
    run.until((state) => state.asks !== null)
    expect(filed(run.effects)).toHaveLength(1)
  })
})

describe('a pedal that stays down', () => {
  it('said so by the seat, is called up again before the next stroke', () => {
    const run = going(plan([{ method: 'openPush', cycles: 3 }]))
    run.until((state) => state.cycle === 1)
    expect(run.call).toBe('open')
    run.touch({ touch: 'says', says: 'stuck' })
    expect(run.call).toBe('up')
    run.on()
    expect(run.call).toBe('open')
  })
})

describe('another device takes the lead', () => {
  it('closes first, sees that the pedal is up, and begins the cycle again', () => {
    const run = going(plan([{ method: 'openPush', cycles: 3 }]))
    run.until(callIs('up'))
    run.touch({ touch: 'takenOver' })
    const before = run.calls.length
    run.until((state) => state.cycle === 1)
    expect(run.calls.slice(before)).toEqual(['shut', 'up', 'open', 'down', 'shut', 'up'])
  })
  it('what the silent one may have drawn meanwhile counts', () => {
    const run = going(plan([{ method: 'openPush', cycles: 30 }]))
    run.until((state) => state.cycle === 2)
    const { most } = run.state.level
    run.touch({ touch: 'takenOver' })
    expect(run.state.level.most).toBeGreaterThanOrEqual(most + 2 * 4.55)
  })
  it('where nothing is opened and no pedal moved nothing is in doubt', () => {
    const run = going(plan(partsOf([{ method: 'slaveStrokes', cycles: 2 }], false)))
    run.until(callIs('out'))
    run.touch({ touch: 'takenOver' })
    expect(run.call).toBe('out')
  })
})

describe('what is on already when a run begins', () => {
  it('is what the ledger has at its places, each entry once', () => {
    const held = <T>(id: string, payload: T) => ({
      id,
      payload,
      at: '',
      by: '',
      sent: true,
      corrections: [],
    })
    expect(
      onAlready({
        putOn: [
          held('a', { item: 'bleedHose' as const, place: 'the bleed screw' }),
          held('b', { item: 'tag' as const, place: 'pedal' }),
          held('c', { item: 'clamp' as const, place: 'the feed hose' }),
          held('d', { item: 'tilt' as const, place: 'the vehicle' }),
        ],
        removed: [held('e', { item: 'cap' as const, place: 'the reservoir' })],
        reversed: new Map([['d', held('f', { of: 'd' })]]),
      }).map(({ thing, id }) => `${thing} ${id}`),
    ).toEqual(['capOff e', 'hose a', 'tag b'])
  })
  it('is called once more to be sure, is not put on twice, and comes off at the end', () => {
    const parts = partsOf([{ method: 'openPush', cycles: 1 }], false)
    let state = startCoach(plan(parts), [
      { thing: 'tag', id: 'e1' },
      { thing: 'hose', id: 'e2' },
    ])
    const calls: string[] = []
    const effects: Effect[] = []
    for (let i = 0; i < 40 && !(state.done && !state.asks); i++) {
      const move = callNow(state)
      if (move) calls.push(move.call)
      const next = touched(state, `t${i}`, move ? { touch: 'answer' } : { touch: 'travel', mm: null })
      state = next.state
      effects.push(...next.effects)
    }
    // A pedal that is tagged is freed first.
    expect(calls).toEqual(['untag', 'fill', 'hose', 'open', 'down', 'shut', 'up', ...END])
    expect(effects.filter((one) => one.do === 'putOn')).toEqual([])
    expect(effects.flatMap((one) => (one.do === 'takenOff' ? [one.of] : []))).toEqual([
      'n9000000',
      'n9000001',
    ])
  })
})

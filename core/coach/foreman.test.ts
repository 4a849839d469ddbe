import { describe, expect, it } from 'vitest'
import { partsOf, refusalsOf, type Coached, type PlannedStep } from '.'
import { callIs, going } from './going'
import { planTried as plan } from './plan-tried'

/**
 * What a foreman would hear between two methods, and after somebody broke in. Each row was written before the coach was run on it.
 */
const run = (steps: PlannedStep[], people: 1 | 2 = 2) => going(plan(partsOf(steps, false), { people }))
const calls = (...steps: [Coached, number][]) => {
  const gone = run(steps.map(([method, cycles]) => ({ method, cycles })))
  gone.through()
  return gone.calls
}
/** Calls from the last cycle of the first part to the first opening, or stroke, of the second. */
const first = (list: readonly string[], one: string) => list.indexOf(one)
const last = (list: readonly string[], one: string) => list.lastIndexOf(one)
const count = (list: readonly string[], one: string) => list.filter((now) => now === one).length
/** Calls from here until the next cycle has begun or it is done. */
const onwards = (gone: ReturnType<typeof run>, until: string) => {
  const from = gone.calls.length
  for (let i = 0; i < 60 && gone.calls.slice(from).at(-1) !== until; i++) gone.on()
  return gone.calls.slice(from)
}

describe('from one method to the next', () => {
  it('a hose that serves both stays on, and is put on once', () => {
    const list = calls(['gravity', 2], ['openPush', 2])
    expect([count(list, 'hose'), count(list, 'detach')]).toEqual([1, 1])
  })
  it('a pump’s hose takes the place of the bottle’s: off first, then on, then vacuum', () => {
    const list = calls(['openPush', 1], ['vacuum', 1])
    expect(first(list, 'detach')).toBeLessThan(first(list, 'rig'))
    expect(first(list, 'rig')).toBeLessThan(first(list, 'apply'))
  })
  it('and back: vacuum let off, pump off, bottle’s hose on, then open', () => {
    const list = calls(['vacuum', 1], ['openPush', 1])
    expect(first(list, 'vent')).toBeLessThan(first(list, 'detach'))
    expect(first(list, 'detach')).toBeLessThan(first(list, 'hose'))
    expect(first(list, 'hose')).toBeLessThan(last(list, 'open'))
  })
  it('pressure is let off, and its cap taken off, before fluid is to run by itself', () => {
    const list = calls(['pressure', 1], ['gravity', 1])
    expect(first(list, 'vent')).toBeLessThan(first(list, 'detach'))
    expect(first(list, 'detach')).toBeLessThan(last(list, 'open'))
  })
  it('what was drawn down to be filled from below is at its mark again before anybody strokes from the top', () => {
    const list = calls(['inject', 1], ['openPush', 1])
    expect(first(list, 'detach')).toBeLessThan(first(list, 'hose'))
    expect(first(list, 'fill')).toBeGreaterThan(first(list, 'inject'))
    expect(first(list, 'fill')).toBeLessThan(last(list, 'open'))
  })
  it('a pedal is wedged overnight only on a screw that is tight', () => {
    const list = calls(['openPush', 2], ['wedged', 1])
    expect(first(list, 'tighten')).toBeGreaterThan(last(list, 'shut'))
    expect(first(list, 'tighten')).toBeLessThan(first(list, 'wedge'))
  })
  it('a vehicle that is tipped comes down again, once, and before the last fill', () => {
    const list = calls(['openPush', 1], ['noseUp', 1], ['openPush', 1])
    expect([count(list, 'raise'), count(list, 'wheels')]).toEqual([1, 1])
    expect(first(list, 'wheels')).toBeLessThan(last(list, 'fill'))
  })
  it('a master that is filled on the bench: its loop is off before the vehicle is bled', () => {
    const list = calls(['benchLoop', 2], ['openPush', 1])
    expect(first(list, 'plug')).toBeLessThan(first(list, 'open'))
  })
  it('short strokes after a bleed ask for no open screw', () => {
    const list = calls(['openPush', 1], ['shortStrokes', 1])
    expect(last(list, 'open')).toBeLessThan(first(list, 'short'))
    expect(last(list, 'shut')).toBeLessThan(first(list, 'short'))
  })
})

describe('broken into', () => {
  it.each(['vacuum', 'pressure'] as const)(
    '%s while it flows: closed, and opened again later',
    (method) => {
      const gone = run([{ method, cycles: 2 }])
      gone.until(callIs('flow'))
      gone.touch({ touch: 'pause' })
      expect(gone.call).toBe('shut')
      gone.on()
      gone.touch({ touch: 'resume' })
      expect(onwards(gone, 'flow').slice(-2)).toEqual(['open', 'flow'])
    },
  )
  it('alone, the bar in, on the way to the screw: the screw is closed, then the bar comes out before the next stroke', () => {
    const gone = run([{ method: 'prop', cycles: 3 }], 1)
    gone.until(callIs('bar'))
    gone.on()
    gone.touch({ touch: 'pause' })
    expect(gone.call).toBe('shut')
    gone.on()
    expect(gone.state.world.heldBy).toBe('bar')
    gone.touch({ touch: 'resume' })
    const next = onwards(gone, 'open')
    expect(next).toContain('remove')
    expect(next.indexOf('remove')).toBeLessThan(next.indexOf('open'))
  })
  it('the rest is left out once it is pumped up: held, opened, closed, let up', () => {
    const gone = run([{ method: 'pumpHold', cycles: 5 }])
    gone.until(callIs('hold'))
    gone.touch({ touch: 'nextPart' })
    expect(onwards(gone, 'up')).toEqual(['hold', 'open', 'shut', 'up'])
  })
  it('at a union that is cracked it is nipped up, not “closed”', () => {
    const gone = run([{ method: 'crackedUnion', cycles: 3 }])
    gone.until(callIs('nip'))
    gone.touch({ touch: 'pause' })
    expect(gone.call).toBe('nip')
  })
  it('tightened, and taken back: tightened again before its hose comes off', () => {
    const gone = run([{ method: 'openPush', cycles: 1 }])
    gone.until(callIs('detach'))
    gone.touch({ touch: 'undo' })
    expect(onwards(gone, 'detach')).toEqual(['tighten', 'detach'])
  })
  it('the hose off, and taken back: only the hose', () => {
    const gone = run([{ method: 'openPush', cycles: 1 }])
    gone.until(callIs('detach'))
    gone.on()
    gone.touch({ touch: 'undo' })
    expect(gone.call).toBe('detach')
  })
  it('another leads while it runs by itself: closed first, then opened and waited for anew', () => {
    const gone = run([{ method: 'gravity', cycles: 2 }])
    gone.until(callIs('wait'))
    gone.touch({ touch: 'takenOver' })
    expect(onwards(gone, 'wait')).toEqual(['shut', 'open', 'wait'])
  })
  it('another leads while the bar holds it: closed, the bar out, up', () => {
    const gone = run([{ method: 'prop', cycles: 2 }], 1)
    gone.until(callIs('bar'))
    gone.on()
    gone.touch({ touch: 'takenOver' })
    const next = onwards(gone, 'open')
    expect(next.filter((one) => one !== 'walk')).toEqual(['shut', 'remove', 'up', 'open'])
  })
  it('a pedal that stays down after the pumped-up opening is called up before it is pumped', () => {
    const gone = run([{ method: 'pumpHold', cycles: 3 }])
    gone.until((state) => state.cycle === 1)
    gone.touch({ touch: 'says', says: 'stuck' })
    expect(gone.call).toBe('up')
  })
})

describe('what is offered instead', () => {
  const here = { screw: false, people: 1, shared: false, kit: [] } as const
  it('asks for nothing that is not in the shop', () => {
    const instead = refusalsOf([{ method: 'openPush' }], here)[0]!.instead
    expect(instead).not.toContain('reservoirVacuum')
    expect(instead[0]).toBe('slaveStrokes')
  })
  it('is what the shop has tools for, where it has them', () => {
    const [one] = refusalsOf([{ method: 'openPush' }], { ...here, kit: ['vacuumPump', 'pressureCap'] })
    expect(one!.instead).toContain('reservoirVacuum')
  })
  it('alone without a bar to hand: a hose with a valve, or one under fluid, is not the bar', () => {
    const [one] = refusalsOf([{ method: 'openPush' }], { ...here, screw: true, kit: ['hose'] })
    expect(one!.instead).toContain('submerged')
  })
  it('what the brakes share is never pressed or drawn through their reservoir', () => {
    const kit = ['vacuumPump', 'pressureCap', 'injector'] as const
    const [one] = refusalsOf([{ method: 'pressure' }], { screw: true, people: 2, shared: true, kit })
    for (const method of ['reservoirVacuum', 'inject', 'pressure'] as const)
      expect(one!.instead).not.toContain(method)
  })
})

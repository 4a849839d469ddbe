import { describe, expect, it } from 'vitest'
import { firstWay, partsOf, refusalsOf, type Coached, type PlannedStep } from '.'
import { callIs, going } from './going'
import { planTried as plan } from './plan-tried'

/** What a foreman would hear, once more: written before the coach was run on it, after the first such list had been mended by. */
const run = (steps: PlannedStep[], people: 1 | 2 = 2, usable = 60) =>
  going(plan(partsOf(steps, false), { people, usable }))
const calls = (...steps: [Coached, number][]) => {
  const gone = run(steps.map(([method, cycles]) => ({ method, cycles })))
  gone.through()
  return gone.calls
}
const before = (list: readonly string[], one: string, other: string) => {
  expect(list).toContain(one)
  expect(list).toContain(other)
  expect(list.indexOf(one)).toBeLessThan(list.indexOf(other))
}

describe('what ends, and what comes after it', () => {
  it('a slave that was stroked with its bolts out is bolted on before the pedal is freed', () =>
    before(calls(['slaveStrokes', 2]), 'refit', 'untag'))
  it('the wedge comes out before the tag does, and the pedal comes up', () => {
    const list = calls(['wedged', 1])
    before(list, 'remove', 'up')
    before(list, 'up', 'untag')
  })
  it('the slave is let go before its pedal is freed', () =>
    before(calls(['bottomed', 1]), 'unclamp', 'untag'))
  it('a valve hose takes the place of the plain one: one comes off, one goes on', () => {
    const list = calls(['openPush', 1], ['checkValve', 1])
    expect(list.filter((one) => one === 'hose' || one === 'detach')).toEqual([
      ...['hose', 'detach', 'hose', 'detach'],
    ])
  })
  it('a cracked union is tight before its rag goes', () =>
    before(calls(['crackedUnion', 2]), 'tighten', 'wipe'))
  it('whatever was done, the reservoir is filled and capped last', () => {
    for (const method of ['gravity', 'vacuum', 'inject', 'hang', 'bottomed', 'noseUp'] as const)
      expect(calls([method, 1]).slice(-2), method).toEqual(['fill', 'cap'])
  })
})

describe('broken into once more', () => {
  it('stopped with the pedal down and the screw shut, the pedal is let up before the next opening', () => {
    const gone = run([{ method: 'openPush', cycles: 3 }])
    gone.until(callIs('up'))
    gone.touch({ touch: 'pause' })
    expect(gone.call).toBeNull()
    gone.touch({ touch: 'resume' })
    expect(gone.call).toBe('up')
  })
  it('stopped while it is pumped up with the screw shut: the seat kept standing on it, so it is opened', () => {
    const gone = run([{ method: 'pumpHold', cycles: 2 }])
    gone.until(callIs('open'))
    gone.touch({ touch: 'pause' })
    expect(gone.state.world).toMatchObject({ screw: 'shut', pedal: 'down', heldBy: 'foot' })
    gone.touch({ touch: 'resume' })
    expect(gone.call).toBe('open')
  })
  it('a hose that came off, and is put on anew, does not open the screw by itself', () => {
    const gone = run([{ method: 'openPush', cycles: 3 }])
    gone.until((state) => state.cycle === 1)
    gone.touch({ touch: 'sign', sign: 'hoseOff' })
    expect(gone.call).toBe('open')
    expect(gone.state.world.screw).toBe('shut')
  })
  it('a small reservoir is never asked for more than it holds: filled before the stroke that would empty it', () => {
    const gone = run([{ method: 'openPush', cycles: 6 }], 2, 13)
    gone.until((state) => state.held !== null)
    expect(gone.state.cycle).toBe(2)
    expect(gone.state.world).toMatchObject({ screw: 'shut', pedal: 'up' })
  })
})

describe('who can do what', () => {
  it('alone with a bar begins with the bar; with a hose only, with the hose under fluid', () => {
    const here = { screw: true, people: 1, shared: false } as const
    expect(firstWay({ ...here, kit: ['hose', 'prop'] })).toBe('prop')
    expect(firstWay({ ...here, kit: ['hose'] })).toBe('submerged')
  })
  it('two with nothing but a hose begin as everybody does', () =>
    expect(firstWay({ screw: true, people: 2, shared: false, kit: ['hose'] })).toBe('openPush'))
  it('nothing that is refused is offered instead of itself', () => {
    for (const method of ['openPush', 'pumpHold', 'crackedUnion'] as const)
      for (const one of refusalsOf([{ method }], { screw: false, people: 1, shared: true, kit: [] }))
        expect(one.instead).not.toContain(method)
  })
})

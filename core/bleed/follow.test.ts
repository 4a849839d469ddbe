import { describe, expect, it } from 'vitest'
import { overCrest } from '../../tests/arbitrary/bleed-routes'
import { fromArchetype } from '../installation'
import { laidOut, type RankAsked } from '.'
import { Following, gradeOf } from './follow'
import { simulated } from '../../tests/arbitrary/simulated-bleed'

const asked = (seed: number): RankAsked => ({
  // Over a crest, where what comes out tells where the air is.
  laid: { ...laidOut(fromArchetype('small-car')), line: overCrest(5.2) },
  start: { line: 1.5, slave: 0.8, master: 0.7 },
  target: { value: 0.3, from: 'given', reachable: true },
  people: 2,
  kit: ['hose'],
  set: {},
  noseUp: 0,
  draws: 1,
  seed,
})

describe('what came out', () => {
  it.each([
    [0, 0.05, 'nothing'],
    [0.01, 4, 'clear'],
    [0.1, 4, 'few'],
    [0.5, 4, 'large'],
    [3, 4, 'foam'],
  ] as const)('%d ml of gas in %d ml is %s', (gas, all, grade) => expect(gradeOf(gas, all)).toBe(grade))
})

describe('a bleed that is followed', () => {
  // Enough to see that the range is neither blind nor sure of itself; how well it is calibrated takes hundreds.
  it('knows better after eight cycles what is left, and is not surer than it is right', () => {
    const runs = 10
    let held = 0
    const narrowed: number[] = []
    for (let seed = 1; seed <= runs; seed++) {
      const question = asked(seed)
      const { logged, left } = simulated(question, 8, 1000 + seed)
      const following = new Following(question)
      const before = new Following(question)
      for (const one of logged) {
        following.take(one)
        const { method, strokes } = one
        before.take({ method, ...(strokes !== undefined && { strokes }) })
      }
      const [now, blind] = [following.now().total, before.now().total]
      if (left >= now.low - 0.005 && left <= now.high + 0.005) held += 1
      narrowed.push((now.high - now.low) / Math.max(0.01, blind.high - blind.low))
    }
    expect(held / runs).toBeGreaterThanOrEqual(0.6)
    narrowed.sort((a, b) => a - b)
    expect(narrowed[runs / 2]!).toBeLessThan(0.75)
  }, 60_000)
  it('the same log has the same answer', () => {
    const question = asked(3)
    const { logged } = simulated(question, 4, 9)
    const now = () => {
      const following = new Following(question)
      for (const one of logged) following.take(one)
      return JSON.stringify(following.now())
    }
    expect(now()).toBe(now())
  })
  it('a reading of the pedal outranks what the model holds for possible', () => {
    const following = new Following(asked(2))
    for (let i = 0; i < 8; i++) following.take({ method: 'vacuum', cameOut: 'clear' })
    const before = following.now().total
    following.take({ air: 1.5, sigma: 0.15 })
    const once = following.now().total
    following.take({ air: 1.5, sigma: 0.15 })
    const twice = following.now().total
    expect(before.high).toBeLessThan(0.9)
    expect(once.middle).toBeGreaterThan(before.middle + 0.3)
    expect(twice.middle).toBeGreaterThan(once.middle)
    expect(twice.middle).toBeLessThan(1.7)
  })
})

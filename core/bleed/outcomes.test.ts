import { describe, expect, it } from 'vitest'
import { falling, overCrest } from '../../tests/arbitrary/bleed-routes'
import type { BleedCycle } from '../entries'
import { fromArchetype } from '../installation'
import { formatOf } from '../quantity'
import { whole } from '../run'
import {
  countOutcomes,
  drawnConstants,
  fillingOf,
  learnRun,
  outcomeOf,
  rankRun,
  routingOf,
  tryOut,
  usualConstants,
  USUAL_MASTER,
  USUAL_SLAVE,
  type BleedOutcome,
  type RankAsked,
} from '.'

const asked: RankAsked = {
  laid: { line: overCrest(4.9), master: USUAL_MASTER, slave: USUAL_SLAVE, shared: false },
  start: { line: 1.5, slave: 0.8, master: 0.7 },
  target: { value: 0.3, from: 'given', reachable: true },
  people: 2,
  kit: ['hose'],
  set: {},
  noseUp: 0,
  draws: 8,
  seed: 1,
}
const cycles = (n: number, method: BleedCycle['method'] = 'pumpHold'): BleedCycle[] =>
  Array.from({ length: n }, () => ({ method, strokes: 4, cameOut: 'few' as const }))
/** A shop where hardly anything comes out at an opening, or a lot: pumping and holding leaves as much after fifteen. */
const outcome = (after: number): BleedOutcome => ({
  laid: asked.laid,
  routing: 'crest',
  cycles: cycles(15),
  before: 3,
  after,
})
const share = (name: 'letOut', learned: ReturnType<typeof learn>) => {
  const list = drawnConstants({}, 200, 3, learned).map((one) => one[name])
  return list.sort((a, b) => a - b)[100]!
}
const learn = (...list: BleedOutcome[]) => whole(learnRun(list, 4))

/** Thrice the same: what both of the next two tests ask. */
const poor = learn(outcome(2.9), outcome(2.8), outcome(2.9))
const good = learn(outcome(0.3), outcome(0.2), outcome(0.3))

describe('what a shop’s own bleeds say', () => {
  it('moves the constants that bear on it, and no others, and never makes them sure', () => {
    expect(poor.count).toBe(3)
    expect(share('letOut', poor)).toBeLessThan(0.35)
    expect(share('letOut', good)).toBeGreaterThan(share('letOut', poor))
    expect(poor.of.jetMix).toBeUndefined()
    for (const { sd } of Object.values(poor.of)) expect(sd).toBeGreaterThanOrEqual(0.35)
  })
  it('and with them what a rank expects of the method', () => {
    const rest = (learned?: ReturnType<typeof learn>) =>
      whole(rankRun({ ...asked, methods: ['pumpHold'], ...(learned && { learned }) }))[0]!.residual
        .total.middle
    expect(rest(poor)).toBeGreaterThan(rest())
  })
  it('nothing is learnt from nothing, and the same bleeds teach the same', () => {
    expect(learn()).toEqual({ count: 0, of: {} })
    expect(learn(outcome(1))).toEqual(learn(outcome(1)))
  })
  it('is counted by method and by how the line lies', () => {
    const list = [outcome(0.3), outcome(0.6), { ...outcome(0.3), cycles: cycles(2, 'vacuum') }]
    expect(countOutcomes(list)).toEqual([
      {
        method: 'pumpHold',
        routing: 'crest',
        bleeds: 2,
        cycles: 15,
        gone: expect.closeTo(0.9, 6) as number,
      },
      {
        method: 'vacuum',
        routing: 'crest',
        bleeds: 1,
        cycles: 2,
        gone: expect.closeTo(0.9, 6) as number,
      },
    ])
  })
  it('comes from cycles and free travel before and after, where both are of this circuit', () => {
    const installation = fromArchetype('long-line')
    const one = outcomeOf(installation, cycles(3), 60, 20)!
    expect(one.before).toBeGreaterThan(one.after)
    expect(one.routing).toBe('crest')
    expect(routingOf(fromArchetype('light-truck'))).toBe('falls')
    expect(outcomeOf(installation, [], 60, 20)).toBeNull()
    expect(outcomeOf(installation, cycles(3), 60, null)).toBeNull()
    expect(outcomeOf(installation, cycles(3), 60, 0)).toBeNull()
  })
})

describe('filling a dry circuit', () => {
  const dry = { ...asked, laid: { ...asked.laid, line: falling(4.9) }, start: 'dry' as const, draws: 3 }
  it('says when fluid comes, when to stop, and what looks wrong and is not', () => {
    const [best] = whole(rankRun({ ...dry, methods: ['openPush'] }))
    const filling = fillingOf(best!, formatOf('metric'))
    expect(filling.method).toBe('openPush')
    expect(filling.firstFluidAt).toBeGreaterThan(3)
    expect(filling.stop).toContain(`Fluid is expected at stroke ${filling.firstFluidAt}`)
    expect(filling.looksWrong).toHaveLength(4)
    // At least what line, slave and master hold.
    expect(filling.fluid.high).toBeGreaterThan(20_000)
  })
  it('over night, pressed together, the air of a falling line rises out; over a crest it stays', () => {
    const night = (line: RankAsked['laid']['line']) =>
      tryOut(['overnight'], { ...asked, laid: { ...asked.laid, line } }, usualConstants())
    expect(night(falling(4.9)).line).toBeLessThan(0.05)
    expect(night(overCrest(4.9)).line).toBeGreaterThan(1.3)
  })
})

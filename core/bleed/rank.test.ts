import { describe, expect, it } from 'vitest'
import { falling, overCrest } from '../../tests/arbitrary/bleed-routes'
import { fromArchetype, ARCHETYPES } from '../installation'
import { KIT } from '../journal'
import { formatOf } from '../quantity'
import { whole } from '../run'
import {
  BLEED_CONSTANTS,
  drawnConstants,
  entryWords,
  laidOut,
  rankRun,
  restsOn,
  tryOut,
  usualConstants,
  USUAL_MASTER,
  USUAL_SLAVE,
  type BleedPath,
  type BleedRun,
  type LaidCircuit,
  type RankAsked,
  type RankedEntry,
} from '.'

const FALLS = falling(4.9)
const asked = (
  line: BleedPath,
  more: Partial<RankAsked> = {},
  laid: Partial<LaidCircuit> = {},
): RankAsked => ({
  laid: { line, master: USUAL_MASTER, slave: USUAL_SLAVE, shared: false, ...laid },
  start: { line: 1.5, slave: 0.8, master: 0.7 },
  target: { value: 0.3, from: 'given', reachable: true },
  people: 2,
  kit: KIT.filter((one) => one !== 'checkValveHose'),
  set: {},
  noseUp: 0,
  draws: 6,
  seed: 1,
  ...more,
})
const rank = (...given: Parameters<typeof asked>) => whole(rankRun(asked(...given)))
const named = (list: RankedEntry[], ...steps: BleedRun[]) =>
  list.find((one) => one.steps.map(({ method }) => method).join() === steps.join())
const first = (list: RankedEntry[]) => list[0]!.steps.map(({ method }) => method)

describe('methods, ranked as practice has them', () => {
  it('over a crest in a wide line: strokes never clear it, one to three pulls do, and short strokes finish', () => {
    const list = rank(overCrest(6))
    for (const method of ['openPush', 'pumpHold'] as const) {
      expect(named(list, method)!.chance).toBeLessThan(0.2)
      expect(named(list, method)!.cannotReach).toContain('line')
    }
    for (const method of ['vacuum', 'pressure'] as const)
      expect(
        named(list, method, 'shortStrokes')?.lineClearAt ?? named(list, method)!.lineClearAt,
      ).toBeLessThanOrEqual(3)
    expect(['vacuum', 'pressure']).toContain(first(list)[0])
    expect(named(list, 'vacuum', 'shortStrokes')!.chance).toBeGreaterThan(0.8)
    expect(named(list, 'vacuum')!.residual.master.middle).toBeGreaterThan(0.25)
  })
  it('in a narrower line over the same crest open and push goes before pump and hold', () => {
    const list = rank(overCrest(4.9), { methods: ['openPush', 'pumpHold'] })
    expect(first(list)).toEqual(['openPush'])
    expect(named(list, 'openPush')!.minutes.middle).toBeLessThan(
      named(list, 'pumpHold')!.minutes.middle,
    )
  })
  it('a falling line by gravity clears the line and leaves the master; short strokes finish it', () => {
    const list = rank(FALLS, { people: 1, kit: ['hose'] })
    expect(named(list, 'gravity')!.cannotReach).toEqual(['master'])
    expect(named(list, 'gravity', 'shortStrokes')!.chance).toBeGreaterThan(0.8)
  })
  it('with no bleed screw on a falling line, port up: slave strokes in place', () => {
    const slave = { ...USUAL_SLAVE, bleeder: null, linePort: { off: 0 } }
    const list = rank(FALLS, { kit: [] }, { slave })
    expect(first(list)).toEqual(['slavePush'])
    expect(list.find(({ steps }) => steps[0]!.method === 'vacuum')!.ruledOut).toBe('noBleedScrew')
  })
  it('a bleed screw off the top keeps its pocket whatever is done, and bottoming shrinks it', () => {
    const slave = { ...USUAL_SLAVE, bleeder: { off: 70 } }
    const list = rank(FALLS, {}, { slave })
    expect(named(list, 'openPush')!.cannotReach).toContain('slave')
    expect(
      (named(list, 'openPush', 'bottom') ?? named(list, 'openPush', 'bottom', 'shortStrokes'))!.chance,
    ).toBeGreaterThan(0.8)
  })
  it('with the hose end out of the fluid air stays', () => {
    const one = (falseBack: number) =>
      tryOut(['submerged'], asked(FALLS), { ...usualConstants(), falseBack }).reached
    expect([one(0.01), one(1)]).toEqual([true, false])
  })
  it('short strokes want the nose level: up they leave more in the master', () => {
    const left = (noseUp: number) =>
      tryOut(
        ['shortStrokes'],
        asked(FALLS, { noseUp, start: { line: 0, slave: 0, master: 2 } }),
        usualConstants(),
      ).master
    expect(left(10)).toBeGreaterThan(left(0))
    // And it says so.
    const words = (noseUp: number) => {
      const start = { line: 0, slave: 0, master: 2 }
      const question = asked(FALLS, { noseUp, methods: ['shortStrokes'], draws: 2, start })
      const one = named(whole(rankRun(question)), 'shortStrokes')!
      return entryWords(one, question, formatOf('metric'))
    }
    expect(words(15)).toMatch(/[Ll]evel the vehicle/)
    expect(words(0)).not.toMatch(/[Ll]evel the vehicle/)
  })
})

describe('what a rank takes into account', () => {
  it('people, kit and a reservoir that the brakes share', () => {
    const alone = rank(FALLS, { people: 1, draws: 1 })
    expect(named(alone, 'openPush')!.ruledOut).toBe('noHelper')
    expect(named(rank(FALLS, { kit: ['hose'], draws: 1 }), 'vacuum')!.ruledOut).toBe('noTool')
    const shared = rank(FALLS, { draws: 1 }, { shared: true })
    for (const method of ['pressure', 'dryVacuum', 'inject'] as const)
      expect(named(shared, method)!.ruledOut).toBe('shared')
    const taken = rank(
      FALLS,
      { draws: 1, sharedOverride: 'brakes are bled after it' },
      { shared: true },
    )
    expect(named(taken, 'pressure')!.ruledOut).toBeNull()
  })
  it('says on which constant a place hangs: injection on how well its jet stirs', () => {
    const question = asked(FALLS, { start: { line: 0, slave: 2.5, master: 0 } })
    expect(restsOn(['inject'], question)).toContain('jetMix')
    expect(restsOn(['inject'], { ...question, set: { jetMix: 0.1 } })).not.toContain('jetMix')
  })
  it('gives a first order after one draw of each, and the same one for the same seed', () => {
    const run = rankRun(asked(FALLS))
    const open = run.total / 6
    run.step(open)
    expect(run.result().filter(({ ruledOut }) => ruledOut === null).length).toBeGreaterThan(5)
    expect(JSON.stringify(rank(FALLS, { draws: 2 }))).toBe(JSON.stringify(rank(FALLS, { draws: 2 })))
  })
  it('a dry line is filled, and says at which stroke the first fluid comes', () => {
    const [best] = rank(FALLS, { start: 'dry', methods: ['openPush'] })
    expect(best!.firstFluidAt).toBeGreaterThan(3)
    expect(best!.chance).toBeGreaterThan(0.8)
  })
})

describe('tables and maps of a bleed', () => {
  it('every constant has its range around its usual value and a reason; what is set stays as it was set', () => {
    for (const { name, usual, low, high, min, max, reason } of BLEED_CONSTANTS) {
      expect(reason, name).toMatch(/\.$/)
      expect(usual).toBeGreaterThanOrEqual(min)
      expect(usual).toBeLessThanOrEqual(max)
      if (low !== undefined) expect(low <= usual && usual <= high!).toBe(true)
    }
    const drawn = drawnConstants({ letOut: 0.3 }, 400, 7)
    expect(new Set(drawn.map(({ letOut }) => letOut))).toEqual(new Set([0.3]))
    const jets = drawn.map(({ jetMix }) => jetMix).sort((a, b) => a - b)
    expect(jets[200]).toBeCloseTo(0.1, 1)
    // Low and high are passed by one in twenty each.
    expect(jets.filter((one) => one < 0.02).length / 400).toBeLessThan(0.1)
    expect(jets.filter((one) => one > 0.4).length / 400).toBeLessThan(0.1)
    const other = drawnConstants({}, 400, 7)
    expect(other.map(({ jetMix }) => jetMix)).toEqual(drawn.map(({ jetMix }) => jetMix))
  })
  it.each(ARCHETYPES.map(({ id }) => id))('%s lies in space as long as its line', (id) => {
    const installation = fromArchetype(id)
    const { line, master } = laidOut(installation)
    const length = line.points.slice(1).reduce((sum, b, i) => {
      const a = line.points[i]!
      return sum + Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2])
    }, 0)
    const wanted = installation.circuit.lines.reduce((sum, one) => sum + one.length, 0)
    expect(length).toBeCloseTo(wanted, 0)
    expect(line.bores).toHaveLength(line.points.length - 1)
    expect(master.stroke).toBeGreaterThan(5)
  })
  it('a route that climbs more than it is long is refused', () => {
    const car = fromArchetype('small-car')
    const route = car.route.map((one, i) => (i === 1 ? { ...one, height: one.height + 5000 } : one))
    expect(() => laidOut({ ...car, route })).toThrow(/climbs/)
  })
})

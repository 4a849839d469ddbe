import { describe, expect, it } from 'vitest'
import { falling, overCrest } from '../../tests/arbitrary/bleed-routes'
import {
  Bleed,
  cycleOf,
  DRAWS,
  drawnConstants,
  drawsRun,
  drewBy,
  TABLE_STEPS,
  usualAsked,
  USUAL_MASTER,
  USUAL_SLAVE,
  widest,
  type BleedStart,
  type DrawTable,
  type LaidCircuit,
} from '../bleed'
import { METHODS, type Method } from '../entries'
import { ARCHETYPES, fromArchetype } from '../installation'
import { WHOLE } from '../../tests/whole'
import { whole } from '../run'
import {
  callNow,
  cannotBe,
  drawsOfPlan,
  canBeCalled,
  coachPlan,
  coachPlanRun,
  firstWay,
  KEPT,
  leftIn,
  refusalsOf,
  reservoirOf,
  runOf,
  touched,
  toTheMark,
  waysOn,
  type CoachPlan,
} from '.'
import { going } from './going'
import { planTried as plan } from './plan-tried'

const USABLE = 60
const installation = {
  ...fromArchetype(ARCHETYPES[0]!.id),
  reservoir: {
    ...fromArchetype(ARCHETYPES[0]!.id).reservoir,
    usable: 1000 * USABLE,
    sharedWithBrakes: false,
  },
}
const POCKET = { line: 1.5, slave: 0.8, master: 0.7 }
const laidOf = (line = overCrest(4.9), slave = USUAL_SLAVE): LaidCircuit => ({
  line,
  master: USUAL_MASTER,
  slave,
  shared: false,
})
const planOf = (method: Method, cycles: number, start: BleedStart, laid = laidOf()): CoachPlan =>
  whole(
    coachPlanRun({
      steps: [{ method, cycles }],
      installation,
      people: 2,
      dry: start === 'dry',
      known: { laid, start, shareOut: start === POCKET, set: {}, noseUp: 0, draws: DRAWS, seed: 1 },
    }),
  )

/** What each cycle really takes in one circuit that the coach has never seen, ml. */
function really(method: Method, cycles: number, start: BleedStart, laid: LaidCircuit, seed: number) {
  const { run, atUnion = false, batch } = runOf({ method, cycles }, USABLE)!
  return drawnConstants({}, WHOLE ? 60 : 20, seed).map((drawn) => {
    const constants = { ...drawn, ...(batch && { batch }) }
    const hand = run === 'slavePush' || run === 'hang'
    const bleed = new Bleed({
      ...usualAsked(laid.line),
      master: laid.master,
      slave: hand ? { ...laid.slave, bleeder: null } : laid.slave,
      ...{ method: run, atUnion, start, constants, cells: 40 },
    })
    const { count } = bleed.machine
    return Array.from({ length: cycles }, () => {
      const before = count.drawn - count.returned
      cycleOf(run, bleed.setting)
      return count.drawn - count.returned - before
    })
  })
}

describe('the hold comes before the port runs dry, by the model that ranks the methods', () => {
  it.each([
    ['openPush', 'dry', 26],
    ['pumpHold', 'dry', 22],
    ['submerged', 'pocket', 30],
    ['gravity', 'dry', 8],
    ['gravity', 'clean', 6],
    ['vacuum', 'dry', 4],
    ['reservoirVacuum', 'dry', 4],
    ['slaveStrokes', 'dry', 30],
    // The rest in `npm run trials`.
    ...(WHOLE
      ? ([
          ['openPush', 'clean', 26],
          ['pumpHold', 'pocket', 22],
          ['pumpHold', 'clean', 22],
          ['prop', 'pocket', 26],
          ['checkValve', 'clean', 30],
          ['pressure', 'pocket', 4],
          ['crackedUnion', 'clean', 26],
        ] as const)
      : []),
  ] as const)(
    '%s from %s: in at least 95 of 100 circuits it never runs dry, and it is not held for nothing',
    (method, from, cycles) => {
      const start = from === 'pocket' ? POCKET : from
      const laid = laidOf(from === 'clean' ? falling(4.9) : overCrest(4.9))
      const made = planOf(method, cycles, start, laid)
      const seconds = made.parts[0]!.seconds
      const circuits = really(method, cycles, start, laid, 4711)
      let dry = 0
      for (const nets of circuits) {
        const run = going(made)
        let level = USABLE
        let low = false
        let i = 0
        run.until((state) => {
          // The workshop beside it: what the model takes out in this circuit, and what is poured.
          if (state.cycle > i) {
            level -= nets[i]! * ((seconds ?? 60) / 60)
            i = state.cycle
            if (level < 0) low = true
          }
          if (state.held) level = USABLE
          return state.asks !== null
        })
        if (low) dry += 1
      }
      expect(dry / circuits.length).toBeLessThanOrEqual(0.05)
      // Nothing is held back for no reason: the reservoir goes down to under half between two fills.
      const run = going(made)
      run.until((state) => state.held !== null || state.asks !== null)
      if (run.state.held) expect(leftIn(run.state.level).low).toBeLessThan(USABLE / 2 + KEPT)
    },
  )
  it('pump and hold in an empty line is held before the reservoir is gone, not ten cycles later', () => {
    const run = going(planOf('pumpHold', 40, 'dry'))
    run.until((state) => state.held !== null)
    expect(run.state.cycle).toBeLessThan(19)
    expect(run.state.cycle).toBeGreaterThan(8)
  })
  it('what a minute of gravity runs out follows the head; where it is more than the reservoir gives one looks sooner', () => {
    const [low, high] = [100, 600].map((level) => {
      const laid = { ...laidOf(falling(4.9)), master: { ...USUAL_MASTER, reservoirLevel: level } }
      return planOf('gravity', 4, 'clean', laid).parts[0]!
    })
    expect(high!.draws[0]!.middle / high!.seconds!).toBeGreaterThan(
      1.3 * (low!.draws[0]!.middle / low!.seconds!),
    )
    for (const { draws, seconds } of [low!, high!]) {
      expect(draws[0]!.high).toBeLessThanOrEqual(0.8 * USABLE + 1)
      expect(seconds).toBeLessThanOrEqual(60)
    }
    const small = { ...installation, reservoir: { ...installation.reservoir, usable: 25_000 } }
    const known = {
      laid: laidOf(falling(4.9)),
      start: 'clean',
      set: {},
      noseUp: 0,
      draws: 20,
      seed: 1,
    } as const
    const steps = [{ method: 'gravity', cycles: 4 }] as const
    const made = whole(coachPlanRun({ steps, installation: small, people: 1, dry: false, known }))
    expect(made.parts[0]!.seconds).toBeLessThan(50)
    expect(made.parts[0]!.draws[0]!.high).toBeLessThan(25)
  })
  it('tells what is left in what is being done', () => {
    const at = (method: Method) => {
      const run = going(planOf(method, 6, 'clean'))
      run.until((state) => state.stretch !== 'ready')
      return reservoirOf(run.state).goes
    }
    expect(at('openPush').unit).toBe('strokes')
    expect(at('openPush').count).toBe(12)
    expect(at('pumpHold').unit).toBe('openings')
    expect(at('gravity')).toMatchObject({ unit: 'minutes' })
    expect(at('gravity').count).toBeGreaterThan(0.5)
    expect(at('gravity').count).toBeLessThan(3)
    expect(at('pressure')).toEqual({ unit: 'ml', count: USABLE - KEPT })
    expect(at('slaveStrokes').unit).toBe('rodStrokes')
  })
  it('where no model knows, it is held earlier, and says so', () => {
    const asked = {
      steps: [{ method: 'gravity', cycles: 5 }],
      installation,
      people: 1,
      dry: false,
    } as const
    const made = coachPlan(asked, null, 'The line cannot lie as it is drawn.')
    expect(made.unknown).toContain('cannot lie')
    const run = going(made)
    run.until((state) => state.held !== null)
    expect(run.state.cycle).toBe(1)
    expect(
      coachPlan({ ...asked, steps: [{ method: 'openPush', cycles: 5 }], people: 2 }).parts[0]!.draws[0]!
        .high,
    ).toBeGreaterThan(planOf('openPush', 5, 'clean').parts[0]!.draws[0]!.high)
  })
  it('is held until it is topped up or somebody answers for it; a reservoir that the brakes share by nobody', () => {
    const run = going(plan([{ method: 'openPush', cycles: 40 }]))
    run.until((state) => state.held !== null)
    expect(run.state).toMatchObject({ held: 'low', world: { screw: 'shut', pedal: 'up' } })
    expect(callNow(run.state)).toBeNull()
    expect(reservoirOf(run.state).goes.count).toBe(0)
    const stopped = run.state
    run.touch({ touch: 'override' })
    expect(run.call).toBe('open')
    const drawn = stopped.level.middle
    expect(touched(stopped, 'x', { touch: 'toppedUp', ml: 30 }).state.level.middle).toBeCloseTo(
      drawn - 30,
      9,
    )
    const shared = { ...stopped, plan: { ...stopped.plan, shared: true } }
    expect(touched(shared, 'y', { touch: 'override' }).state).toBe(shared)
    expect(waysOn(shared)).toEqual(['toppedUp', 'didAnyway', 'undo'])
  })
})

describe('what is filed beside the coach', () => {
  const drew = { low: 4, middle: 4.5, high: 5 }
  it('moves its level, once each; more cycles hold it earlier, a fill later', () => {
    const holdsAt = (touch: (n: number) => Parameters<typeof touched>[2] | null) => {
      const run = going(plan([{ method: 'openPush', cycles: 40 }]))
      let n = -1
      run.until((state) => {
        if (state.cycle > n) {
          n = state.cycle
          const own = touch(n)
          if (own) run.touch(own)
        }
        return state.held !== null
      })
      return run.state.cycle
    }
    const alone = holdsAt(() => null)
    const foreign = holdsAt((n) =>
      n === 2
        ? {
            touch: 'elsewhere',
            entries: [
              { id: 'a', drew },
              { id: 'b', drew },
            ],
          }
        : null,
    )
    expect(foreign).toBe(alone - 2)
    const again = holdsAt((n) => ({ touch: 'elsewhere', entries: n > 2 ? [{ id: 'a', drew }] : [] }))
    expect(again).toBe(alone - 1)
    const filled = holdsAt((n) =>
      n === 5 ? { touch: 'elsewhere', entries: [{ id: 'c', poured: null }] } : null,
    )
    expect(filled).toBe(alone + 5)
  })
  it('in the midst of a stroke that would go too low: closed, filled, and begun again', () => {
    const run = going(plan([{ method: 'openPush', cycles: 40 }]))
    run.until((state) => state.cycle === 3 && callNow(state)?.call === 'down')
    run.touch({ touch: 'elsewhere', entries: [{ id: 'z', drew: { low: 40, middle: 45, high: 50 } }] })
    expect([run.state.held, run.call]).toEqual(['low', 'shut'])
    run.on()
    run.touch({ touch: 'toppedUp' })
    expect(run.call).toBe('open')
  })
  it('a logged cycle draws what the model says of its method on this circuit; a bottle that holds more says more', () => {
    const steps = TABLE_STEPS.map(({ step }) => step)
    const known = { laid: laidOf(), start: 'dry', set: {}, noseUp: 0, draws: 12, seed: 1 } as const
    const found = whole(drawsRun({ ...known, steps }))
    const table: DrawTable = Object.fromEntries(
      TABLE_STEPS.map(({ method }, i) => [method, widest(found[i]!)]),
    )
    const by = (payload: Partial<Parameters<typeof drewBy>[0]>) =>
      drewBy({ method: 'openPush', cameOut: 'few', ...payload }, table, 4.55, USABLE)
    expect(by({ strokes: 3 }).middle).toBeCloseTo(3 * 4.55, 1)
    expect(by({ method: 'pumpHold', strokes: 4 }).high).toBeGreaterThan(4.5)
    expect(by({ method: 'gravity', seconds: 120 }).middle).toBeCloseTo(
      2 * by({ method: 'gravity' }).middle,
      6,
    )
    expect(by({ bottle: 20_000 })).toMatchObject({ middle: 20, high: 22 })
    expect(by({ method: 'benchLoop', strokes: 40 })).toEqual({ low: 0, middle: 0, high: 0 })
    // Where nothing is known it is as much as it can be.
    expect(drewBy({ method: 'gravity', cameOut: 'few' }, {}, 4.55, USABLE).high).toBe(USABLE)
    for (const method of METHODS)
      expect(by({ method }).high, method).toBeGreaterThanOrEqual(by({ method }).low)
  })
})

describe('from below', () => {
  it('drawn down first, by what will come up, and no more than stands there', () => {
    const run = going(plan([{ method: 'inject', cycles: 2 }]))
    expect(run.call).toBe('drawOff')
    expect(toTheMark(run.state)).toBeCloseTo(-40, 9)
    run.until((state) => state.asks !== null)
    expect(run.calls.slice(0, 3)).toEqual(['drawOff', 'purge', 'rig'])
    expect(run.state.level.middle).toBeCloseTo(0, 9)
    const long = going(plan([{ method: 'inject', cycles: 9 }]))
    long.through()
    expect(long.effects.filter((one) => one.do === 'cycle')).toHaveLength(9)
    expect(long.state.level.least).toBeGreaterThanOrEqual(0)
  })
})

describe('what others file while it is called', () => {
  it('draws what the run’s own cycles of that method draw, the most of them; nothing is said where nothing is known', () => {
    const draws = [
      { low: 3, middle: 4, high: 5 },
      { low: 3.5, middle: 4.5, high: 4.8 },
    ]
    const parts = [
      { method: 'openPush', cycles: 3, draws },
      { method: 'gravity', cycles: 2, seconds: 30 },
      { method: 'shortStrokes', cycles: 1 },
    ] as const
    const known = plan(
      parts.map((one) => ({ ...one, draws: 'draws' in one ? [...one.draws] : undefined })),
    )
    expect(drawsOfPlan(known)).toEqual({ openPush: { low: 3, middle: 4.5, high: 5 } })
    expect(drawsOfPlan({ ...known, unknown: 'Nobody knows.' })).toEqual({})
  })
})

describe('what this circuit or these people cannot do', () => {
  const car = { screw: false, people: 1, shared: false } as const
  it('is refused, with the way that can be done', () => {
    expect(cannotBe('openPush', { ...car, screw: true })).toBe('twoPeople')
    expect(cannotBe('openPush', car)).toBe('noScrew')
    expect(refusalsOf([{ method: 'openPush' }, { method: 'slaveStrokes' }], car)).toEqual([
      { method: 'openPush', why: 'noScrew', instead: ['slaveStrokes', 'reservoirVacuum', 'hang'] },
    ])
    const [alone] = refusalsOf([{ method: 'pumpHold' }], { ...car, screw: true })
    expect(alone!.instead).toEqual(['prop', 'submerged', 'gravity'])
    expect(cannotBe('pressure', { screw: true, people: 2, shared: true })).toBe('shared')
  })
  it('is never what it begins with', () => {
    for (const screw of [true, false])
      for (const people of [1, 2] as const)
        for (const shared of [true, false]) {
          const here = { screw, people, shared }
          expect(cannotBe(firstWay(here), here)).toBeNull()
          for (const method of canBeCalled(here)) expect(refusalsOf([{ method }], here)).toEqual([])
        }
    expect([
      firstWay(car),
      firstWay({ ...car, screw: true }),
      firstWay({ ...car, screw: true, people: 2 }),
    ]).toEqual(['slaveStrokes', 'prop', 'openPush'])
  })
})

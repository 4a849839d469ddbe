import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { secondCheck } from '../../tests/arbitrary/second-checker'
import { InputError } from '../circuit'
import { pertQuantiles } from './time'
import {
  answerPlan,
  bestOrder,
  checkSequence,
  makePlan,
  objectiveOf,
  PACKAGE_IDS,
  PACKAGES,
  PLAN_CHOICES,
  readPlan,
  STATES,
  SURPRISE_KINDS,
  type PlanAnswer,
  type Step,
  type VehicleFacts,
} from '.'
import { compose, type PlannedStep } from './compose'
import { CAUTIONS, RECORDS } from './step'

const plan = (ids: string[], more: object = {}): PlanAnswer =>
  answerPlan({ packages: ids.map((id) => ({ id })), people: 2, draws: 50, ...more }) as PlanAnswer
const agree = (steps: readonly Step[], vehicle: VehicleFacts, people: number) => {
  expect(checkSequence(steps, vehicle, people)).toEqual([])
  expect([...secondCheck(steps, vehicle, people)]).toEqual([])
}

/** Twelve layouts of the trade, each planned whole. */
const LAYOUTS: [
  name: string,
  ids: string[],
  vehicle: VehicleFacts,
  choices?: Record<string, string>,
][] = [
  ['external with flare nuts', ['renewSlave'], { panel: true }],
  ['with clip and seal', ['renewSlave', 'renewHose'], {}, { hose: 'bodyEndFirst' }],
  ['with roll pins', ['renewMaster', 'renewSlave'], {}, { union: 'afterBolting' }],
  [
    'with a quick connector',
    ['renewSlave', 'primeSlave'],
    { boltedFrom: 'above' },
    { lineOntoSlave: 'before' },
  ],
  ['concentric, gearbox out', ['renewConcentric'], { concentric: true, starter: true }],
  ['no bleed screw', ['renewMaster'], { bleedScrew: false }],
  ['shared reservoir', ['renewMaster', 'renewSlave'], { sharedReservoir: true, battery: true }],
  [
    'bayonet master, pedal assembly out',
    ['renewMaster', 'benchBleed'],
    { dashPanel: true },
    { pedal: 'first' },
  ],
  ['unit out, closed', ['unitOut'], { bleedScrew: false }, { closed: 'yes' }],
  ['unit trapped by another pipe', ['unitOut'], { airbox: true }, { unit: 'pieces' }],
  ['adjustable with a return spring', ['adjustRod', 'adjustSwitch'], {}],
  [
    'both rebuilt',
    ['rebuildMaster', 'rebuildSlave', 'benchBleed', 'primeSlave'],
    { wheel: true },
    { straps: 'offBefore' },
  ],
]

describe('whole plans', () => {
  it.each(LAYOUTS)('%s: alone and with a helper, no rule is broken', (name, ids, vehicle, choices) => {
    for (const people of [1, 2] as const) {
      const packages = ids.map((id, i) => (i === 0 && choices ? { id, choices } : { id }))
      const surprises = name.includes('trapped')
        ? [{ at: people === 2 ? 'unitOut.out' : 'unitOut.outAlone', kind: 'trapped' }]
        : []
      const made = answerPlan({ packages, people, vehicle, surprises, draws: 200 }) as PlanAnswer
      agree(made.steps, vehicle, people)
      expect(made.objective).toEqual({ ...objectiveOf(made.steps), breaches: 0 })
      expect(made.minutes.p10).toBeLessThan(made.minutes.p50)
      expect(made.minutes.p50).toBeLessThan(made.minutes.p90)
      for (const { on, off } of made.ledger) expect([on, off]).not.toContain('')
    }
  })
  it('a helper is called once for the bleed and the look after it', () => {
    expect(plan(['renewMaster', 'renewSlave']).objective).toMatchObject({
      helperSpans: 1,
      helperMinutes: 45,
    })
  })
  it('the slave drains the circuit first, unless the brakes share it', () => {
    expect(plan(['renewSlave']).choices.drain).toBe('slaveFirst')
    const shared = plan(['renewSlave'], { vehicle: { sharedReservoir: true } })
    expect(shared.choices.drain).toBe('syringe')
    expect(shared.steps.flatMap(({ puts }) => puts)).not.toContain('drained')
    expect(shared.steps.map(({ id }) => id)).toContain('bleed.brakes')
  })
  it('sizes its wrenches from the joints, and waits for what has not come', () => {
    const made = plan(['renewSlave'], {
      joints: [{ name: 'slave', hex: 11, kind: 'quickConnector' }],
      parts: [{ id: 'slave cylinder', arrivesInMinutes: 600 }],
    })
    expect(made.tools).toContainEqual({ name: 'flare-nut wrench', size: '11 mm' })
    expect(made.casualties).toContain('quick connector with its seal')
    expect(made.waits).toHaveLength(1)
    expect(made.waits[0]!.before).toMatch(/^renewSlave\.bench/)
    expect(made.waits[0]!.minutes).toBeGreaterThan(480)
    expect(made.minutes.p50).toBeGreaterThan(600)
  })
  it('goes on from what was done, with what turned up', () => {
    const whole = plan(['renewSlave'])
    const at = whole.steps.findIndex(({ id }) => id === 'renewSlave.openDrains')
    const done = whole.steps.slice(0, at).map(({ id }) => ({ step: id, act: 'done', minutes: 3 }))
    const surprises = [{ at: 'renewSlave.openDrains', kind: 'seizedUnion' }]
    const made = plan(['renewSlave'], { done, surprises })
    expect(made.steps.slice(0, at).map(({ id }) => id)).toEqual(done.map(({ step }) => step))
    expect(made.steps[at]!.id).toBe('renewSlave.openDrains.seizedUnion.1')
    expect(made.waits).toEqual([
      { before: 'renewSlave.openDrains', minutes: 20, why: 'penetrant soaks in' },
    ])
    agree(made.steps, {}, 2)
  })
  it('is the same to the last digit for the same seed', () => {
    const asked = { packages: [{ id: 'renewMaster' }], people: 1, seed: 7 }
    expect(JSON.stringify(answerPlan(asked))).toBe(JSON.stringify(answerPlan(asked)))
  })
  it.each([
    [{ packages: [], people: 1 }, '/packages'],
    [{ packages: [{ id: 'paint' }], people: 1 }, '/packages/0/id'],
    [{ packages: [{ id: 'bleed' }], people: 3 }, '/people'],
    [
      { packages: [{ id: 'bleed', choices: { drain: 'bucket' } }], people: 1 },
      '/packages/0/choices/drain',
    ],
    [{ packages: [{ id: 'renewSlave' }, { id: 'rebuildSlave' }], people: 1 }, '/packages'],
    [
      { packages: [{ id: 'bleed' }], people: 1, surprises: [{ at: 'x', kind: 'trapped' }] },
      '/surprises/0/at',
    ],
    [
      { packages: [{ id: 'bleed' }], people: 1, done: [{ step: 'bleed.cap', act: 'skipped' }] },
      '/done/0/reason',
    ],
    [{ packages: [{ id: 'bleed' }], people: 1, vehicle: { colour: true } }, '/vehicle/colour'],
    [{ check: { steps: [{ id: 'a', place: 'attic' }] } }, '/check/steps/0/place'],
    [{ check: { steps: [] }, people: 1 }, '/people'],
  ])('refuses %j at %s', (input, path) => {
    try {
      answerPlan(input)
      expect.unreachable()
    } catch (error) {
      expect(error).toBeInstanceOf(InputError)
      expect((error as InputError).path).toBe(path)
    }
  })
})

const vehicles = fc.record(
  {
    battery: fc.boolean(),
    sharedReservoir: fc.boolean(),
    bleedScrew: fc.boolean(),
    boltedFrom: fc.constantFrom('below' as const, 'above' as const),
    panel: fc.boolean(),
    airbox: fc.boolean(),
    wheel: fc.boolean(),
    starter: fc.boolean(),
    dashPanel: fc.boolean(),
  },
  { requiredKeys: [] },
)
const choices = fc.record(
  Object.fromEntries(PLAN_CHOICES.map(({ name, values }) => [name, fc.constantFrom(...values)])),
  { requiredKeys: [] },
)
const sets = fc
  .subarray([...PACKAGE_IDS.filter((id) => id !== 'access' && id !== 'drain')], {
    minLength: 1,
    maxLength: 5,
  })
  .filter((ids) => {
    try {
      compose({ packages: ids.map((id) => ({ id })), people: 1, vehicle: {} })
      return true
    } catch {
      return false
    }
  })

describe('any packages, choices and people', () => {
  it('give a plan in which neither checker finds a breach', () => {
    fc.assert(
      fc.property(
        sets,
        vehicles,
        choices,
        fc.constantFrom(1 as const, 2 as const),
        (ids, vehicle, own, people) => {
          const made = answerPlan({
            packages: ids.map((id, i) => (i === 0 ? { id, choices: own } : { id })),
            people,
            vehicle,
            draws: 1,
          }) as PlanAnswer
          agree(made.steps, vehicle, people)
        },
      ),
    )
  })
  it('wherever it is left, it goes on without a breach', () => {
    fc.assert(
      fc.property(
        sets,
        vehicles,
        fc.nat(),
        fc.constantFrom(...SURPRISE_KINDS),
        (ids, vehicle, n, kind) => {
          const asked = readPlan({ packages: ids.map((id) => ({ id })), people: 2, vehicle, draws: 1 })
          const { steps } = makePlan(asked)
          const at = n % steps.length
          const done = steps.slice(0, at).map(({ id }) => ({ step: id, act: 'done' as const }))
          const again = makePlan({ ...asked, done, surprises: [{ at: steps[at]!.id, kind }] })
          expect(again.steps).toHaveLength(steps.length + 1)
          agree(again.steps, vehicle, 2)
        },
      ),
    )
  })
  it('and any shuffle of a plan is judged the same by both checkers', () => {
    fc.assert(
      fc.property(sets, vehicles, fc.infiniteStream(fc.nat(1000)), (ids, vehicle, stream) => {
        const { steps } = makePlan(
          readPlan({ packages: ids.map((id) => ({ id })), people: 2, vehicle, draws: 1 }),
        )
        const mixed = [...steps]
        for (let k = 0; k < 4; k++) {
          const [a, b] = [
            Number(stream.next().value) % mixed.length,
            Number(stream.next().value) % mixed.length,
          ]
          ;[mixed[a], mixed[b]] = [mixed[b]!, mixed[a]!]
        }
        const first = new Set(
          checkSequence(mixed, vehicle, 1).map(({ step, rule }) => `${step} ${rule}`),
        )
        expect([...first].sort()).toEqual([...secondCheck(mixed, vehicle, 1)].sort())
      }),
    )
  })
})

/** Every order of few steps that keeps the rules, and the best of them. */
function exhaustive(steps: readonly PlannedStep[]): { spans: number; walk: number } | null {
  let best: { spans: number; walk: number } | null = null
  const go = (order: PlannedStep[], left: PlannedStep[]) => {
    if (left.length === 0) {
      if (checkSequence(order).length > 0) return
      const { helperSpans: spans, walkMinutes: walk } = objectiveOf(order)
      if (!best || spans < best.spans || (spans === best.spans && walk < best.walk))
        best = { spans, walk }
      return
    }
    for (const step of left) {
      if (step.after.some((key) => left.some((other) => other !== step && other.key === key))) continue
      go(
        [...order, step],
        left.filter((one) => one !== step),
      )
    }
  }
  go([], [...steps])
  return best
}
/** A step of which nothing is told but what is given. */
const bare = (i: number, more: Partial<PlannedStep>): PlannedStep => ({
  ...{
    id: `s${i}`,
    key: `s${i}`,
    package: 'p',
    title: '',
    does: '',
    why: '',
    place: 'bench',
    people: 1,
  },
  ...{ minutes: [1, 2, 3], needs: [], forbids: [], puts: [], takes: [], records: [], recalls: [] },
  ...{ cautions: [], tools: [], parts: [], consumables: [], after: [] },
  ...more,
})
const small: fc.Arbitrary<PlannedStep[]> = fc
  .array(
    fc.record({
      place: fc.constantFrom(
        'bench' as const,
        'engineBay' as const,
        'footwell' as const,
        'wheelArch' as const,
      ),
      people: fc.constantFrom(1, 1, 2),
      puts: fc.subarray(['capOff', 'paintCovered', 'dashPanelOff'], { maxLength: 1 }),
      after: fc.nat(8),
    }),
    { minLength: 2, maxLength: 7 },
  )
  .map((rows) =>
    rows.map(({ place, people, puts, after }, i) =>
      bare(i, {
        place,
        people,
        puts: i === 0 ? puts : [],
        takes: i === rows.length - 1 ? (rows[0]!.puts as string[]) : [],
        after: i > 0 && after < i ? [`s${after}`] : i === rows.length - 1 ? ['s0'] : [],
      }),
    ),
  )

describe('the order', () => {
  it.each([
    [['adjustSwitch']],
    [['adjustRod']],
    [['adjustRod', 'adjustSwitch']],
    [['makePipe', 'adjustSwitch']],
  ])('of %j is the best of all orders', (ids) => {
    const { steps } = compose({ packages: ids.map((id) => ({ id })), people: 1, vehicle: {} })
    expect(steps.length).toBeLessThan(10)
    const { helperSpans, walkMinutes } = objectiveOf(bestOrder(steps)!)
    expect({ spans: helperSpans, walk: walkMinutes }).toEqual(exhaustive(steps))
  })
  it('leaves nothing off that one of its steps puts back, though that costs a walk; and says what no order puts back', () => {
    const off = bare(0, { place: 'footwell', puts: ['dashPanelOff'] })
    const rest = [bare(1, {}), bare(2, { place: 'footwell', after: ['s1'] })]
    const back = bare(3, { takes: ['dashPanelOff'], after: ['s1'] })
    const found = bestOrder([off, ...rest, back])!
    expect(found.map(({ id }) => id)).toEqual(['s0', 's1', 's3', 's2'])
    expect(checkSequence(found)).toEqual([])
    const never = bestOrder([{ ...off, after: ['s3'] }, ...rest, back])!
    expect(checkSequence(never).map(({ step, rule }) => [step, rule])).toEqual([['s0', 'left']])
  })
  it('of few steps is never worse than the best of all orders', () => {
    fc.assert(
      fc.property(small, (steps) => {
        const best = exhaustive(steps)
        const found = bestOrder(steps)
        if (!best) return expect(found === null || checkSequence(found).length > 0).toBe(true)
        const { helperSpans, walkMinutes } = objectiveOf(found!)
        expect({ spans: helperSpans, walk: walkMinutes }).toEqual(best)
      }),
    )
  })
})

describe('time', () => {
  it('of a step is a beta between its ends with the mean that PERT gives it', () => {
    fc.assert(
      fc.property(fc.nat(100), fc.nat(100), fc.nat(100), (a, b, c) => {
        const [low, likely, high] = [a, b, c].sort((x, y) => x - y) as [number, number, number]
        const table = pertQuantiles([low, likely, high])
        const mean = table.reduce((sum, one) => sum + one, 0) / table.length
        expect(mean).toBeGreaterThan((low + 4 * likely + high) / 6 - 0.02 * (high - low) - 0.01)
        expect(mean).toBeLessThan((low + 4 * likely + high) / 6 + 0.02 * (high - low) + 0.01)
        for (let i = 1; i < table.length; i++) expect(table[i]!).toBeGreaterThanOrEqual(table[i - 1]!)
      }),
    )
  })
})

describe('packages', () => {
  it('name only states, records and cautions that are listed, and say why', () => {
    const known = new Set<string>(STATES)
    for (const { id, steps } of PACKAGES.values())
      for (const step of steps) {
        for (const state of [
          ...(step.needs ?? []),
          ...(step.forbids ?? []),
          ...(step.puts ?? []),
          ...(step.takes ?? []),
        ])
          expect(
            known.has(state) || /^(circuitOpen|plugged):\w+$/.test(state),
            `${id}.${step.id} ${state}`,
          ).toBe(true)
        for (const name of [...(step.records ?? []), ...(step.recalls ?? [])])
          expect(RECORDS).toContain(name)
        for (const name of step.cautions ?? []) expect(CAUTIONS).toContain(name)
        expect(step.why).toMatch(/\.$/)
        const [low, likely, high] = step.minutes
        expect(low! <= likely! && likely! <= high!).toBe(true)
      }
  })
})

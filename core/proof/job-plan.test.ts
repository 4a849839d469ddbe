import { describe, expect, it } from 'vitest'
import { entry as made } from '../../tests/arbitrary/entry'
import { fromArchetype, withJoint } from '../installation'
import { fold, type Entry, type Kind, type Payloads } from '../journal'
import { jobPlan, packagesFor } from './job-plan'

let count = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K]): Entry => made(++count, kind, payload)
const chosen: Payloads['workPlan'] = {
  packages: [{ id: 'renewSlave' }],
  people: 2,
  facts: { panel: true },
  seed: 1,
}
const car = fromArchetype('small-car')
const told = (step: string, more: Partial<Payloads['step']> = {}) =>
  entry('step', { step, act: 'done', ...more })
const plan = (...entries: Entry[]) => {
  const state = fold([entry('workPlan', chosen), ...entries])
  return jobPlan(state, state.workPlan!.payload, car, {}, 20)
}

describe('the plan of a job', () => {
  it('comes of what was decided', () => {
    expect(packagesFor(['master', 'slave', 'pipe'], 'rebuild', false)).toEqual([
      'rebuildMaster',
      'rebuildSlave',
      'makePipe',
      'renewLine',
    ])
    expect(packagesFor(['slave', 'everythingRubber'], 'replace', true)).toEqual([
      'renewConcentric',
      'renewMaster',
      'renewHose',
    ])
    expect(packagesFor(['clutch'], 'replace', false)).toEqual([])
  })
  it('begins with what is done, and opens it again where that is told', () => {
    const whole = plan()
    const [one, two] = whole.steps.map(({ id }) => id)
    const gone = plan(told(one!, { minutes: 7 }), told(two!))
    expect(gone.steps.slice(0, 2).map(({ id }) => id)).toEqual([one, two])
    expect(gone.steps[0]!.minutes).toEqual([7, 7, 7])
    const again = plan(told(one!), told(two!), told(two!, { act: 'undone' }))
    expect(new Set(again.steps.map(({ id }) => id))).toEqual(new Set(whole.steps.map(({ id }) => id)))
    expect([again.steps[0]!.id, again.objective.breaches]).toEqual([one, 0])
  })
  it('takes in what turned up, and passes over what is not in it any more', () => {
    const met = plan(entry('surprise', { at: 'renewSlave.unbolt', kind: 'trapped' }))
    expect(met.steps.map(({ id }) => id)).toContain('renewSlave.unbolt.trapped.1')
    expect(met.objective.breaches).toBe(0)
    const other = plan(
      told('renewMaster.off'),
      entry('surprise', { at: 'renewMaster.off', kind: 'trapped' }),
    )
    expect(other.steps).toHaveLength(plan().steps.length)
  })
  it('follows the vehicle: a shared reservoir is never drained', () => {
    const shared = { ...car, reservoir: { ...car.reservoir, sharedWithBrakes: true } }
    const made = jobPlan(fold([]), chosen, shared, {}, 1)
    expect(made.steps.flatMap(({ puts }) => puts)).not.toContain('drained')
    expect(made.steps.at(-1)!.place).toBe('road')
  })
  it('takes the size of a wrench from the joint, and minutes from what this shop took', () => {
    const end = { thread: 'M10x1', gender: 'male' as const, seat: 'doubleFlare' as const }
    const state = fold([])
    const known = withJoint(car, 'slavePort', { a: end })
    const times = { 'renewSlave.unbolt': { count: 5, sumLog: 5 * Math.log(2) } }
    const made = jobPlan(state, chosen, known, { times }, 1)
    expect(made.tools).toContainEqual({ name: 'flare-nut wrench', size: '11 mm' })
    const unbolt = made.steps.find(({ id }) => id === 'renewSlave.unbolt')!
    const usual = jobPlan(state, chosen, car, {}, 1).steps.find(({ id }) => id === unbolt.id)!
    expect(unbolt.minutes[1]).toBeCloseTo(usual.minutes[1] * Math.SQRT2, 9)
    expect(unbolt.learnt).toEqual({ factor: expect.closeTo(Math.SQRT2, 9), count: 5 })
    expect(usual.learnt).toBeUndefined()
  })
  it('waits for parts that are ordered and promised, and for no others', () => {
    const line = (words: string, arrives: string | null) => ({
      line: 'x',
      words,
      ordered: 1,
      counts: { delivered: 0, short: 0, wrong: 0, returned: 0, cancelled: 0 },
      arrives,
    })
    const state = fold([])
    const now = '2026-11-26T08:00:00.000Z'
    const waits = (ordered: typeof state.ordered) =>
      jobPlan({ ...state, ordered }, chosen, car, { now }, 1).waits
    expect(
      waits({ x: line('Slave cylinder 20.64, dry', '2026-11-26T18:00:00.000Z') })[0],
    ).toMatchObject({
      why: 'the part comes',
      before: expect.stringMatching(/^renewSlave\.bench/) as string,
    })
    expect(waits({ x: line('Slave cylinder 20.64, dry', null) })).toEqual([])
    expect(waits({ x: line('Floor mat', '2026-11-26T18:00:00.000Z') })).toEqual([])
  })
})

import { describe, expect, it } from 'vitest'
import { entry as made } from '../../tests/arbitrary/entry'
import { SHOP_COSTS, USUAL_POLICY } from '../diagnosis'
import { fromArchetype } from '../installation'
import { fold, type Entry, type Kind, type Payloads } from '../journal'
import { answerPlan, type PlanAnswer } from '../plan'
import { whole } from '../run'
import {
  diagnosisAsked,
  evidenceLeft,
  inOrderOf,
  packagesDecided,
  planAsked,
  planRun,
  stoppedBy,
} from '.'

let count = 0
const entry = <K extends Kind>(kind: K, payload: Payloads[K]): Entry => made(++count, kind, payload)
const car = fromArchetype('small-car')
const plan = entry('workPlan', { packages: [{ id: 'renewMaster' }], people: 2, seed: 1 })
const done = (step: string) => entry('step', { step, act: 'done' })

describe('the plan of a job as a question', () => {
  it('is none until work is chosen and the circuit is known; then it holds all that the plan hangs on', () => {
    expect(planAsked(fold([]), car, {}, 100)).toBeNull()
    expect(planAsked(fold([plan]), null, {}, 100)).toBeNull()
    const asked = planAsked(fold([plan, done('renewMaster.tag')]), car, { now: 'now' }, 100)!
    expect([asked.chosen.packages, asked.draws, asked.shop.now]).toEqual([
      [{ id: 'renewMaster' }],
      100,
      'now',
    ])
    expect(asked.told.stepsTold).toHaveLength(1)
  })
  it('is answered with the plan, or with why there is none', () => {
    const answer = whole(planRun(planAsked(fold([plan]), car, {}, 50)!))
    expect(answer.plan!.steps.length).toBeGreaterThan(10)
    const both = entry('workPlan', {
      ...{ packages: [{ id: 'renewMaster' }, { id: 'rebuildMaster' }], people: 2, seed: 1 },
    })
    const wrong = whole(planRun(planAsked(fold([both]), car, {}, 50)!))
    expect([wrong.plan, wrong.wrong]).toEqual([null, expect.stringContaining('renewed or rebuilt')])
  })
})

describe('a plan that is made anew under the hand', () => {
  const answer = answerPlan({
    ...{ packages: [{ id: 'renewMaster' }], people: 2, draws: 10 },
    vehicle: {},
  }) as PlanAnswer
  const ids = ({ steps }: PlanAnswer) => steps.map(({ id }) => id)
  const swapped = (): PlanAnswer => {
    const [a, b, ...rest] = answer.steps
    return { ...answer, steps: [b!, a!, ...rest] }
  }
  const told = (...steps: string[]) => steps.map((step) => ({ payload: { step } }))

  it('keeps the order that is gone along, where it is as good', () => {
    const before = swapped()
    expect(ids(inOrderOf(before, answer, told(ids(before)[0]!)))).toEqual(ids(before))
    expect(ids(inOrderOf(null, answer, []))).toEqual(ids(answer))
  })
  it('takes the new one where the work went another way, the new one is better, or it has other steps', () => {
    const before = swapped()
    expect(ids(inOrderOf(before, answer, told(ids(before)[1]!)))).toEqual(ids(answer))
    const objective = { ...answer.objective, walkMinutes: answer.objective.walkMinutes + 1 }
    expect(ids(inOrderOf({ ...before, objective }, answer, []))).toEqual(ids(answer))
    const other = { ...before.steps[0]!, id: 'renewSlave.tag' }
    const changed = { ...before, steps: [other, ...before.steps.slice(1)] }
    expect(ids(inOrderOf(changed, answer, []))).toEqual(ids(answer))
  })
})

describe('a step that has to wait', () => {
  const stroke = (
    answerPlan({
      ...{ packages: [{ id: 'bleed' }], people: 2, draws: 10 },
      vehicle: {},
    }) as PlanAnswer
  ).steps.find(({ presses }) => presses)!
  it('is told what stops it and which entry put it on, and nothing once that is off', () => {
    const clamp = entry('putOn', { item: 'clamp', place: 'feed hose' })
    expect(stoppedBy(stroke, fold([clamp]))).toEqual([
      expect.objectContaining({ entry: clamp.id, what: expect.stringContaining('clamp') }),
    ])
    const off = entry('takenOff', { of: clamp.id })
    expect(stoppedBy(stroke, fold([clamp, off]))).toEqual([])
    expect(stoppedBy({ ...stroke, takes: ['feedClamped'] }, fold([clamp]))).toEqual([])
  })
})

describe('what the decision comes to', () => {
  const decided = (repairs: ('slave' | 'hose')[]) =>
    fold([
      entry('decision', {
        ...{ scope: 'proven', way: 'rebuild', first: 'part', repairs, reasons: [] },
        ...{ minutes: 60, money: 50, comebackRisk: 0.1 },
      }),
    ])
  it('is packages of work, by the vehicle’s own slave; nothing where nothing is decided', () => {
    expect(packagesDecided(fold([]), car)).toEqual([])
    expect(packagesDecided(decided(['slave', 'hose']), car)).toEqual(['rebuildSlave', 'renewHose'])
    expect(packagesDecided(decided(['slave']), fromArchetype('concentric'))).toEqual([
      'renewConcentric',
    ])
  })
})

describe('what a diagnosis is asked', () => {
  const state = fold([entry('complaint', { complaint: 'soft' })])
  const set = { stops: [], settings: null, prices: null, school: null }
  const evidence = { complaints: ['soft' as const], findings: {}, readings: {} }
  it('the usual costs and school, then the shop’s, then the job’s own parts and what is being chosen', () => {
    const usual = diagnosisAsked(evidence, state, set)
    expect([usual.costs, usual.school]).toEqual([SHOP_COSTS, USUAL_POLICY])
    const school = { ...USUAL_POLICY, scope: 'all' as const }
    const settings = { ...SHOP_COSTS, hour: 99, school: { ...USUAL_POLICY, way: 'rebuild' as const } }
    const own = diagnosisAsked(evidence, state, {
      ...{ ...set, settings, school },
      prices: { prices: { master: 41 }, kits: {} },
    })
    expect(own.costs).toMatchObject({ hour: 99, prices: { master: 41 }, kits: {} })
    expect(own.school).toEqual(school)
  })
  it('after the work nothing, until something that was felt is less or the same', () => {
    expect(evidenceLeft(state)).toBeNull()
    const graded = (grade: 'gone' | 'less') =>
      fold([entry('complaint', { complaint: 'soft' }), entry('graded', { of: 'soft', grade })])
    expect(evidenceLeft(graded('gone'))).toBeNull()
    expect(evidenceLeft(graded('less'))!.complaints).toEqual(['soft'])
  })
})

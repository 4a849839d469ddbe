import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { heldByWork, isPutOn, leftByWork, spoiledBy, spoilsBleed } from './ledger'
import { PUT_ON, PUT_ON_ITEMS } from './put-on'
import { learntFactor, learntMinutes } from './learn'
import { makePlan } from './answer'
import { notePlaces } from './note-places'
import { isPassing, STATES, stateWords } from './states'
import { readPlan } from './read'

const plan = (packages: readonly string[], people = 1) =>
  makePlan(readPlan({ packages: packages.map((id) => ({ id })), people, draws: 1 }))
const done = (step: string) => ({ step, act: 'done' })

describe('what is on the vehicle and what is off it', () => {
  it('is known from the steps that were done, and is nothing when all of them were', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(
          ['renewMaster'],
          ['renewSlave'],
          ['rebuildMaster', 'rebuildSlave'],
          ['unitOut'],
          ['renewHose'],
        ),
        fc.constantFrom(1, 2),
        fc.nat(60),
        (packages, people, upTo) => {
          const { steps, ledger } = plan(packages, people)
          const told = steps.slice(0, upTo).map(({ id }) => done(id))
          const left = leftByWork(heldByWork(told)).sort()
          const has = new Set(told.map(({ step }) => step))
          expect(left).toEqual(
            [
              ...new Set(
                ledger.filter(({ on, off }) => has.has(on) && !has.has(off)).map(({ item }) => item),
              ),
            ].sort(),
          )
          expect(leftByWork(heldByWork(steps.map(({ id }) => done(id))))).toEqual([])
        },
      ),
      { numRuns: 30 },
    )
  })

  it('a step that was left out took nothing off', () => {
    const { steps } = plan(['renewMaster'])
    const told = steps.map(({ id }) => ({
      step: id,
      act: id === 'renewMaster.unclamp' ? 'skipped' : 'done',
    }))
    expect(leftByWork(heldByWork(told))).toEqual(['feedClamped'])
  })

  it.each([
    ['clamp', 'bleed.fill', 'clamp on the feed hose must be off again before this'],
    ['capSheet', 'bleed.fill', 'sheet under the cap must be off again before this'],
    ['clamp', 'bleed.strokesAlone', 'clamp on the feed hose must be off again before this'],
    ['tag', 'bleed.strokesAlone', 'the pedal is not pressed while pedal tagged'],
  ] as const)('a %s stops %s', (item, id, words) => {
    const step = plan(['renewMaster']).steps.find((one) => one.id === id)!
    expect(spoiledBy(step, new Set([PUT_ON[item].state]))).toEqual([
      { state: PUT_ON[item].state, words },
    ])
  })
  it('a prop stops the engine, and a cover stops only what forbids it', () => {
    const { steps } = plan(['renewMaster'])
    for (const step of steps)
      expect(spoiledBy(step, new Set(['paintCovered'])).length).toBe(
        step.forbids.includes('paintCovered') ? 1 : 0,
      )
    const running = { ...steps[0]!, engine: true }
    expect(spoiledBy(running, new Set(['propOn']))).toHaveLength(1)
  })

  it('a bleed is spoiled by clamp, sheet, tag and loop, and not by a cover', () => {
    const all = new Set(PUT_ON_ITEMS.flatMap((item) => PUT_ON[item].state ?? []))
    const spoils = spoilsBleed(all)
    for (const state of ['feedClamped', 'capSheeted', 'pedalTagged', 'loopOn'])
      expect(spoils.has(state), state).toBe(true)
    expect(spoils.has('paintCovered')).toBe(false)
  })

  it('every item stands for a state that must not be left, or for none', () => {
    for (const item of PUT_ON_ITEMS) {
      const { state } = PUT_ON[item]
      if (state === null) continue
      expect(isPassing(state)).toBe(true)
      expect(isPutOn(state)).toBe(true)
      expect(stateWords(state)).not.toBe(state)
    }
    expect(STATES.filter((one) => isPutOn(one) && !isPassing(one))).toEqual([])
  })
})

describe('notes about a model', () => {
  it('belong beside the steps that name their part', () => {
    expect(notePlaces({ title: 'Union open, let it drain', does: 'Pan under it.' })).toEqual(['line'])
    expect(notePlaces({ title: 'Tag the pedal', does: 'A card on the wheel.' })).toEqual(['pedal'])
    expect(notePlaces({ title: 'Chock the wheels', does: 'Both sides.' })).toEqual(['vehicle'])
    for (const { title, does } of plan(['renewMaster']).steps)
      expect(notePlaces({ title, does }).length).toBeGreaterThan(0)
  })
})

describe('minutes that a shop has learnt', () => {
  it('move by as much as five jobs of the plan’s own allow', () => {
    // Five jobs that each took twice as long: half of ln 2.
    expect(learntFactor({ count: 5, sumLog: 5 * Math.log(2) })).toBeCloseTo(Math.SQRT2, 12)
    expect(learntFactor({ count: 0, sumLog: 0 })).toBe(1)
    expect(learntMinutes([2, 4, 8], { count: 5, sumLog: 5 * Math.log(2) }).minutes[1]).toBeCloseTo(
      4 * Math.SQRT2,
      12,
    )
    expect(learntMinutes([2, 4, 8], undefined)).toEqual({ minutes: [2, 4, 8], learnt: null })
  })
  it('never go beyond what was taken, and keep their order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 10, noNaN: true }), { minLength: 1, maxLength: 30 }),
        (ratios) => {
          const sumLog = ratios.reduce((sum, one) => sum + Math.log(one), 0)
          const factor = learntFactor({ count: ratios.length, sumLog })
          expect(factor).toBeGreaterThanOrEqual(Math.min(1, ...ratios) - 1e-9)
          expect(factor).toBeLessThanOrEqual(Math.max(1, ...ratios) + 1e-9)
          const { minutes } = learntMinutes([1, 3, 9], { count: ratios.length, sumLog })
          expect([...minutes].sort((a, b) => a - b)).toEqual(minutes)
        },
      ),
    )
  })
})

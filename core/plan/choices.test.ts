import { describe, expect, it } from 'vitest'
import { answerPlan, PLAN_CHOICES, type PlanAnswer } from '.'

/** Work on which a choice tells: what it decides has to be in it. */
const WORK: Record<string, string[]> = {
  drain: ['renewSlave'],
  first: ['renewMaster', 'renewSlave'],
  union: ['renewSlave'],
  hose: ['renewHose'],
  lineOntoSlave: ['renewSlave'],
  straps: ['renewSlave'],
  rod: ['renewSlave'],
  pedal: ['renewMaster', 'renewSlave'],
  unit: ['unitOut'],
  closed: ['unitOut'],
}
const made = (name: string, value: string): PlanAnswer =>
  answerPlan({
    packages: WORK[name]!.map((id, i) => (i === 0 ? { id, choices: { [name]: value } } : { id })),
    people: 2,
    draws: 1,
  }) as PlanAnswer
const told = ({ steps }: PlanAnswer) => steps.map(({ id, does }) => `${id}: ${does}`).join('\n')
const before = ({ steps }: PlanAnswer, one: string, other: string) =>
  steps.findIndex(({ id }) => id === one) < steps.findIndex(({ id }) => id === other)

describe('an order on which people differ', () => {
  it.each(PLAN_CHOICES)(
    '$name changes the plan with each of its values, has a reason, and is what was asked',
    ({ name, values, usual, reason }) => {
      expect(values).toContain(usual)
      expect(reason).toMatch(/\.$/)
      const plans = values.map((value) => made(name, value))
      expect(plans.map(({ choices }) => choices[name])).toEqual([...values])
      // Straps that come off after and those that are latched again differ at the bench alone, where priming is no part of it.
      const same = name === 'straps' ? 1 : 0
      expect(new Set(plans.map(told)).size).toBe(values.length - same)
      for (const { objective } of plans) expect(objective.breaches).toBe(0)
    },
  )
  it('the master first opens its outlet before the slave’s union, and the slave first the other way', () => {
    expect(before(made('first', 'master'), 'renewMaster.outlet', 'renewSlave.open')).toBe(true)
    expect(before(made('first', 'slave'), 'renewSlave.openDrains', 'renewMaster.outlet')).toBe(true)
  })
  it('the pedal is joined last, or before the slave is shut', () => {
    expect(before(made('pedal', 'last'), 'renewSlave.offer', 'renewMaster.join')).toBe(true)
    expect(before(made('pedal', 'first'), 'renewMaster.join', 'renewSlave.offer')).toBe(true)
  })
  it('the first stroke frees the straps once it is full and before it is bled', () => {
    const plan = made('straps', 'firstStroke')
    expect(before(plan, 'bleed.fill', 'renewSlave.firstStroke')).toBe(true)
    expect(before(plan, 'renewSlave.firstStroke', 'bleed.strokes')).toBe(true)
  })
  it('gives way where the vehicle rules it out', () => {
    const asked = (vehicle: object) =>
      (
        answerPlan({
          packages: [{ id: 'renewMaster', choices: { drain: 'bleeder' } }],
          people: 1,
          vehicle,
          draws: 1,
        }) as PlanAnswer
      ).choices.drain
    expect([asked({}), asked({ bleedScrew: false }), asked({ sharedReservoir: true })]).toEqual([
      'bleeder',
      'syringe',
      'syringe',
    ])
  })
})

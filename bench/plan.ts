import { makePlan, readPlan } from '../core/plan'
import { bestOrder } from '../core/plan/order'
import { compose, type PlannedStep } from '../core/plan/compose'
import { quantile, type Row } from './measure'

/** A long piece of work: the same vehicle's steps over and over, each round after the one before. */
function long(count: number): PlannedStep[] {
  const { steps } = compose({
    packages: ['renewMaster', 'renewSlave', 'renewHose'].map((id) => ({ id })),
    people: 2,
    vehicle: { battery: true, panel: true, dashPanel: true },
  })
  const list: PlannedStep[] = []
  for (let round = 0; list.length < count; round++) {
    const named = (name: string) => `${name} ${round}`
    const state = (name: string) => (name.startsWith('circuitOpen:') ? `${name}${round}` : name)
    for (const step of steps)
      list.push({
        ...step,
        id: named(step.id),
        key: named(step.key),
        puts: step.puts.map(state),
        takes: step.takes.map(state),
        needs: step.needs.map(state),
        after: [
          ...step.after.map(named),
          ...(round > 0 ? steps.map(({ key }) => `${key} ${round - 1}`) : []),
        ],
      })
  }
  return list.slice(0, count)
}

/** Order and time of plans, beside what they may take. */
export function benchPlan(): Row[] {
  const whole = readPlan({
    packages: ['renewMaster', 'renewSlave', 'renewHose'].map((id) => ({ id })),
    people: 2,
    vehicle: { battery: true, panel: true },
    draws: 5000,
  })
  const three = [...long(50 * 3)]
  const ordered = quantile(() => (bestOrder(three)?.length ?? 0) || 1, 9)
  const made = quantile(() => makePlan(whole).steps.length, 9)
  return [
    {
      name: `an order of ${three.length} steps, median`,
      value: ordered.median,
      unit: 'ms',
      ratio: ordered.median / 100,
      of: 'the 100 ms that it may take',
    },
    {
      name: 'a whole plan with 5 000 draws, critical path and a second pair of hands, 95th',
      value: made.p95,
      unit: 'ms',
      ratio: made.p95 / 500,
      of: 'the 500 ms that it may take',
    },
  ]
}

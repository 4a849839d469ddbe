import { isMethod, type CoachPlan, type Part } from '.'
import { mostDrawn } from '../bleed'

/** ml of a full stroke in the coach’s tests. */
export const STROKE = 4.55
/** A part as a test says it: what it draws follows from its method, where the test does not say. */
export type PartTried = Omit<Part, 'draws'> & { draws?: Part['draws'] }
const drawsOf = ({ method }: PartTried): Part['draws'] => {
  if (!isMethod(method)) return [{ low: 0, middle: 0.2, high: 0.4 }]
  if (method === 'inject') return [{ low: -20, middle: -20, high: -20 }]
  if (method === 'gravity') return [{ low: 15, middle: 25, high: 40 }]
  const { middle } = mostDrawn(method, STROKE, 50)
  return [{ low: 0.9 * middle, middle, high: 1.1 * middle }]
}

/** A plan for the coach’s tests: two people, a reservoir of their own of which 60 ml may go, and what a test says otherwise. */
export const planTried = (parts: readonly PartTried[], more: Partial<CoachPlan> = {}): CoachPlan => ({
  parts: parts.map((one) => ({ ...one, draws: one.draws ?? drawsOf(one) })),
  usable: 60,
  shared: false,
  people: 2,
  unknown: null,
  ...more,
})

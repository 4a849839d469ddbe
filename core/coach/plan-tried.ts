import type { CoachPlan, Part } from '.'

/** A plan for the coach’s tests: two people, a reservoir of their own of which 60 ml may go, and what a test says otherwise. */
export const planTried = (parts: Part[], more: Partial<CoachPlan> = {}): CoachPlan => ({
  parts,
  stroke: 4.55,
  usable: 60,
  shared: false,
  people: 2,
  ...more,
})

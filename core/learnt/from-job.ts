import type { JobState } from '../journal'

/** How long a step of the plan took, and when that was told. */
export interface StepTook {
  /** Package and step. */
  step: string
  /** min, over 0. */
  minutes: number
  /** ISO moment. */
  at: string
}

/** The steps of a job that stand as done and whose minutes somebody told; one that was told again, as it was told last. */
export const stepsTook = ({ stepsTold }: Pick<JobState, 'stepsTold'>): StepTook[] =>
  stepsTold.flatMap(({ payload: { step, act, minutes }, at }) =>
    act === 'done' && minutes !== undefined && minutes > 0 ? [{ step, minutes, at }] : [],
  )

/** Figures that a shop learns from its own jobs; each can be switched off, and begun anew. */
export const LEARNT = ['causes', 'times', 'bleeds', 'comebacks', 'makers'] as const
export type Learnt = (typeof LEARNT)[number]

/** How a figure is set: not used while off; jobs before `since` are left out. */
export interface LearntSetting {
  off: boolean
  /** ISO moment; null for all jobs. */
  since: string | null
}
export type Learning = Partial<Record<Learnt, LearntSetting>>

export const settingOf = (learning: Learning | undefined, figure: Learnt): LearntSetting =>
  learning?.[figure] ?? { off: false, since: null }

/** Of so many jobs, how many came back. */
export interface CameBackCount {
  jobs: number
  back: number
}

/** Of a 90 % interval, in standard deviations of a normal. */
const NINETY = 1.6449

/**
 * Share that came back with its 90 % interval, by Wilson's score: honest where there are few jobs.
 * @param count back at most jobs; jobs from 0 on, of which none tells nothing: 0 to 1
 */
export function shareOf({ jobs, back }: CameBackCount): {
  share: number
  low: number
  high: number
} {
  if (jobs === 0) return { share: 0, low: 0, high: 1 }
  const share = back / jobs
  const z2 = NINETY ** 2
  const middle = (share + z2 / (2 * jobs)) / (1 + z2 / jobs)
  const half =
    (NINETY / (1 + z2 / jobs)) * Math.sqrt((share * (1 - share)) / jobs + z2 / (4 * jobs ** 2))
  return { share, low: Math.max(0, middle - half), high: Math.min(1, middle + half) }
}

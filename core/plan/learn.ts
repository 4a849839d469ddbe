/** Jobs that the plan's own minutes are worth against what this shop took. */
const PRIOR_JOBS = 5

/** What a shop's own jobs tell of a step: how often its minutes were told, and the sum of ln(taken / planned). */
export interface StepTimes {
  count: number
  sumLog: number
}
/** How much longer or shorter a step takes here, and from how many jobs that is known. */
export interface Learnt {
  factor: number
  count: number
}

/**
 * Log-normal times with a normal prior on ln(taken / planned) around nothing, worth five jobs: the factor on a step's minutes.
 * @returns 1 with no jobs; never more than what they took
 */
export const learntFactor = ({ count, sumLog }: StepTimes): number =>
  Math.exp(sumLog / (count + PRIOR_JOBS))

/** A step's minutes by what was learnt; as they are where nothing was. */
export function learntMinutes(
  minutes: readonly [number, number, number],
  times: StepTimes | undefined,
): { minutes: [number, number, number]; learnt: Learnt | null } {
  if (!times || times.count === 0) return { minutes: [...minutes], learnt: null }
  const factor = learntFactor(times)
  return {
    minutes: minutes.map((one) => one * factor) as [number, number, number],
    learnt: { factor, count: times.count },
  }
}

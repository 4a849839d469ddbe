import type { Phase } from './find'

/** When in the job, behind what is said; as found needs no words. */
export const PHASE_WORDS: Record<Phase, string> = {
  asFound: '',
  working: ', while bleeding',
  after: ', after',
}

/** A duration as one would say it. */
export const seconds = (s: number): string =>
  s % 3600 === 0 ? `${s / 3600} h` : s % 60 === 0 && s > 60 ? `${s / 60} min` : `${s} s`

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ')
/** A day, 2026-03-31, as one would say it: 31 Mar 2026. */
export const dayWords = (day: string): string => {
  const [year, month, date] = day.split('-').map(Number)
  return `${date} ${MONTHS[(month ?? 1) - 1]} ${year}`
}

/** Over how long it was held; nothing where it was not. */
export const over = (duration: number | undefined): string =>
  duration === undefined ? '' : ` in ${seconds(duration)}`

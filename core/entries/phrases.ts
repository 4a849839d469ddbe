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

/** Over how long it was held; nothing where it was not. */
export const over = (duration: number | undefined): string =>
  duration === undefined ? '' : ` in ${seconds(duration)}`

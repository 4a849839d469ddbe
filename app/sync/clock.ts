import { computed, ref } from 'vue'

/** ms by which a clock may be off before it is said: entries of two devices are read in minutes. */
export const OFF_BY = 60_000
/** The server tells its time in whole seconds. */
const TOLD_IN = 1000

/**
 * ms by which this device's clock is ahead of the workshop's, by what an answer of the server says; 0 where they agree as far as one can
 * tell.
 * @param date the server's own time, as its answers carry it; null where one carries none
 * @param asked and
 * @param answered when it was asked and answered, by this device's clock
 */
export function aheadBy(date: string | null, asked: number, answered: number): number | null {
  const server = date ? Date.parse(date) : NaN
  if (!Number.isFinite(server)) return null
  const early = asked - (server + TOLD_IN)
  const late = answered - server
  // Anything between is possible: nearest to no difference.
  return early > 0 ? early : late < 0 ? late : 0
}

const ahead = ref(0)
export function heardTime(date: string | null, asked: number, answered: number): void {
  const by = aheadBy(date, asked, answered)
  if (by !== null) ahead.value = by
}
/** ms by which this device's clock is ahead (behind: below 0) where that is enough to be said; else 0. */
export const clockOff = computed(() => (Math.abs(ahead.value) >= OFF_BY ? ahead.value : 0))

const MINUTE = 60_000
const HOUR = 60
/** As one says it: 61 minutes ahead. */
export function clockWords(off: number): string {
  const minutes = Math.round(Math.abs(off) / MINUTE)
  const long =
    minutes >= 2 * HOUR
      ? `${Math.round(minutes / HOUR)} hours`
      : `${minutes} ${minutes === 1 ? 'minute' : 'minutes'}`
  return `This device’s clock is ${long} ${off > 0 ? 'ahead' : 'behind'}. Entries keep the workshop’s time beside it.`
}

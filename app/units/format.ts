import { formatNow } from './units'
/** Figures as they are read at the bench, in the units of whoever reads. */
export const millimetres = (mm: number): string => formatNow().length(mm)
export const millilitres = (mm3: number): string => formatNow().volume(mm3)
export const newtons = (n: number): string => formatNow().force(n)

const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })
const day = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })

const withYear = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
})

/** Time today, day and time of this year, day and year of others. */
export function when(iso: string): string {
  const at = new Date(iso)
  const today = new Date().toDateString() === at.toDateString()
  if (today) return time.format(at)
  return at.getFullYear() === new Date().getFullYear()
    ? `${day.format(at)} ${time.format(at)}`
    : withYear.format(at)
}

/** ms in a month, the mean of a year’s. */
const MONTH = (365.25 / 12) * 24 * 3600 * 1000
/** Months that have passed since, not rounded. */
export const monthsSince = (iso: string, now = Date.now()): number =>
  Math.max(0, (now - Date.parse(iso)) / MONTH)

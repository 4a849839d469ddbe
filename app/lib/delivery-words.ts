/** An amount of money, with its currency where it is not the shop’s own. */
export const money = (amount: number, currency: string | null = null): string =>
  `${amount.toFixed(2)}${currency ? ` ${currency}` : ''}`

const DAY = 86_400_000
/** A delivery as one would say it: today, tomorrow, or its day, with its time. */
export function deliveryWords(iso: string | null, now = new Date()): string {
  if (iso === null) return 'no day known'
  const at = new Date(iso)
  const midnight = (date: Date) => new Date(date.getFullYear(), date.getMonth(), date.getDate())
  const days = Math.round((midnight(at).getTime() - midnight(now).getTime()) / DAY)
  const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  if (days === 0) return `today ${time}`
  if (days === 1) return `tomorrow ${time}`
  const day = at.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })
  return `${day}, ${time}`
}
/** Days until it comes. */
export const daysWords = (days: number): string =>
  days === 0 ? 'at hand' : days === 1 ? '1 day' : `${days} days`
export const WEEKDAYS = [
  'Sunday',
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
] as const
/** A time of day, as a clock shows it. */
export const clock = (iso: string | null): string =>
  iso === null
    ? 'some time ago'
    : new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })

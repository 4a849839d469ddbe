/** A way that parts come: what is ordered by then is here then. Weekdays count from Sunday, 0; times are the shop's own. */
export interface DeliveryDay {
  weekday: number
  /** HH:MM; ordered later, it comes with the next. */
  cutoff: string
  arrivesDay: number
  arrives: string
}
/** A moment of the shop's week. */
export interface WeekMoment {
  weekday: number
  /** Minutes since midnight. */
  minute: number
}
/** A delivery that is to come: days from today, and the time of day. */
export interface NextDelivery {
  /** Days from today until the order must be in, and by when. */
  orderInDays: number
  cutoff: string
  inDays: number
  arrives: string
}

const DAY = 1440
const WEEK = 7 * DAY
export const minuteOf = (time: string): number => {
  const [hours, minutes] = time.split(':').map(Number)
  return hours! * 60 + minutes!
}

/**
 * The delivery that brings it first.
 * @param days the shop's delivery days; none where parts come whenever they are ready
 * @param now moment of the week
 * @param leadDays days until the supplier can hand it over
 * @returns null where no delivery days are set
 */
export function nextDelivery(
  days: readonly DeliveryDay[],
  now: WeekMoment,
  leadDays = 0,
): NextDelivery | null {
  const start = now.weekday * DAY
  const ready = now.minute + leadDays * DAY
  let best: { arrives: number; cutoff: number; day: DeliveryDay } | null = null
  for (const day of days) {
    let cutoff = day.weekday * DAY + minuteOf(day.cutoff) - start
    while (cutoff < ready) cutoff += WEEK
    // The first arrival after it has gone off; a boat of the same minute is that boat.
    let arrives = day.arrivesDay * DAY + minuteOf(day.arrives) - start
    while (arrives < cutoff) arrives += WEEK
    while (arrives - WEEK >= cutoff) arrives -= WEEK
    if (!best || arrives < best.arrives) best = { arrives, cutoff, day }
  }
  if (!best) return null
  return {
    orderInDays: Math.floor(best.cutoff / DAY),
    cutoff: best.day.cutoff,
    inDays: Math.floor(best.arrives / DAY),
    arrives: best.day.arrives,
  }
}

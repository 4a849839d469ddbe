const day = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
})
const withYear = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
})

/** A day of this year with its weekday, another year’s with its year; `by distance` where there is none. */
export function dueDay(due: string | null, now = new Date()): string {
  if (due === null) return 'by distance'
  const at = new Date(`${due}T00:00:00Z`)
  return at.getUTCFullYear() === now.getUTCFullYear() ? day.format(at) : withYear.format(at)
}

/** Whether its day has passed where one works. */
export function isLate(due: string | null, now = new Date()): boolean {
  const pad = (figure: number) => String(figure).padStart(2, '0')
  return due !== null && due < `${now.getFullYear()}-${pad(now.getMonth() + 1)}-${pad(now.getDate())}`
}

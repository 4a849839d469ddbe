import type { CoachTold, Seat } from '~~/contract'
import type { Role } from '~~/core/coach'

export const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)
/** Of an id the part that no clock has made. */
const UNCLOCKED = 10
/** Which of two runs was begun later: by the server’s number, never by the clocks of devices. */
export function isNewer(a: CoachTold, b: CoachTold): boolean {
  if (a.number !== b.number) return a.number > b.number
  if (a.confirmed !== b.confirmed) return a.confirmed
  return compare(a.run.slice(UNCLOCKED), b.run.slice(UNCLOCKED)) > 0
}

/** A place is given; whoever had it gets the place that the other leaves: two change places. */
function seated(roles: Record<Role, Seat | null>, role: Role, seat: Seat): Record<Role, Seat | null> {
  const other: Role = role === 'pedal' ? 'bleeder' : 'pedal'
  const before = roles[role]
  const left = roles[other]?.device === seat.device
  const next = { ...roles, [role]: seat }
  if (left) next[other] = before?.device === seat.device ? null : before
  return next
}
/** One place or both are given. */
export const seatedAll = (
  now: Record<Role, Seat | null>,
  roles: readonly Role[],
  seat: Seat,
): Record<Role, Seat | null> =>
  roles.length === 2 ? { pedal: seat, bleeder: seat } : seated(now, roles[0]!, seat)

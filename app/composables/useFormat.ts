import { shown } from '~~/core/quantity'

/** Figures as they are read at the bench. Display units follow here once they can be chosen. */
export const millimetres = (mm: number): string => `${shown(mm, Math.abs(mm) < 10 ? 1 : 0)} mm`
export const millilitres = (mm3: number): string =>
  `${shown(mm3 / 1000, Math.abs(mm3) < 9950 ? 2 : 0)} ml`
export const newtons = (n: number): string => `${shown(n, 0)} N`
export const bench = { length: millimetres, volume: millilitres }

const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })
const day = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })

/** Time today, day and time before. */
export function when(iso: string): string {
  const at = new Date(iso)
  const today = new Date().toDateString() === at.toDateString()
  return today ? time.format(at) : `${day.format(at)} ${time.format(at)}`
}

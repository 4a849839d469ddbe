/** Figures as they are read at the bench, in the units of whoever reads. */
export const millimetres = (mm: number): string => formatNow().length(mm)
export const millilitres = (mm3: number): string => formatNow().volume(mm3)
export const newtons = (n: number): string => formatNow().force(n)

const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })
const day = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })

/** Time today, day and time before. */
export function when(iso: string): string {
  const at = new Date(iso)
  const today = new Date().toDateString() === at.toDateString()
  return today ? time.format(at) : `${day.format(at)} ${time.format(at)}`
}

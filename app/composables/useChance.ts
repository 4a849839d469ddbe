import { REPAIRS } from '../../core/diagnosis'

/** A chance rounded to what it deserves. */
export function chanceWords(chance: number): string {
  if (chance >= 0.995) return 'over 99 %'
  if (chance < 0.005) return 'under 1 %'
  const percent = 100 * chance
  // Between 10 and 90 in 100 the tables are good to about five.
  const step = percent > 10 && percent < 90 ? 5 : 1
  return `${Math.round(percent / step) * step} %`
}

/** Repairs in a row, as one would say them; what opens the circuit is bled anyway. */
export function repairWords(ids: readonly string[]): string {
  const repairs = REPAIRS.filter(({ id }) => ids.includes(id))
  const opened = repairs.some(({ id, opens }) => opens && id !== 'bleed')
  const words = repairs.filter(({ id }) => id !== 'bleed' || !opened).map(({ label }) => label)
  if (opened) words.push('bleed')
  return words.map((one, i) => (i === 0 ? one : one.charAt(0).toLowerCase() + one.slice(1))).join(', ')
}

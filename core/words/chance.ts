/** A chance rounded to what it deserves; figure and sign stay on one line. */
export function chanceWords(chance: number): string {
  if (chance >= 0.995) return 'over 99 %'
  if (chance < 0.005) return 'under 1 %'
  const percent = 100 * chance
  // Between 10 and 90 in 100 the tables are good to about five.
  const step = percent > 10 && percent < 90 ? 5 : 1
  return `${Math.round(percent / step) * step} %`
}

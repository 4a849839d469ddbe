import { numberIn, type UnitSystem } from './units'

export type LengthUnit = 'mm' | 'cm' | 'in'
/** Exact by definition (international inch, 1959). */
const MM_PER: Record<LengthUnit, number> = { mm: 1, cm: 10, in: 25.4 }

export const lengthInMm = (value: number, unit: LengthUnit): number => value * MM_PER[unit]

const GLYPHS: Record<string, string> = {
  '½': ' 1/2',
  '¼': ' 1/4',
  '¾': ' 3/4',
  '⅛': ' 1/8',
  '⅜': ' 3/8',
  '⅝': ' 5/8',
  '⅞': ' 7/8',
}
/** Fractions that are one letter, written out: 1½ is 1 1/2. */
export const writtenOut = (text: string): string =>
  text.replace(/[½¼¾⅛⅜⅝⅞]/g, (glyph) => GLYPHS[glyph]!)

const FRACTION = /^(?:(\d+)[ -])?(\d+)\/(\d+)$/

/**
 * A length as it is typed, mm: `42`, `1 1/4`, `3/4"`, `1.25 in`, `4 cm`. A bare figure is in the person's unit; a fraction without
 * a unit only where that is inches. Null for what is no length.
 */
export function lengthTyped(text: string, system: UnitSystem): number | null {
  const plain = writtenOut(text.trim().toLowerCase()).replace(/[”“″]/g, '"').trim()
  const match = /^(.+?)\s*(mm|cm|in|inch|inches|")?$/.exec(plain)
  if (!match) return null
  const [, figure, named] = match
  const unit: LengthUnit =
    named === undefined
      ? system === 'inch'
        ? 'in'
        : 'mm'
      : named === 'mm' || named === 'cm'
        ? named
        : 'in'
  const parts = FRACTION.exec(figure!)
  if (!parts) {
    const value = numberIn(figure!)
    return value === null ? null : lengthInMm(value, unit)
  }
  if (unit !== 'in' || Number(parts[3]) === 0) return null
  return lengthInMm(Number(parts[1] ?? 0) + Number(parts[2]) / Number(parts[3]), unit)
}

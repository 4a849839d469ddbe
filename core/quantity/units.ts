/**
 * Units where people read and type. Every figure of the core has one of these units; a display unit says how it is
 * read by people of one system. Sizes are exact by definition: international inch and pound (1959), standard
 * gravity (CGPM 1901), United States fluid ounce (1/128 of 231 in³).
 */
export type UnitSystem = 'metric' | 'inch'
export const UNIT_SYSTEMS = ['metric', 'inch'] as const

export type CoreUnit =
  | ''
  | '°'
  | '×'
  | 's'
  | 'months'
  | 'km'
  | '°C'
  | 'mm'
  | 'mm²'
  | 'mm³'
  | 'N'
  | 'N/mm'
  | 'MPa'
  | 'mm³/MPa'
  | 'mm³/MPa/m'
  | 'mm³/s'

export interface DisplayUnit {
  symbol: string
  /** Core units in one of these. */
  size: number
  /** What the core’s zero reads. */
  zero?: number
  /** Decimals that a tape, a gauge or a syringe can show. */
  decimals: number
}

const INCH = 25.4
const POUND_FORCE = 4.448_221_615_260_5
const PSI = POUND_FORCE / INCH ** 2
const FLUID_OUNCE = (231 / 128) * INCH ** 3

const same = (symbol: CoreUnit, decimals: number): DisplayUnit => ({ symbol, size: 1, decimals })
const MILE = 63_360 * INCH * 1e-6
const EITHER = {
  '': same('', 2),
  '°': same('°', 0),
  '×': same('×', 2),
  s: same('s', 1),
  months: same('months', 0),
}

const UNITS: Record<UnitSystem, Record<CoreUnit, DisplayUnit>> = {
  metric: {
    ...EITHER,
    km: same('km', 0),
    '°C': same('°C', 0),
    mm: same('mm', 1),
    'mm²': same('mm²', 0),
    'mm³': { symbol: 'ml', size: 1000, decimals: 2 },
    N: same('N', 0),
    'N/mm': same('N/mm', 2),
    MPa: { symbol: 'bar', size: 0.1, decimals: 1 },
    'mm³/MPa': { symbol: 'ml per 100 bar', size: 100, decimals: 2 },
    'mm³/MPa/m': same('mm³/MPa/m', 0),
    'mm³/s': same('mm³/s', 1),
  },
  inch: {
    ...EITHER,
    km: { symbol: 'miles', size: MILE, decimals: 0 },
    '°C': { symbol: '°F', size: 5 / 9, zero: 32, decimals: 0 },
    mm: { symbol: 'in', size: INCH, decimals: 2 },
    'mm²': { symbol: 'in²', size: INCH ** 2, decimals: 3 },
    'mm³': { symbol: 'fl oz', size: FLUID_OUNCE, decimals: 3 },
    N: { symbol: 'lbf', size: POUND_FORCE, decimals: 1 },
    'N/mm': { symbol: 'lbf/in', size: POUND_FORCE / INCH, decimals: 2 },
    MPa: { symbol: 'psi', size: PSI, decimals: 0 },
    'mm³/MPa': { symbol: 'fl oz per 1000 psi', size: FLUID_OUNCE / (1000 * PSI), decimals: 4 },
    'mm³/MPa/m': { symbol: 'ml/ft at 1000 psi', size: 1000 / (0.3048 * 1000 * PSI), decimals: 3 },
    'mm³/s': { symbol: 'fl oz/h', size: FLUID_OUNCE / 3600, decimals: 2 },
  },
}

export const displayUnit = (unit: CoreUnit, system: UnitSystem): DisplayUnit => UNITS[system][unit]

/** Reads a figure to so many decimals as its unit carries, unless told otherwise. */
export function read(value: number, unit: CoreUnit, system: UnitSystem, decimals?: number): string {
  const { size, zero = 0, decimals: usual } = displayUnit(unit, system)
  return shown(value / size + zero, decimals ?? usual)
}

/** The same with its symbol behind it. */
export function readWithUnit(
  value: number,
  unit: CoreUnit,
  system: UnitSystem,
  decimals?: number,
): string {
  const { symbol } = displayUnit(unit, system)
  return `${read(value, unit, system, decimals)}${symbol === '°' ? '' : symbol && ' '}${symbol}`
}

/**
 * How near a text's figure must be to the stored one, as a share. What somebody typed is short, and may have been through
 * two conversions; what no short text is near to must be written out so far that it stands for itself.
 */
const NEAR = { short: 4e-15, long: 5e-16 }
const SHORT = 10
const MOST_DIGITS = 17
const writers = Array.from(
  { length: MOST_DIGITS },
  (_, i) => new Intl.NumberFormat('en-US', { maximumSignificantDigits: i + 1, useGrouping: false }),
)

/** A stored figure as it would be typed: the fewest digits that are stored as this figure again. */
export function typed(value: number, unit: CoreUnit, system: UnitSystem): string {
  const { size, zero = 0 } = displayUnit(unit, system)
  const shownIn = value / size + zero
  const write = (digits: number) => writers[digits - 1]!.format(shownIn)
  for (let digits = 1; digits < MOST_DIGITS; digits++) {
    const near = digits <= SHORT ? NEAR.short : NEAR.long
    if (Math.abs((Number(write(digits)) - zero) * size - value) <= near * Math.abs(value))
      return write(digits).replace(/^-0$/, '0')
  }
  return write(MOST_DIGITS)
}

/** A typed figure in the core's unit. */
export function stored(value: number, unit: CoreUnit, system: UnitSystem): number {
  const { size, zero = 0 } = displayUnit(unit, system)
  return (value - zero) * size
}

/** A number as it is read at a bench: so many decimals, no minus before a zero. */
export function shown(value: number, decimals: number): string {
  const text = value.toFixed(decimals)
  return Number(text) === 0 ? text.replace('-', '') : text.replace('-', '−')
}

/** What was typed as a number, with point or comma and any minus; null for what is none. */
export function numberIn(text: string): number | null {
  const plain = text.trim().replace('−', '-').replace(',', '.')
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null
}

import { FLUIDS, type FluidKind } from './kinds'

/** A figure with its range. */
export interface Ranged {
  low: number
  value: number
  high: number
}

export const CLIMATES = ['dry', 'usual', 'damp'] as const
export type Climate = (typeof CLIMATES)[number]

/** Share of water taken up in a year; an estimate, from fluids drawn out of vehicles of known age. */
const PER_YEAR: Record<Climate, number> = { dry: 0.005, usual: 0.01, damp: 0.013 }
/** Most that it takes up, as a share. */
const MOST_WATER = 0.06
/** The range of that estimate, as multiples of it. */
const RANGE = { low: 0.5, high: 1.6 }

/**
 * Water in a glycol fluid by its age, as a share of its mass: an estimate.
 * @param months since it was last changed
 */
export function waterByAge(months: number, climate: Climate): Ranged {
  const value = Math.min(MOST_WATER, PER_YEAR[climate] * (months / 12))
  return { low: RANGE.low * value, value, high: RANGE.high * value }
}

/** Water share at which the wet boiling point holds, in units of the law’s own fall: 3.7 % over 2 %. */
const WET_AT = Math.exp(-1.85)
const FALL = 0.02

/** Boiling point at a share of water, °C; null for a kind that takes up none, or is not known. */
export function boilingAt(kind: FluidKind, water: number): number | null {
  const { family, dry, wet } = FLUIDS[kind]
  if (family !== 'glycol' || dry === null || wet === null) return null
  return wet + ((dry - wet) * (Math.exp(-water / FALL) - WET_AT)) / (1 - WET_AT)
}

/** The law turned round: the share of water at which a fluid of this kind boils; 0 where it boils above its dry point. */
export function waterAtBoiling(kind: FluidKind, boiling: number): number | null {
  const { family, dry, wet } = FLUIDS[kind]
  if (family !== 'glycol' || dry === null || wet === null) return null
  const left = WET_AT + ((boiling - wet) * (1 - WET_AT)) / (dry - wet)
  // Below the law's own end it holds more water than the law tells apart.
  return left <= 0 ? 1 : Math.max(0, -FALL * Math.log(left))
}

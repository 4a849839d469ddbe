import { evenDraws, normalQuantile } from '../chance'
import { BLEED_CONSTANTS, type BleedConstant, type ConstantName, type Constants } from './constants'

/** Low and high of the table are taken for the fifth and the ninety-fifth of a hundred. */
const NINETY = normalQuantile(0.95)

/** What a shop's own bleeds say of the constants: where draws lie and how wide, in standard deviations of the usual ones. */
export interface Learned {
  /** Bleeds it was learnt from. */
  count: number
  of: Partial<Record<ConstantName, { mean: number; sd: number }>>
}

/** A constant at so many standard deviations from its usual value: log-normal on each side, linear where its low is nothing. */
function at(usual: number, low: number, high: number, z: number): number {
  const end = z < 0 ? low : high
  const share = Math.abs(z) / NINETY
  if (end > 0 && usual > 0) return usual * (end / usual) ** share
  return Math.max(0, usual + (end - usual) * share)
}
function valueOf({ usual, low, high, min, max }: BleedConstant, z: number): number {
  if (low === undefined || high === undefined) return usual
  return Math.min(max, Math.max(min, at(usual, low, high, z)))
}
/** All constants, each at so many standard deviations from its usual value. */
export const constantsAt = (z: Partial<Record<ConstantName, number>>): Constants =>
  Object.fromEntries(
    BLEED_CONSTANTS.map((row) => [row.name, valueOf(row, z[row.name as ConstantName] ?? 0)]),
  ) as Constants

/** Constants that somebody set stand; the rest are drawn, the same ones for every method of a rank. */
export function drawnConstants(
  set: Partial<Constants>,
  draws: number,
  seed: number,
  learned?: Learned,
): Constants[] {
  const draw = evenDraws(seed)
  return Array.from({ length: draws }, () => {
    const constants = {} as Constants
    for (const row of BLEED_CONSTANTS) {
      const known = row.name as ConstantName
      // Drawn all the same, so that what is set changes nothing else.
      const z = normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, draw())))
      const own = learned?.of[known]
      constants[known] = set[known] ?? valueOf(row, own ? own.mean + own.sd * z : z)
    }
    return constants
  })
}

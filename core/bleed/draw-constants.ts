import { evenDraws, normalQuantile } from '../chance'
import { BLEED_CONSTANTS, type ConstantName, type Constants } from './constants'

/** Low and high of the table are taken for the fifth and the ninety-fifth of a hundred. */
const NINETY = normalQuantile(0.95)

/** A constant at so many standard deviations from its usual value: log-normal on each side, linear where its low is nothing. */
function at(usual: number, low: number, high: number, z: number): number {
  const end = z < 0 ? low : high
  const share = Math.abs(z) / NINETY
  if (end > 0 && usual > 0) return usual * (end / usual) ** share
  return Math.max(0, usual + (end - usual) * share)
}

/** Constants that somebody set stand; the rest are drawn, the same ones for every method of a rank. */
export function drawnConstants(set: Partial<Constants>, draws: number, seed: number): Constants[] {
  const draw = evenDraws(seed)
  return Array.from({ length: draws }, () => {
    const constants = {} as Constants
    for (const { name, usual, low, high, min, max } of BLEED_CONSTANTS) {
      const known = name as ConstantName
      // Drawn all the same, so that what is set changes nothing else.
      const z = normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, draw())))
      const value = low === undefined || high === undefined ? usual : at(usual, low, high, z)
      constants[known] = set[known] ?? Math.min(max, Math.max(min, value))
    }
    return constants
  })
}

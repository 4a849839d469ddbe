/**
 * What is held of trapped air before anything is read. Two states of knowledge, each with its reason; the figures are
 * engineering judgement.
 */
export interface AirPrior {
  /** Density at an air of so many mm³; 0 outside what can be. */
  density: (air: number) => number
  /** The air below which a share of the cases lies, mm³. */
  quantile: (share: number) => number
}

/** Below this no foot tells one amount from another, mm³; above it each doubling is held as likely as the next. */
const FLOOR = 100
/** More than this no pedal would be driven in with, mm³. */
export const MOST_AIR = 8000
const LOG_SPAN = Math.log((MOST_AIR + FLOOR) / FLOOR)

/** A pedal of which somebody complains: from none to no pedal at all, even in the logarithm. */
export const COMPLAINED_OF: AirPrior = {
  density: (air) => (air < 0 || air > MOST_AIR ? 0 : 1 / ((air + FLOOR) * LOG_SPAN)),
  quantile: (share) => FLOOR * (Math.exp(share * LOG_SPAN) - 1),
}

/** What a careful bleed leaves on average, mm³. */
const LEFT_BY_A_BLEED = 80

/** A pedal known to be good: proven by the one who bled it, and not complained of since. */
export const KNOWN_GOOD: AirPrior = {
  density: (air) => (air < 0 ? 0 : Math.exp(-air / LEFT_BY_A_BLEED) / LEFT_BY_A_BLEED),
  quantile: (share) => -LEFT_BY_A_BLEED * Math.log(1 - share),
}

/** Orders: what a job takes, which part answers it, when it can be here, and what becomes of each line. */
export { bleedKit, NIPPLES, type BleedKit } from './bleed-kit'
export {
  minuteOf,
  nextDelivery,
  type DeliveryDay,
  type NextDelivery,
  type WeekMoment,
} from './delivery'
export {
  countsOf,
  HAPPENED_WORDS,
  mostOf,
  noCounts,
  openOf,
  ORDER_HAPPENED,
  ORDER_STATE_WORDS,
  ORDER_STATES,
  stateOfLines,
  toReturn,
  type LineCounts,
  type OrderHappened,
  type OrderState,
} from './line'
export { matches, piecesFor, ranked, type Match } from './match'
export {
  NEED_GROUP_WORDS,
  NEED_GROUPS,
  needsOf,
  unknownEnds,
  type Need,
  type NeedGroup,
  type NeedSpec,
  type NeedsInput,
} from './needs'
export { SMALL_PARTS, type SmallPart } from './small-parts'
export {
  needsPriced,
  priceOf,
  pricesOf,
  type NeedFound,
  type PartPrices,
  type PricedLine,
} from './prices'

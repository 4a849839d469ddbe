/** Ids, labels and kinds of what is complained of, found, read and repaired: tables, and nothing that computes. */
export * from './complaints'
export * from './findings'
export * from './readings'
export * from './faults'
export { NEEDS, USUAL_CONDITIONS } from './conditions'
export { REPAIRS } from './repairs'
export { whyFavoured } from './favoured'

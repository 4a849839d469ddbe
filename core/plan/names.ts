/** What is put on, taken off and turned up, packages and titles of steps: tables, and no search for an order. */
export { PUT_ON, PUT_ON_ITEMS, REMOVED, REMOVED_ITEMS } from './put-on'
export { emptiedBy } from './ledger'
export { isOwn, PACKAGES, stepTitle } from './packages'
export { SURPRISE_KINDS, surpriseWords } from './surprises'

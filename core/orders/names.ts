/** What happens to a line of an order, and how it is counted. */
export * from './line'

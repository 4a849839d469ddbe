/** The work itself: each operation with its minutes, parts and tools. */
export {
  HOURLY_RATE,
  operationOf,
  OPERATIONS,
  takes,
  type Minutes,
  type Operation,
  type OperationId,
  type OperationPrices,
  type Touched,
} from './operations'

/** What can happen to a line of an order. */
export const ORDER_HAPPENED = [
  'placed',
  'delivered',
  'short',
  'wrong',
  'returned',
  'cancelled',
] as const
export type OrderHappened = (typeof ORDER_HAPPENED)[number]
export const HAPPENED_WORDS: Record<OrderHappened, string> = {
  placed: 'Ordered',
  delivered: 'Came',
  short: 'Did not come',
  wrong: 'Came wrong',
  returned: 'Sent back',
  cancelled: 'Cancelled',
}

export const ORDER_STATES = [
  'draft',
  'placed',
  'confirmed',
  'partly',
  'delivered',
  'cancelled',
] as const
export type OrderState = (typeof ORDER_STATES)[number]
export const ORDER_STATE_WORDS: Record<OrderState, string> = {
  draft: 'In the basket',
  placed: 'Placed',
  confirmed: 'Confirmed',
  partly: 'Partly here',
  delivered: 'Delivered',
  cancelled: 'Cancelled',
}

/** Pieces of a line by what happened to them. */
export type LineCounts = Record<Exclude<OrderHappened, 'placed'>, number>
export const noCounts = (): LineCounts => ({
  delivered: 0,
  short: 0,
  wrong: 0,
  returned: 0,
  cancelled: 0,
})

/** What happened to a line, added up. */
export function countsOf(events: readonly { happened: OrderHappened; quantity: number }[]): LineCounts {
  const counts = noCounts()
  for (const { happened, quantity } of events) if (happened !== 'placed') counts[happened] += quantity
  return counts
}

/** Pieces that are still to come: what came short or wrong is still owed, until it comes or is cancelled. */
export const openOf = (quantity: number, { delivered, cancelled }: LineCounts): number =>
  Math.max(0, quantity - delivered - cancelled)
/** Pieces that lie here and have to go back. */
export const toReturn = ({ wrong, returned }: LineCounts): number => Math.max(0, wrong - returned)

/**
 * Most pieces to which something can still happen; null where there is no bound.
 * Short pieces are told once for each delivery: no more than are open.
 */
export function mostOf(happened: OrderHappened, quantity: number, counts: LineCounts): number {
  switch (happened) {
    case 'placed':
      return quantity
    case 'returned':
      return toReturn(counts)
    case 'delivered':
    case 'cancelled':
    case 'short':
    case 'wrong':
      return openOf(quantity, counts)
  }
}

/**
 * The state of an order that was placed, by its lines.
 * @param confirmed the supplier has answered and promised all of it
 */
export function stateOfLines(
  lines: readonly { quantity: number; counts: LineCounts }[],
  confirmed: boolean,
): OrderState {
  const open = lines.reduce((sum, { quantity, counts }) => sum + openOf(quantity, counts), 0)
  const back = lines.reduce((sum, { counts }) => sum + toReturn(counts), 0)
  const came = lines.reduce((sum, { counts }) => sum + counts.delivered, 0)
  const happened = lines.some(({ counts }) => counts.delivered + counts.short + counts.wrong > 0)
  if (open === 0 && back === 0) return came > 0 ? 'delivered' : 'cancelled'
  if (happened) return 'partly'
  return confirmed ? 'confirmed' : 'placed'
}

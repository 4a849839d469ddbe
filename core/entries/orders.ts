import { HAPPENED_WORDS, noCounts, ORDER_HAPPENED, openOf, toReturn } from '../orders/names'
import type { LineCounts, OrderHappened } from '../orders'
import { namesOf, type EntryKind } from './kind'

/** What happened to a line of an order that is for this job; the line itself stands with the order. */
export interface OrderTold {
  /** Id of the line. */
  line: string
  happened: OrderHappened
  quantity: number
  /** What the line is, for whoever reads the history without the order. */
  words?: string
  /** When it is promised here; UTC. */
  arrives?: string
}

/** A line as the job's entries tell it. */
export interface OrderedLine {
  line: string
  words: string
  ordered: number
  counts: LineCounts
  arrives: string | null
}

export interface OrderPayloads {
  order: OrderTold
}
export interface OrderSlice {
  ordered: Record<string, OrderedLine>
}
export const startOrders = (): OrderSlice => ({ ordered: {} })

const happenings = namesOf(ORDER_HAPPENED)

type Kinds = { [K in keyof OrderPayloads]: EntryKind<OrderPayloads[K], OrderSlice> }

export const ORDER_KINDS: Kinds = {
  order: {
    stages: ['choose'],
    subjects: ['job'],
    knows: ({ happened }) => happenings.has(happened),
    take: (slice, { payload: { line, happened, quantity, words, arrives } }) => {
      const before = slice.ordered[line] ?? {
        line,
        words: '',
        ordered: 0,
        counts: noCounts(),
        arrives: null,
      }
      const counts = { ...before.counts }
      if (happened !== 'placed') counts[happened] += quantity
      slice.ordered = {
        ...slice.ordered,
        [line]: {
          line,
          words: words ?? before.words,
          ordered: before.ordered + (happened === 'placed' ? quantity : 0),
          counts,
          arrives: arrives ?? before.arrives,
        },
      }
    },
    tell: ({ happened, quantity, words }) =>
      `${HAPPENED_WORDS[happened]}: ${quantity} ${quantity === 1 ? 'piece' : 'pieces'}${words ? ` of ${words}` : ''}`,
  },
}

/** Lines of which something is still to come. */
export const waitingLines = ({ ordered }: OrderSlice): OrderedLine[] =>
  Object.values(ordered).filter((one) => openOf(one.ordered, one.counts) > 0)
/** Lines of which something lies here that has to go back. */
export const wrongLines = ({ ordered }: OrderSlice): OrderedLine[] =>
  Object.values(ordered).filter(({ counts }) => toReturn(counts) > 0)

import { Type, type Static } from '@sinclair/typebox'
import { ORDER_HAPPENED, type LineCounts, type OrderHappened, type OrderState } from '../core/orders'
import { TEXT_BOUNDS } from '../core/shelf'
import { bounded, Instant, Line, OneOf, OrNull, strict, Ulid } from './shape'

/** Orders: what is in the basket, what was placed, and what became of each line. */
const Time = Type.String({ pattern: '^([01]\\d|2[0-3]):[0-5]\\d$' })
const Weekday = Type.Integer({ minimum: 0, maximum: 6 })
export const DeliveryDaySchema = Type.Object(
  { weekday: Weekday, cutoff: Time, arrivesDay: Weekday, arrives: Time },
  strict,
)
const Pieces = Type.Integer({ minimum: 1, maximum: 100_000 })
const Money = bounded({ min: 0, max: 99_999_999.99 })

/** Lines for the basket; each goes to the draft of its supplier. */
export const BasketLines = Type.Object(
  {
    lines: Type.Array(
      Type.Object(
        {
          id: Ulid,
          partId: Type.Optional(Ulid),
          /** The supplier’s own, where the part is not on the shelf. */
          number: Type.Optional(Line(TEXT_BOUNDS.number)),
          words: Line(200),
          supplier: Line(TEXT_BOUNDS.supplier),
          jobId: Type.Optional(Ulid),
          quantity: Pieces,
          price: Money,
          currency: Type.Optional(OrNull(Type.String({ pattern: '^[A-Z]{3}$' }))),
          /** What of the job it is for, by the name of the need. */
          need: Type.Optional(Line(120)),
        },
        strict,
      ),
      { minItems: 1, maxItems: 100 },
    ),
  },
  strict,
)
export type BasketLinesBody = Static<typeof BasketLines>
/** Another number of pieces of a line in the basket; none takes it out. */
export const LineChange = Type.Object(
  { quantity: Type.Integer({ minimum: 0, maximum: 100_000 }) },
  strict,
)
export type LineChangeBody = Static<typeof LineChange>
/** Whoever does it, and when. */
const hand = { by: Ulid, at: Instant }
export const PlaceOrder = Type.Object(hand, strict)
export type PlaceOrderBody = Static<typeof PlaceOrder>
export const OrderEvents = Type.Object(
  {
    ...hand,
    happened: Type.Array(
      Type.Object(
        {
          /** Of the event; the same one again changes nothing. */
          id: Ulid,
          line: Ulid,
          happened: OneOf(ORDER_HAPPENED.filter((one) => one !== 'placed')),
          quantity: Pieces,
        },
        strict,
      ),
      { minItems: 1, maxItems: 200 },
    ),
  },
  strict,
)
export type OrderEventsBody = Static<typeof OrderEvents>
/** An event is taken back; its id is the withdrawal’s where the line is for a job. */
export const OrderUndo = Type.Object({ ...hand, id: Ulid, event: Ulid }, strict)
export type OrderUndoBody = Static<typeof OrderUndo>
export const OrdersQuery = Type.Object(
  {
    job: Type.Optional(Ulid),
    /** Basket and what is still to come; or also what is done. */
    show: Type.Optional(OneOf(['open', 'all'])),
  },
  strict,
)
export type OrdersQueryValues = Static<typeof OrdersQuery>

export interface OrderEvent {
  id: string
  happened: OrderHappened
  quantity: number
  at: string
  by: string
}
export interface OrderLine {
  id: string
  partId: string | null
  number: string | null
  words: string
  jobId: string | null
  /** Of the job, where it is for one. */
  jobTitle: string | null
  vehicleName: string | null
  quantity: number
  price: number
  /** What the supplier confirmed; null before it has. */
  confirmed: number | null
  confirmedPrice: number | null
  received: number
  returned: number
  counts: LineCounts
  need: string | null
  events: OrderEvent[]
}
export interface Order {
  id: string
  supplier: string
  state: OrderState
  placedAt: string | null
  /** When it is promised here; null where no delivery days are set. */
  arrives: string | null
  total: number
  /** Null for the shop’s own money; “mixed” where lines differ. */
  currency: string | null
  /** It is sent to the supplier by itself; else somebody rings up. */
  wired: boolean
  /** When the supplier took it; null while it has not answered. */
  answeredAt: string | null
  /** Why it has not, and since when it was tried. */
  trouble: string | null
  tries: number
  lines: OrderLine[]
}

/** The supplier that is reached by wire. */
export interface SupplierState {
  /** Null where none is set. */
  name: string | null
  answering: boolean
  /** Since when it does not answer. */
  since: string | null
}
export const CatalogueQuery = Type.Object({ q: Type.String({ minLength: 1, maxLength: 80 }) }, strict)
export const NumberPath = Type.Object({ number: Line(TEXT_BOUNDS.number) }, strict)
/** What a supplier lists. */
export interface CatalogueItem {
  number: string
  name: string
  kind: string
  price: number
  stock: number
  leadDays: number
}
export interface CatalogueAnswer {
  supplier: SupplierState
  /** Null where it did not answer. */
  items: CatalogueItem[] | null
  at: string
}
export interface StockAnswer {
  supplier: SupplierState
  stock: number | null
  at: string
}
/** What the supplier says it has sent. */
export interface DeliveryNote {
  supplier: SupplierState
  lines: { number: string; sent: string; quantity: number }[] | null
}
/** A delivery that is awaited, for the bench. */
export interface AwaitedDelivery {
  arrives: string | null
  suppliers: string[]
  pieces: number
  jobs: { id: string; vehicleName: string; title: string; words: string[] }[]
}

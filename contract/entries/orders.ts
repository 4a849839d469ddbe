import { Type } from '@sinclair/typebox'
import type { OrderPayloads } from '../../core/journal'
import { ORDER_HAPPENED } from '../../core/orders'
import { Instant, Line, OneOf, strict, Ulid } from '../shape'
import type { KindAtBoundary } from './kind'

export const ORDERS_AT_BOUNDARY = {
  order: {
    schema: Type.Object(
      {
        line: Ulid,
        happened: OneOf(ORDER_HAPPENED),
        quantity: Type.Integer({ minimum: 1, maximum: 100_000 }),
        words: Type.Optional(Line(200)),
        arrives: Type.Optional(Instant),
      },
      strict,
    ),
  },
} satisfies { [K in keyof OrderPayloads]: KindAtBoundary<OrderPayloads[K]> }

import { Type } from '@sinclair/typebox'
import type { LedgerPayloads } from '../../core/journal'
import { PUT_ON_ITEMS, REMOVED_ITEMS } from '../../core/plan'
import { Line, OneOf, strict, Ulid } from '../shape'
import type { KindAtBoundary } from './kind'

const Reversed = Type.Object({ of: Ulid }, strict)

export const LEDGER_AT_BOUNDARY = {
  putOn: { schema: Type.Object({ item: OneOf(PUT_ON_ITEMS), place: Line(120) }, strict) },
  takenOff: { schema: Reversed },
  removed: {
    schema: Type.Object(
      { item: OneOf(REMOVED_ITEMS), place: Line(120), bag: Type.Optional(Line(80)) },
      strict,
    ),
  },
  refitted: { schema: Reversed },
} satisfies { [K in keyof LedgerPayloads]: KindAtBoundary<LedgerPayloads[K]> }

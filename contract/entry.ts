import { Type, type Static, type TProperties } from '@sinclair/typebox'
import type { Entry, Kind, Payloads } from '../core/journal'
import { KINDS_AT_BOUNDARY } from './entries'
import { Instant, OneOf, strict, tagged, Ulid, type Same } from './shape'

type Derived = { [K in Kind]: Static<(typeof KINDS_AT_BOUNDARY)[K]['schema']> }
export const payloadTypesAgree: Same<Derived, Payloads> = true

const head = {
  id: Ulid,
  subject: Type.Object({ type: OneOf(['job', 'vehicle']), id: Ulid }, strict),
  at: Instant,
  by: Ulid,
}
/** One kind of entry as it is posted: by itself it is compiled in a moment, all of them together are not. */
export const entrySchemaOf = (kind: Kind) => {
  const acts: TProperties =
    kind === 'withdrawal' ? { withdraws: Ulid } : { corrects: Type.Optional(Ulid) }
  return Type.Object(
    { ...head, kind: Type.Literal(kind), payload: KINDS_AT_BOUNDARY[kind].schema, ...acts },
    strict,
  )
}

/** An entry as it is posted: the server adds its sequence. */
export const NewEntrySchema = tagged<Entry>(
  'kind',
  (Object.keys(KINDS_AT_BOUNDARY) as Kind[]).map((kind) => entrySchemaOf(kind)),
)

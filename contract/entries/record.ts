import { Type } from '@sinclair/typebox'
import type { RecordPayloads } from '../../core/journal'
import { Line, OneOf, strict, Ulid } from '../shape'
import type { KindAtBoundary } from './kind'

export const RECORD_AT_BOUNDARY = {
  photo: {
    schema: Type.Object(
      {
        file: Ulid,
        of: Type.Optional(Ulid),
        place: Type.Optional(Line(40)),
        side: Type.Optional(OneOf(['old', 'new'])),
        words: Type.Optional(Line(400)),
      },
      strict,
    ),
  },
  modelNote: {
    schema: Type.Object(
      { model: Line(80), place: Line(40), words: Line(400), photo: Type.Optional(Ulid) },
      strict,
    ),
  },
  closed: {
    schema: Type.Object({ reason: Type.Optional(Line(400)) }, strict),
  },
  note: {
    schema: Type.Object({ words: Line(2000) }, strict),
  },
  withdrawal: {
    schema: Type.Object({ reason: Type.Optional(Line(400)) }, strict),
  },
} satisfies { [K in keyof RecordPayloads]: KindAtBoundary<RecordPayloads[K]> }

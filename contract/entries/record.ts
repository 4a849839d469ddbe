import { Type } from '@sinclair/typebox'
import type { RecordPayloads } from '../../core/journal'
import { Line, strict } from '../shape'
import type { KindAtBoundary } from './kind'

export const RECORD_AT_BOUNDARY = {
  note: {
    schema: Type.Object({ words: Line(2000) }, strict),
  },
  withdrawal: {
    schema: Type.Object({ reason: Type.Optional(Line(400)) }, strict),
  },
} satisfies { [K in keyof RecordPayloads]: KindAtBoundary<RecordPayloads[K]> }

import { Type } from '@sinclair/typebox'
import { READING_NAMES, readingKind, REPAIRS } from '../../core/diagnosis'
import { APPROVED_HOW, RULES, type Deferred, type HandoverPayloads } from '../../core/journal'
import { bounded, Line, OneOf, strict, Ulid } from '../shape'
import type { FieldProblem } from '../problem'
import type { KindAtBoundary } from './kind'

const Day = Type.String({ format: 'date', pattern: '^[1-9]\\d{3}-\\d\\d-\\d\\d$' })
const Km = bounded({ min: 0, max: 10_000_000 })

/** What ends the watch must be a figure that its reading can show. */
function checkLimit({ watch, limit }: Deferred, at: string): FieldProblem[] {
  const { label, min, max, unit } = readingKind(watch)
  return limit < min || limit > max
    ? [{ path: `${at}/limit`, message: `${label} must be ${min} to ${max} ${unit}` }]
    : []
}

export const HANDOVER_AT_BOUNDARY = {
  recheck: {
    schema: Type.Object(
      {
        of: Ulid,
        due: Type.Optional(Day),
        atKm: Type.Optional(Km),
        rules: Type.Array(OneOf(RULES), { minItems: 1, maxItems: RULES.length, uniqueItems: true }),
      },
      strict,
    ),
  },
  deferred: {
    schema: Type.Object(
      {
        repair: OneOf(REPAIRS.map(({ id }) => id)),
        watch: OneOf(READING_NAMES),
        limit: bounded({ min: -1000, max: 10_000_000 }),
        until: Type.Optional(Day),
        atKm: Type.Optional(Km),
        words: Type.Optional(Line(300)),
      },
      strict,
    ),
    check: checkLimit,
  },
  followUp: {
    schema: Type.Object(
      {
        what: Line(200),
        due: Type.Optional(Day),
        atKm: Type.Optional(Km),
        done: Type.Optional(Type.Boolean()),
      },
      strict,
    ),
  },
  approval: {
    schema: Type.Object({ option: Line(300), by: Line(80), how: OneOf(APPROVED_HOW) }, strict),
  },
} satisfies { [K in keyof HandoverPayloads]: KindAtBoundary<HandoverPayloads[K]> }

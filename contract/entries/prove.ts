import { Type } from '@sinclair/typebox'
import { COMPLAINT_IDS, FAULT_IDS, FINDING_IDS, READING_NAMES } from '../../core/diagnosis'
import { BOUNDS, GRADES, REASON_CODES, type ProvePayloads } from '../../core/journal'
import { bounded, Line, OneOf, strict, Ulid } from '../shape'
import type { KindAtBoundary } from './kind'

const Figure = bounded({ min: -1e7, max: 1e7 })
const Outcomes = OneOf(['pass', 'notYet', 'stop'])

export const PROVE_AT_BOUNDARY = {
  graded: {
    schema: Type.Object(
      {
        of: OneOf([...COMPLAINT_IDS, ...FINDING_IDS]),
        grade: OneOf(GRADES),
        remaining: Type.Optional(OneOf(FAULT_IDS)),
        words: Type.Optional(Line(400)),
      },
      strict,
    ),
  },
  cause: {
    schema: Type.Object(
      { faults: Type.Array(OneOf(FAULT_IDS), { minItems: 1, maxItems: 8, uniqueItems: true }) },
      strict,
    ),
  },
  verdict: {
    schema: Type.Object(
      {
        outcome: Outcomes,
        reasons: Type.Array(
          Type.Object(
            {
              rule: Line(60),
              outcome: Outcomes,
              code: Type.Optional(OneOf([...REASON_CODES, ...GRADES])),
              by: Type.Optional(OneOf(READING_NAMES)),
              cause: Type.Optional(OneOf(FAULT_IDS)),
              figure: Type.Optional(Figure),
              low: Type.Optional(Figure),
              high: Type.Optional(Figure),
              limit: Type.Optional(Figure),
              was: Type.Optional(Figure),
              against: Type.Optional(OneOf(BOUNDS)),
              wanted: Type.Optional(Figure),
              note: Type.Optional(Line(400)),
              // From before reasons were kept as figures; an older tab may still send them.
              words: Type.Optional(Line(400)),
              unit: Type.Optional(Type.String({ maxLength: 12 })),
            },
            strict,
          ),
          // Work that touched nothing is proven by what was felt alone, and there may be none of that.
          { maxItems: 120 },
        ),
        recheck: Type.Optional(Ulid),
      },
      strict,
    ),
  },
} satisfies { [K in keyof ProvePayloads]: KindAtBoundary<ProvePayloads[K]> }

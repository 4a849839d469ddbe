import { Type } from '@sinclair/typebox'
import { COMPLAINT_IDS, FAULT_IDS, FINDING_IDS } from '../../core/diagnosis'
import { GRADES, type ProvePayloads } from '../../core/journal'
import { bounded, Line, OneOf, strict } from '../shape'
import type { KindAtBoundary } from './kind'

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
              words: Line(400),
              figure: Type.Optional(bounded({ min: -1e7, max: 1e7 })),
              limit: Type.Optional(bounded({ min: -1e7, max: 1e7 })),
              unit: Type.Optional(Type.String({ maxLength: 12 })),
            },
            strict,
          ),
          { minItems: 1, maxItems: 40 },
        ),
      },
      strict,
    ),
  },
} satisfies { [K in keyof ProvePayloads]: KindAtBoundary<ProvePayloads[K]> }

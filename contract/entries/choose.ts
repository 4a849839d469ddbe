import { Type } from '@sinclair/typebox'
import { FAULT_IDS, FIRSTS, REPAIRS, SCOPES, WAYS } from '../../core/diagnosis'
import { JOIN_CODES, JOIN_VERDICTS, SEALS } from '../../core/fitting'
import type { ChoosePayloads } from '../../core/journal'
import { checkEnd, EndSchema } from '../end'
import { JointPlaceSchema } from '../installation'
import { bounded, Line, OneOf, OrNull, strict } from '../shape'
import type { KindAtBoundary } from './kind'

export const CHOOSE_AT_BOUNDARY = {
  decision: {
    schema: Type.Object(
      {
        scope: OneOf(SCOPES),
        way: OneOf(WAYS),
        first: OneOf(FIRSTS),
        repairs: Type.Array(OneOf(REPAIRS.map(({ id }) => id)), { maxItems: REPAIRS.length }),
        why: Type.Optional(Line(400)),
        // Sentences come from before reasons were kept as figures; an older tab may still send them.
        reasons: Type.Array(
          Type.Union([
            Line(400),
            Type.Object(
              {
                question: OneOf(['scope', 'way', 'first']),
                favoured: OneOf([...SCOPES, ...WAYS, ...FIRSTS]),
                same: Type.Boolean(),
              },
              strict,
            ),
            Type.Object({ fault: OneOf(FAULT_IDS), chance: bounded({ min: 0, max: 1 }) }, strict),
          ]),
          { maxItems: 12 },
        ),
        minutes: bounded({ min: 0, max: 100_000 }),
        money: bounded({ min: 0, max: 10_000_000 }),
        comebackRisk: bounded({ min: 0, max: 1 }),
      },
      strict,
    ),
  },
  joint: {
    schema: Type.Object(
      {
        at: JointPlaceSchema,
        a: OrNull(EndSchema),
        b: OrNull(EndSchema),
        verdict: OrNull(OneOf(JOIN_VERDICTS)),
        reasons: Type.Array(
          Type.Object(
            {
              code: OneOf(JOIN_CODES),
              figure: Type.Optional(bounded({ min: 0, max: 10_000 })),
              limit: Type.Optional(bounded({ min: 0, max: 10_000 })),
            },
            strict,
          ),
          { maxItems: 2 * JOIN_CODES.length },
        ),
        atHand: Type.Optional(Type.Array(OneOf(SEALS), { maxItems: 20 })),
      },
      strict,
    ),
    check: ({ a, b, verdict }, at) => {
      const wrong = [...checkEnd(a, `${at}/a`), ...checkEnd(b, `${at}/b`)]
      if (wrong.length > 0) return wrong
      const both = a !== null && b !== null
      if (verdict !== null && !both)
        return [{ path: `${at}/verdict`, message: 'needs both ends; null where one is not known' }]
      return a === null && b === null
        ? [{ path: `${at}/a`, message: 'one end at least must be told' }]
        : []
    },
  },
} satisfies { [K in keyof ChoosePayloads]: KindAtBoundary<ChoosePayloads[K]> }

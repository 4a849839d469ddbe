import { Type } from '@sinclair/typebox'
import { FAULT_IDS, FIRSTS, REPAIRS, SCOPES, WAYS } from '../../core/diagnosis'
import type { ChoosePayloads } from '../../core/journal'
import { bounded, Line, OneOf, strict } from '../shape'
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
} satisfies { [K in keyof ChoosePayloads]: KindAtBoundary<ChoosePayloads[K]> }

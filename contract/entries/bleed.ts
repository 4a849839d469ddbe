import { Type } from '@sinclair/typebox'
import { PROOF_STAGES } from '../../core/circuit'
import {
  BLEED_PHASES,
  BLEED_SIGNS,
  CAME_OUT,
  KIT,
  METHODS,
  PEDAL_SAYS,
  TRICKS,
  type BleedPayloads,
} from '../../core/journal'
import { bounded, Line, OneOf, strict, Volume } from '../shape'
import type { KindAtBoundary } from './kind'

export const BLEED_AT_BOUNDARY = {
  bleedCycle: {
    schema: Type.Object(
      {
        method: OneOf(METHODS),
        // Methods without strokes have none to count.
        strokes: Type.Optional(Type.Integer({ minimum: 1, maximum: 200 })),
        cameOut: OneOf([...CAME_OUT, 'notSeen']),
        colour: Type.Optional(OneOf(['dark', 'fresh'])),
        bottle: Type.Optional(Volume),
        seconds: Type.Optional(bounded({ min: 0, max: 86_400 })),
        phase: Type.Optional(OneOf(BLEED_PHASES)),
        signs: Type.Optional(
          Type.Array(OneOf(BLEED_SIGNS), { maxItems: BLEED_SIGNS.length, uniqueItems: true }),
        ),
      },
      strict,
    ),
  },
  topUp: {
    schema: Type.Object({ volume: Type.Optional(Volume) }, strict),
  },
  trick: {
    schema: Type.Object(
      {
        trick: OneOf(TRICKS),
        degrees: Type.Optional(bounded({ min: 0, max: 180 })),
        minutes: Type.Optional(bounded({ min: 0, max: 2880 })),
      },
      strict,
    ),
  },
  pedalSays: {
    schema: Type.Object(
      { says: OneOf(PEDAL_SAYS), mm: Type.Optional(bounded({ min: 0, max: 400 })) },
      strict,
    ),
  },
  bleedSetup: {
    schema: Type.Object(
      {
        people: Type.Unsafe<1 | 2>({ type: 'integer', enum: [1, 2] }),
        kit: Type.Array(OneOf(KIT), { maxItems: KIT.length, uniqueItems: true }),
        vacuum: Type.Optional(bounded({ min: 1, max: 100 })),
        overPressure: Type.Optional(bounded({ min: 1, max: 300 })),
        dryVacuum: Type.Optional(bounded({ min: 1, max: 100 })),
        override: Type.Optional(Type.Object({ by: Line(80), words: Line(300) }, strict)),
        dry: Type.Optional(Type.Boolean()),
        steps: Type.Optional(
          Type.Array(
            Type.Object(
              {
                method: OneOf([...METHODS, ...TRICKS]),
                cycles: Type.Integer({ minimum: 0, maximum: 500 }),
              },
              strict,
            ),
            { maxItems: 6 },
          ),
        ),
      },
      strict,
    ),
  },
  stageProof: {
    schema: Type.Object({ stage: OneOf(PROOF_STAGES), travel: bounded({ min: 0, max: 400 }) }, strict),
  },
} satisfies { [K in keyof BleedPayloads]: KindAtBoundary<BleedPayloads[K]> }

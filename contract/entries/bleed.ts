import { Type } from '@sinclair/typebox'
import { CAME_OUT, METHODS, type BleedPayloads } from '../../core/journal'
import { OneOf, strict, Volume } from '../shape'
import type { KindAtBoundary } from './kind'

export const BLEED_AT_BOUNDARY = {
  bleedCycle: {
    schema: Type.Object(
      {
        method: OneOf(METHODS),
        // Methods without strokes have none to count.
        strokes: Type.Optional(Type.Integer({ minimum: 1, maximum: 200 })),
        cameOut: OneOf(CAME_OUT),
        colour: Type.Optional(OneOf(['dark', 'fresh'])),
        bottle: Type.Optional(Volume),
      },
      strict,
    ),
  },
  topUp: {
    schema: Type.Object({ volume: Type.Optional(Volume) }, strict),
  },
} satisfies { [K in keyof BleedPayloads]: KindAtBoundary<BleedPayloads[K]> }

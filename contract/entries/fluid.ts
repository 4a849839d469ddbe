import { Type } from '@sinclair/typebox'
import { CLIMATES, FLUID_KINDS } from '../../core/fluid'
import type { FluidPayloads } from '../../core/journal'
import { bounded, Line, OneOf, strict, Ulid, Volume } from '../shape'
import type { KindAtBoundary } from './kind'

export const FLUID_AT_BOUNDARY = {
  fluidInside: {
    schema: Type.Object(
      {
        kind: OneOf(FLUID_KINDS),
        wanted: Type.Optional(OneOf(FLUID_KINDS)),
        water: Type.Optional(bounded({ min: 0, max: 100 })),
        boiling: Type.Optional(bounded({ min: 80, max: 320 })),
        climate: Type.Optional(OneOf(CLIMATES)),
        everyMonths: Type.Optional(Type.Integer({ minimum: 1, maximum: 120 })),
      },
      strict,
    ),
  },
  fluidUsed: {
    schema: Type.Object(
      {
        container: Ulid,
        volume: bounded({ min: 0, max: 2_000_000 }),
        kind: Type.Optional(OneOf(FLUID_KINDS)),
      },
      strict,
    ),
  },
  fluidDisposed: {
    schema: Type.Object({ volume: Volume, words: Type.Optional(Line(200)) }, strict),
  },
} satisfies { [K in keyof FluidPayloads]: KindAtBoundary<FluidPayloads[K]> }

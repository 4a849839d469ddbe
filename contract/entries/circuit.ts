import { ANY_FIGURE } from '../../core/quantity'
import { Type } from '@sinclair/typebox'
import { fieldAt, MOST_LINES } from '../../core/circuit'
import { readingKind } from '../../core/diagnosis'
import type { CircuitPayloads } from '../../core/journal'
import { MOST_CHANGES, type Change } from '../../core/whatif'
import { checkField, checkInstallation, checkRoute } from '../check-installation'
import { InstallationSchema, LineSchema, RouteSchema } from '../installation'
import { bounded, Line, strict, tagged } from '../shape'
import type { KindAtBoundary } from './kind'

const ChangeSchema = tagged<Change>('change', [
  Type.Object({ change: Type.Literal('air'), value: bounded(fieldAt('air')!) }, strict),
  Type.Object(
    {
      change: Type.Literal('field'),
      field: Type.String({ maxLength: 60 }),
      value: bounded(ANY_FIGURE),
    },
    strict,
  ),
  Type.Object(
    {
      change: Type.Literal('line'),
      index: Type.Integer({ minimum: 0, maximum: MOST_LINES - 1 }),
      line: LineSchema,
    },
    strict,
  ),
  Type.Object(
    {
      change: Type.Literal('lines'),
      lines: Type.Array(LineSchema, { minItems: 1, maxItems: MOST_LINES }),
    },
    strict,
  ),
  Type.Object({ change: Type.Literal('wear'), value: bounded({ min: 0, max: 10 }) }, strict),
])

export const CIRCUIT_AT_BOUNDARY = {
  parameter: {
    schema: Type.Object(
      {
        field: Type.String({ maxLength: 60 }),
        value: Type.Union([bounded(ANY_FIGURE), Line(24)]),
      },
      strict,
    ),
    check: checkField,
  },
  installation: {
    schema: InstallationSchema,
    check: checkInstallation,
  },
  route: {
    schema: Type.Object({ points: RouteSchema }, strict),
    check: ({ points }, at) => checkRoute(points, `${at}/points`),
  },
  calibration: {
    schema: Type.Object(
      {
        freeTravel: Type.Optional(bounded(readingKind('freeTravel'))),
        takeUpHeight: Type.Optional(bounded(readingKind('takeUpHeight'))),
        rodStroke: Type.Optional(bounded(readingKind('rodStroke'))),
        takesUp: Type.Optional(Type.Boolean()),
        pushesBack: Type.Optional(Type.Boolean()),
      },
      { ...strict, minProperties: 1 },
    ),
  },
  circuitPlan: {
    schema: Type.Object(
      {
        changes: Type.Array(ChangeSchema, { maxItems: MOST_CHANGES }),
        waitKm: Type.Optional(bounded({ min: 0, max: 100_000 })),
        why: Type.Optional(Line(600)),
      },
      strict,
    ),
    check: ({ changes }, at) =>
      changes.flatMap((change, i) =>
        change.change === 'field' ? checkField(change, `${at}/changes/${i}`) : [],
      ),
  },
} satisfies { [K in keyof CircuitPayloads]: KindAtBoundary<CircuitPayloads[K]> }

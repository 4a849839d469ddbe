import { Type } from '@sinclair/typebox'
import { STEP_ACTS, type PlanPayloads } from '../../core/journal'
import { OWN_ID, PACKAGE_IDS, planChoice, SURPRISE_KINDS, VEHICLE_FACTS } from '../../core/plan'
import type { FieldProblem } from '../problem'
import { bounded, Line, OneOf, strict } from '../shape'
import type { KindAtBoundary } from './kind'

const StepId = Type.String({ minLength: 1, maxLength: 120, pattern: '\\S' })

export const PLAN_AT_BOUNDARY = {
  workPlan: {
    schema: Type.Object(
      {
        packages: Type.Array(
          Type.Object(
            {
              id: Type.Union([OneOf(PACKAGE_IDS), Type.String({ pattern: OWN_ID.source })]),
              choices: Type.Optional(
                Type.Record(Type.String({ pattern: '^[a-zA-Z]{1,24}$' }), Line(24)),
              ),
            },
            strict,
          ),
          { minItems: 1, maxItems: 20 },
        ),
        people: Type.Union([Type.Literal(1), Type.Literal(2)]),
        facts: Type.Optional(
          Type.Unsafe<Record<string, boolean>>(
            Type.Object(
              Object.fromEntries(VEHICLE_FACTS.map((name) => [name, Type.Optional(Type.Boolean())])),
              strict,
            ),
          ),
        ),
        parts: Type.Optional(
          Type.Array(
            Type.Object({ id: StepId, arrivesInMinutes: bounded({ min: 0, max: 525_600 }) }, strict),
            { maxItems: 80 },
          ),
        ),
        seed: Type.Integer({ minimum: 0, maximum: 4_294_967_295 }),
      },
      strict,
    ),
    check: ({ packages }, at) =>
      packages.flatMap(({ choices = {} }, i) =>
        Object.entries(choices).flatMap(([name, value]): FieldProblem[] => {
          const known = planChoice(name)
          const path = `${at}/packages/${i}/choices/${name}`
          if (!known) return [{ path, message: 'is no choice of a plan' }]
          return known.values.includes(value)
            ? []
            : [{ path, message: `must be one of ${known.values.join(', ')}` }]
        }),
      ),
  },
  step: {
    schema: Type.Object(
      {
        step: StepId,
        act: OneOf(STEP_ACTS),
        minutes: Type.Optional(bounded({ min: 0, max: 100_000 })),
        people: Type.Optional(Type.Integer({ minimum: 1, maximum: 10 })),
        reason: Type.Optional(Line(400)),
      },
      strict,
    ),
    check: ({ act, reason }, at) =>
      act === 'skipped' && reason === undefined
        ? [{ path: `${at}/reason`, message: 'a step that is left out needs its reason' }]
        : [],
  },
  surprise: {
    schema: Type.Object(
      { at: StepId, kind: OneOf(SURPRISE_KINDS), words: Type.Optional(Line(400)) },
      strict,
    ),
  },
} satisfies { [K in keyof PlanPayloads]: KindAtBoundary<PlanPayloads[K]> }

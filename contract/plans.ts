import { Type, type Static } from '@sinclair/typebox'
import { PAPER_KINDS } from '../core/papers'
import { OWN_ID, PACKAGE_IDS, PACKAGE_SCHEMA, PLACES, STATES, type StepTimes } from '../core/plan'
import { UNIT_SYSTEMS } from '../core/quantity'
import { Instant, Line, OneOf, strict, Ulid } from './shape'

const Names = Type.Array(Line(80), { maxItems: 40 })
const States = Type.Array(
  Type.Union([OneOf(STATES), Type.String({ pattern: '^(circuitOpen|plugged):\\S{1,40}$' })]),
  { maxItems: 40 },
)
const Minutes = Type.Number({ minimum: 0, maximum: 100_000 })

/** A step of a package: what it is, where, how long, what it puts and takes. */
const StepSchema = Type.Object(
  {
    id: Type.String({ pattern: '^[a-zA-Z][a-zA-Z0-9]{0,39}$' }),
    title: Line(120),
    does: Type.Optional(Type.String({ maxLength: 2000 })),
    why: Type.Optional(Type.String({ maxLength: 2000 })),
    place: OneOf([...PLACES, 'slaveSide']),
    minutes: Type.Array(Minutes, { minItems: 3, maxItems: 3 }),
    people: Type.Optional(Type.Integer({ minimum: 1, maximum: 10 })),
    needs: Type.Optional(States),
    forbids: Type.Optional(States),
    puts: Type.Optional(States),
    takes: Type.Optional(States),
    records: Type.Optional(Names),
    recalls: Type.Optional(Names),
    presses: Type.Optional(Type.Union([Type.Boolean(), Type.Literal('called')])),
    fills: Type.Optional(Type.Boolean()),
    electrical: Type.Optional(Type.Boolean()),
    engine: Type.Optional(Type.Boolean()),
    cautions: Type.Optional(Names),
    tools: Type.Optional(
      Type.Array(Type.Object({ name: Line(80), size: Type.Optional(Line(40)) }, strict), {
        maxItems: 40,
      }),
    ),
    torque: Type.Optional(Line(400)),
    parts: Type.Optional(Names),
    consumables: Type.Optional(Names),
    when: Type.Optional(
      Type.Record(
        Type.String({ maxLength: 40 }),
        Type.Union([Type.Boolean(), Type.Number(), Line(40), Names]),
      ),
    ),
    once: Type.Optional(Line(40)),
    after: Type.Optional(Names),
  },
  strict,
)
/** A package of work of a shop's own: one file, and one row of the table. */
export const PackageFileSchema = Type.Object(
  {
    $schema: OneOf([PACKAGE_SCHEMA]),
    id: Type.String({ pattern: OWN_ID.source }),
    title: Line(80),
    operation: Type.Optional(Line(40)),
    brings: Type.Optional(Type.Array(OneOf(PACKAGE_IDS), { maxItems: 20 })),
    steps: Type.Array(StepSchema, { minItems: 1, maxItems: 60 }),
  },
  strict,
)
export type PackageFile = Static<typeof PackageFileSchema>

/** The schema as it is published: JSON Schema draft-07, minutes as low, likely and high. */
export const publishedPackageSchema = () => ({
  $schema: 'http://json-schema.org/draft-07/schema#',
  $id: PACKAGE_SCHEMA,
  title: 'Mellow Anchor package of work, version 1',
  ...(JSON.parse(JSON.stringify(PackageFileSchema)) as object),
})

export const PackagePath = Type.Object({ id: Type.String({ pattern: OWN_ID.source }) }, strict)

/** What this shop took for each step, by the step's id. */
export type StepTimesTold = Record<string, StepTimes>

/** When the plan begins: each stretch becomes an event of the calendar. */
export const PlanCalendarQuery = Type.Object({ start: Instant }, strict)
/** Which of a job’s papers. */
export const PaperPath = Type.Object({ id: Ulid, kind: OneOf(PAPER_KINDS) }, strict)
/** Lengths on paper in the units of whoever prints. */
export const PlanSheetQuery = Type.Object({ units: Type.Optional(OneOf(UNIT_SYSTEMS)) }, strict)

import { Type, type Static, type TProperties, type TSchema } from '@sinclair/typebox'
import { fieldAt, MOST_LINES } from '../core/circuit'
import {
  COMPLAINT_IDS,
  FAULT_IDS,
  FINDING_IDS,
  FIRSTS,
  NEEDS,
  READING_NAMES,
  readingKind,
  REPAIRS,
  SCOPES,
  WAYS,
} from '../core/diagnosis'
import {
  CAME_OUT,
  GRADES,
  JOB_KINDS,
  METHODS,
  PHASES,
  type Entry,
  type Kind,
  type Payloads,
} from '../core/journal'
import { MOST_CHANGES, type Change } from '../core/whatif'
import { InstallationSchema, LineSchema, RouteSchema } from './installation'
import { bounded, Instant, Line, OneOf, strict, tagged, Ulid, type Same } from './shape'

const Outcomes = OneOf(['pass', 'notYet', 'stop'])
const volume = bounded({ min: 0, max: 2_000_000 })

const ChangeSchema = tagged<Change>('change', [
  Type.Object({ change: Type.Literal('air'), value: bounded(fieldAt('air')!) }, strict),
  Type.Object(
    {
      change: Type.Literal('field'),
      field: Type.String({ maxLength: 60 }),
      value: bounded({ min: -2000, max: 2_000_000 }),
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
  Type.Object({ change: Type.Literal('wear'), value: bounded({ min: 0, max: 10 }) }, strict),
])

/** Payload of each kind of entry. */
const PAYLOADS = {
  goal: Type.Object({ jobKind: OneOf(JOB_KINDS), wanted: Type.String({ maxLength: 400 }) }, strict),
  complaint: Type.Object({ complaint: OneOf(COMPLAINT_IDS), words: Type.Optional(Line(400)) }, strict),
  finding: Type.Object(
    {
      finding: OneOf(FINDING_IDS),
      state: OneOf(['present', 'absent', 'notLooked']),
      phase: OneOf(PHASES),
    },
    strict,
  ),
  measurement: Type.Object(
    {
      reading: OneOf(READING_NAMES),
      value: bounded({ min: -20, max: 500 }),
      duration: Type.Optional(bounded({ min: 1, max: 604_800 })),
      phase: OneOf(PHASES),
    },
    strict,
  ),
  graded: Type.Object(
    {
      of: OneOf([...COMPLAINT_IDS, ...FINDING_IDS]),
      grade: OneOf(GRADES),
      remaining: Type.Optional(OneOf(FAULT_IDS)),
      words: Type.Optional(Line(400)),
    },
    strict,
  ),
  condition: Type.Object(
    { condition: OneOf(NEEDS.map(({ id }) => id)), holds: Type.Boolean() },
    strict,
  ),
  takenOver: Type.Object(
    { stop: OneOf([...FINDING_IDS, 'rodClearance' as const]), reason: Line(240) },
    strict,
  ),
  decision: Type.Object(
    {
      scope: OneOf(SCOPES),
      way: OneOf(WAYS),
      first: OneOf(FIRSTS),
      repairs: Type.Array(OneOf(REPAIRS.map(({ id }) => id)), { maxItems: REPAIRS.length }),
      reasons: Type.Array(Line(400), { maxItems: 12 }),
      minutes: bounded({ min: 0, max: 100_000 }),
      money: bounded({ min: 0, max: 10_000_000 }),
      comebackRisk: bounded({ min: 0, max: 1 }),
    },
    strict,
  ),
  cause: Type.Object(
    { faults: Type.Array(OneOf(FAULT_IDS), { minItems: 1, maxItems: 8, uniqueItems: true }) },
    strict,
  ),
  parameter: Type.Object(
    {
      field: Type.String({ maxLength: 60 }),
      value: bounded({ min: -2000, max: 2_000_000 }),
    },
    strict,
  ),
  installation: InstallationSchema,
  route: Type.Object({ points: RouteSchema }, strict),
  calibration: Type.Object(
    {
      freeTravel: Type.Optional(bounded(readingKind('freeTravel'))),
      takeUpHeight: Type.Optional(bounded(readingKind('takeUpHeight'))),
      rodStroke: Type.Optional(bounded(readingKind('rodStroke'))),
      takesUp: Type.Optional(Type.Boolean()),
      pushesBack: Type.Optional(Type.Boolean()),
    },
    { ...strict, minProperties: 1 },
  ),
  plan: Type.Object({ changes: Type.Array(ChangeSchema, { maxItems: MOST_CHANGES }) }, strict),
  bleedCycle: Type.Object(
    {
      method: OneOf(METHODS),
      strokes: Type.Integer({ minimum: 1, maximum: 200 }),
      cameOut: OneOf(CAME_OUT),
      colour: Type.Optional(OneOf(['dark', 'fresh'])),
      bottle: Type.Optional(volume),
    },
    strict,
  ),
  topUp: Type.Object({ volume: Type.Optional(volume) }, strict),
  verdict: Type.Object(
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
  note: Type.Object({ words: Line(2000) }, strict),
  withdrawal: Type.Object({ reason: Type.Optional(Line(400)) }, strict),
} satisfies Record<Kind, TSchema>

type Derived = { [K in Kind]: Static<(typeof PAYLOADS)[K]> }
export const payloadTypesAgree: Same<Derived, Payloads> = true

const head = {
  id: Ulid,
  subject: Type.Object({ type: OneOf(['job', 'vehicle']), id: Ulid }, strict),
  at: Instant,
  by: Ulid,
}
const entryOf = (kind: Kind) => {
  const acts: TProperties =
    kind === 'withdrawal' ? { withdraws: Ulid } : { corrects: Type.Optional(Ulid) }
  return Type.Object({ ...head, kind: Type.Literal(kind), payload: PAYLOADS[kind], ...acts }, strict)
}

/** An entry as it is posted: the server adds its sequence. */
export const NewEntrySchema = tagged<Entry>(
  'kind',
  (Object.keys(PAYLOADS) as Kind[]).map((kind) => entryOf(kind)),
)

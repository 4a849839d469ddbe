import { Type, type Static, type TSchema } from '@sinclair/typebox'
import { METHODS, TRICKS, BLEED_PHASES, BLEED_SIGNS, CAME_OUT, PEDAL_SAYS } from '../core/journal'
import { PROOF_STAGES } from '../core/circuit'
import {
  THINGS,
  WORKS,
  type CoachPlan,
  type CoachState,
  type Role,
  type Touch,
  type World,
} from '../core/coach'
import { bounded, Line, OneOf, OrNull, strict, tagged, Ulid, Volume, type Same } from './shape'

/** A device and the person at it. */
export interface Seat {
  device: string
  by: string
}
/** A place that somebody asks for and another holds: that one is asked first. */
export interface Asked {
  roles: Role[]
  seat: Seat
}
/** A place that was taken after ten seconds without an answer. */
export interface Took {
  roles: Role[]
  from: Seat
  to: Seat
}
/** A coached bleed as the device that leads tells it to the others. */
export interface CoachTold {
  run: string
  /** Order of the runs of a job, given by the server: clocks of devices differ. Until it has answered, one more than was known. */
  number: number
  confirmed: boolean
  /** Rises when another device takes the lead: of two that lead, the higher holds. */
  term: number
  lead: string
  roles: Record<Role, Seat | null>
  asked: Asked | null
  took: Took | null
  /** Whose asking was answered with no, and by whom. */
  kept: { to: Seat; by: Seat } | null
  /** Entries that stand for this run, by what the coach calls them. */
  ids: Record<string, string>
  state: CoachState
}

const ROLES = ['pedal', 'bleeder'] as const
const ML = bounded({ min: -10_000, max: 10_000 })
const COUNT = Type.Integer({ minimum: 0, maximum: 1_000_000 })
const Said = {
  cameOut: OneOf([...CAME_OUT, 'notSeen'] as const),
  bottle: Type.Optional(Volume),
  colour: Type.Optional(OneOf(['dark', 'fresh'])),
  signs: Type.Optional(
    Type.Array(OneOf(BLEED_SIGNS), { maxItems: BLEED_SIGNS.length, uniqueItems: true }),
  ),
}
const Drew = Type.Object({ low: ML, middle: ML, high: ML }, strict)
const Pumps = Type.Union([
  Type.Integer({ minimum: 1, maximum: 40 }),
  Type.Literal('firm'),
  Type.Object({ seconds: Type.Integer({ minimum: 1, maximum: 300 }) }, strict),
])
const Plan = Type.Object(
  {
    parts: Type.Array(
      Type.Object(
        {
          method: OneOf([...METHODS, ...TRICKS, ...WORKS]),
          cycles: Type.Integer({ minimum: 0, maximum: 500 }),
          phase: Type.Optional(OneOf(BLEED_PHASES)),
          pumps: Type.Optional(Pumps),
          seconds: Type.Optional(Type.Integer({ minimum: 1, maximum: 3600 })),
          draws: Type.Array(Drew, { maxItems: 40 }),
          fluidBy: Type.Optional(Type.Integer({ minimum: 1, maximum: 500 })),
        },
        strict,
      ),
      { maxItems: 12 },
    ),
    usable: ML,
    shared: Type.Boolean(),
    people: Type.Unsafe<1 | 2>({ type: 'integer', enum: [1, 2] }),
    unknown: OrNull(Line(200)),
  },
  strict,
)
export const planTypesAgree: Same<Static<typeof Plan>, CoachPlan> = true
/** What a cycle of a run, or anything else that it files, is called. */
const REF = '^(\\d{1,3}\\.\\d{1,4}|n\\d{1,7}t?)$'
const Ref = Type.String({ pattern: REF })
const Came = OneOf([...CAME_OUT, 'notSeen'])
const place = {
  part: Type.Integer({ minimum: 0, maximum: 12 }),
  cycle: Type.Integer({ minimum: 0, maximum: 500 }),
  stretch: OneOf(['ready', 'before', 'cycle', 'after']),
  move: Type.Integer({ minimum: 0, maximum: 20 }),
  cycles: Type.Array(Type.Integer({ minimum: 0, maximum: 500 }), { maxItems: 12 }),
  held: OrNull(OneOf(['low', 'high'])),
  overridden: Type.Boolean(),
  paused: Type.Boolean(),
  unusual: OrNull(OneOf(['foam', 'nothing'])),
  asks: OrNull(OneOf(['freeTravel', ...PROOF_STAGES])),
  walks: COUNT,
  done: Type.Boolean(),
  filed: OrNull(Ref),
  last: Type.Object(Said, strict),
  seen: Type.Array(Came, { maxItems: 6 }),
  explained: COUNT,
  signs: Type.Array(OneOf(BLEED_SIGNS), { maxItems: 3 }),
}
const LevelSchema = Type.Object({ usable: ML, least: ML, middle: ML, most: ML }, strict)
const thing = Type.Object({ on: Type.Boolean(), sure: Type.Boolean(), ref: Type.Optional(Ref) }, strict)
const WorldSchema = Type.Object(
  {
    screw: OneOf(['open', 'shut']),
    screwSure: Type.Boolean(),
    pedal: OneOf(['up', 'down']),
    pedalSure: Type.Boolean(),
    heldBy: OneOf(['foot', 'bar', 'wedge', 'nobody']),
    things: Type.Unsafe<World['things']>({
      type: 'object',
      propertyNames: { enum: [...THINGS] },
      additionalProperties: thing,
    }),
  },
  strict,
)
const State = Type.Object(
  {
    plan: Plan,
    world: WorldSchema,
    level: LevelSchema,
    ...place,
    n: COUNT,
    calledAt: COUNT,
    taken: Type.Array(Ulid, { maxItems: 100 }),
    counted: Type.Array(Ulid, { maxItems: 200 }),
    past: Type.Array(
      Type.Object(
        {
          ...place,
          level: LevelSchema,
          made: Type.Array(Ref, { maxItems: 6 }),
          doubts: Type.Array(OneOf(['screw', 'pedal', ...THINGS]), { maxItems: 8 }),
        },
        strict,
      ),
      { maxItems: 40 },
    ),
  },
  strict,
)
export const stateTypesAgree: Same<Static<typeof State>, CoachState> = true

const seat = OrNull(Type.Object({ device: Ulid, by: Ulid }, strict))
const Seated = Type.Object({ device: Ulid, by: Ulid }, strict)
const Roles = Type.Array(OneOf(ROLES), { minItems: 1, maxItems: 2, uniqueItems: true })
/** Fields of a cue that tells a coached bleed. */
export const TOLD = {
  run: Ulid,
  number: Type.Integer({ minimum: 0, maximum: Number.MAX_SAFE_INTEGER }),
  confirmed: Type.Boolean(),
  term: COUNT,
  lead: Ulid,
  roles: Type.Object({ pedal: seat, bleeder: seat }, strict),
  asked: OrNull(Type.Object({ roles: Roles, seat: Seated }, strict)),
  took: OrNull(Type.Object({ roles: Roles, from: Seated, to: Seated }, strict)),
  kept: OrNull(Type.Object({ to: Seated, by: Seated }, strict)),
  ids: Type.Unsafe<Record<string, string>>({
    type: 'object',
    maxProperties: 1000,
    propertyNames: { pattern: REF },
    additionalProperties: Ulid,
  }),
  state: State,
}

const touch = <N extends Touch['touch'], P extends Record<string, TSchema>>(name: N, more: P) =>
  Type.Object({ touch: Type.Literal(name), ...more }, strict)
const MM = bounded({ min: 0, max: 400 })
const TOUCHES = [
  touch('answer', {}),
  touch('didAnyway', {}),
  touch('cameOut', { ...Said, cameOut: Type.Optional(Said.cameOut) }),
  touch('toppedUp', { ml: Type.Optional(ML) }),
  touch('drawnOff', { ml: Type.Optional(ML) }),
  touch('override', {}),
  touch('sign', { sign: OneOf(BLEED_SIGNS) }),
  touch('oneMore', {}),
  touch('says', { says: OneOf(PEDAL_SAYS), mm: Type.Optional(MM) }),
  touch('travel', { mm: OrNull(MM) }),
  touch('pause', {}),
  touch('resume', {}),
  touch('goOn', {}),
  touch('nextPart', {}),
  touch('undo', {}),
  touch('takenOver', {}),
  touch('elsewhere', {
    entries: Type.Array(
      Type.Object({ id: Ulid, drew: Type.Optional(Drew), poured: Type.Optional(OrNull(ML)) }, strict),
      { minItems: 1, maxItems: 200 },
    ),
  }),
] as const
export const touchTypesAgree: Same<Static<(typeof TOUCHES)[number]>, Touch> = true
export const TouchSchema = tagged<Touch>('touch', [...TOUCHES])

export const COACH_ASKS = [
  ...(['state', 'lead', 'pedal', 'bleeder', 'both'] as const),
  ...(['give', 'keep', 'takeBack', 'seen'] as const),
] as const
/** What a device asks of the one that leads: to be told, to lead, a place; or what it answers where its own place is asked for. */
export type CoachAsk = (typeof COACH_ASKS)[number]
export const RoleOrNone = OrNull(OneOf(ROLES))

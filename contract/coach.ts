import { Type, type Static, type TSchema } from '@sinclair/typebox'
import { METHODS, TRICKS, BLEED_PHASES, BLEED_SIGNS, CAME_OUT, PEDAL_SAYS } from '../core/journal'
import { PROOF_STAGES } from '../core/circuit'
import { WORKS, type CoachPlan, type CoachState, type Role, type Touch } from '../core/coach'
import { bounded, OneOf, OrNull, strict, tagged, Ulid, Volume, type Same } from './shape'

/** A device and the person at it. */
export interface Seat {
  device: string
  by: string
}
/** A coached bleed as the device that leads tells it to the others. */
export interface CoachTold {
  run: string
  /** Rises when another device takes the lead: of two that lead, the higher holds. */
  term: number
  lead: string
  roles: Record<Role, Seat | null>
  /** Entries that stand for this run, by what the coach calls them. */
  ids: Record<string, string>
  state: CoachState
}

const ROLES = ['pedal', 'bleeder'] as const
const ML = bounded({ min: -10_000, max: 10_000 })
const COUNT = Type.Integer({ minimum: 0, maximum: 1_000_000 })
const Said = {
  cameOut: OneOf([...CAME_OUT, 'notSeen']),
  bottle: Type.Optional(Volume),
  colour: Type.Optional(OneOf(['dark', 'fresh'])),
  signs: Type.Optional(
    Type.Array(OneOf(BLEED_SIGNS), { maxItems: BLEED_SIGNS.length, uniqueItems: true }),
  ),
}
const Plan = Type.Object(
  {
    parts: Type.Array(
      Type.Object(
        {
          method: OneOf([...METHODS, ...TRICKS, ...WORKS]),
          cycles: Type.Integer({ minimum: 0, maximum: 500 }),
          phase: Type.Optional(OneOf(BLEED_PHASES)),
        },
        strict,
      ),
      { maxItems: 12 },
    ),
    stroke: ML,
    usable: ML,
    shared: Type.Boolean(),
    people: Type.Unsafe<1 | 2>({ type: 'integer', enum: [1, 2] }),
  },
  strict,
)
export const planTypesAgree: Same<Static<typeof Plan>, CoachPlan> = true
/** What a cycle of a run, or anything else that it files, is called. */
const REF = '^(\\d{1,3}\\.\\d{1,4}|n\\d{1,7})$'
const Ref = Type.String({ pattern: REF })
const place = {
  plan: Plan,
  part: Type.Integer({ minimum: 0, maximum: 12 }),
  cycle: Type.Integer({ minimum: 0, maximum: 500 }),
  stretch: OneOf(['before', 'cycle', 'after']),
  move: Type.Integer({ minimum: 0, maximum: 20 }),
  screw: OneOf(['open', 'shut']),
  pedal: OneOf(['down', 'up']),
  level: Type.Object({ usable: ML, drawn: ML }, strict),
  held: OrNull(OneOf(['low', 'high'])),
  overridden: Type.Boolean(),
  paused: Type.Boolean(),
  asks: OrNull(OneOf(['freeTravel', ...PROOF_STAGES])),
  walks: COUNT,
  done: Type.Boolean(),
  filed: OrNull(Ref),
  last: Type.Object(Said, strict),
  signs: Type.Array(OneOf(BLEED_SIGNS), { maxItems: 3 }),
}
const State = Type.Object(
  {
    ...place,
    n: COUNT,
    calledAt: COUNT,
    taken: Type.Array(Ulid, { maxItems: 100 }),
    past: Type.Array(Type.Object({ ...place, made: Type.Array(Ref, { maxItems: 4 }) }, strict), {
      maxItems: 40,
    }),
  },
  strict,
)
export const stateTypesAgree: Same<Static<typeof State>, CoachState> = true

const seat = OrNull(Type.Object({ device: Ulid, by: Ulid }, strict))
/** Fields of a cue that tells a coached bleed. */
export const TOLD = {
  run: Ulid,
  term: COUNT,
  lead: Ulid,
  roles: Type.Object({ pedal: seat, bleeder: seat }, strict),
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
  touch('nextPart', {}),
  touch('undo', {}),
] as const
export const touchTypesAgree: Same<Static<(typeof TOUCHES)[number]>, Touch> = true
export const TouchSchema = tagged<Touch>('touch', [...TOUCHES])

export const COACH_ASKS = ['state', 'lead', 'pedal', 'bleeder', 'both'] as const
/** What a device asks of the one that leads: to be told, to lead, or a place. */
export type CoachAsk = (typeof COACH_ASKS)[number]
export const RoleOrNone = OrNull(OneOf(ROLES))

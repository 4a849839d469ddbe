import { Type, type Static } from '@sinclair/typebox'
import type { Role, Touch } from '../core/coach'
import { STAGES } from '../core/journal'
import { COACH_ASKS, RoleOrNone, TOLD, TouchSchema, type CoachAsk, type CoachTold } from './coach'
import { Line, OneOf, strict, tagged, Ulid, type Same } from './shape'

interface From {
  /** Made anew by each open page. */
  device: string
  /** Id of the person at it. */
  by: string
}
/** What tablets on one job tell each other that must not enter the journal; kept for a minute at the most. */
export type Cue =
  /** Who is here, and where on the job. */
  | ({ cue: 'here'; stage: (typeof STAGES)[number] } & From)
  | ({ cue: 'left' } & From)
  /** A word across the workshop: come here, or the answer to that. */
  | ({ cue: 'call'; words: string } & From)
  /** A coached bleed, whole, from the device that leads it. */
  | ({ cue: 'coach' } & CoachTold & From)
  /** A touch on one that does not lead. `seen`: the number of the state on its screen. */
  | ({
      cue: 'coachTouch'
      run: string
      id: string
      role: Role | null
      seen: number
      touch: Touch
    } & From)
  | ({ cue: 'coachAsk'; run: string | null; ask: CoachAsk } & From)
export type CoachCue = Extract<Cue, { cue: 'coach' | 'coachTouch' | 'coachAsk' }>
export const isCoachCue = (cue: Cue): cue is CoachCue =>
  cue.cue === 'coach' || cue.cue === 'coachTouch' || cue.cue === 'coachAsk'

const from = { device: Ulid, by: Ulid }
const CUES = [
  Type.Object({ cue: Type.Literal('here'), ...from, stage: OneOf(STAGES) }, strict),
  Type.Object({ cue: Type.Literal('left'), ...from }, strict),
  Type.Object({ cue: Type.Literal('call'), ...from, words: Line(80) }, strict),
  Type.Object({ cue: Type.Literal('coach'), ...from, ...TOLD }, strict),
  Type.Object(
    {
      cue: Type.Literal('coachTouch'),
      ...from,
      run: Ulid,
      id: Ulid,
      role: RoleOrNone,
      seen: Type.Integer({ minimum: 0, maximum: 1_000_000 }),
      touch: TouchSchema,
    },
    strict,
  ),
  Type.Object(
    {
      cue: Type.Literal('coachAsk'),
      ...from,
      run: Type.Union([Ulid, Type.Null()]),
      ask: OneOf(COACH_ASKS),
    },
    strict,
  ),
] as const
export const cueTypesAgree: Same<Static<(typeof CUES)[number]>, Cue> = true

export const CueSchema = tagged<Cue>('cue', [...CUES])

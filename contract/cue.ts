import { Type, type Static } from '@sinclair/typebox'
import { STAGES } from '../core/journal'
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

const from = { device: Ulid, by: Ulid }
const CUES = [
  Type.Object({ cue: Type.Literal('here'), ...from, stage: OneOf(STAGES) }, strict),
  Type.Object({ cue: Type.Literal('left'), ...from }, strict),
  Type.Object({ cue: Type.Literal('call'), ...from, words: Line(80) }, strict),
] as const
export const cueTypesAgree: Same<Static<(typeof CUES)[number]>, Cue> = true

export const CueSchema = tagged<Cue>('cue', [...CUES])

import { Type, type Static } from '@sinclair/typebox'
import { GENDERS, MATERIALS, SEATS, threadOf, type End } from '../core/fitting'
import type { FieldProblem } from './problem'
import { bounded, Line, OneOf, OrNull, strict, type Same } from './shape'

const MM = bounded({ min: 0, max: 200 })

/** One end of a line, a port or a fitting; lengths in mm. */
export const EndSchema = Type.Object(
  {
    thread: OrNull(Line(24)),
    gender: OneOf(GENDERS),
    seat: OneOf(SEATS),
    tube: Type.Optional(MM),
    bore: Type.Optional(MM),
    nut: Type.Optional(Type.Object({ length: MM, lead: Type.Optional(MM) }, strict)),
    depth: Type.Optional(MM),
    counterbore: Type.Optional(MM),
    material: Type.Optional(OneOf(MATERIALS)),
    profile: Type.Optional(Line(80)),
  },
  strict,
)
export const endTypesAgree: Same<Static<typeof EndSchema>, End> = true

/** A thread must be one that can be read: what a schema cannot say. */
export function checkEnd(end: End | null, at: string): FieldProblem[] {
  if (!end || end.thread === null || threadOf(end.thread)) return []
  return [
    { path: `${at}/thread`, message: 'must be a thread as M10x1, 3/8-24, 3/8-20 BSF or G1/8, or null' },
  ]
}

import { HELD_FOR } from '../../core/quantity'
import { Type } from '@sinclair/typebox'
import { COMPLAINT_IDS, FINDING_IDS, NEEDS, READING_NAMES, readingKind } from '../../core/diagnosis'
import { JOB_KINDS, PHASES, type FindPayloads, type Measurement } from '../../core/journal'
import type { FieldProblem } from '../problem'
import { bounded, Line, OneOf, strict } from '../shape'
import type { KindAtBoundary } from './kind'

/** Bounds of a reading's own, and a duration where it is taken over a hold. */
function checkMeasurement({ reading, value, duration }: Measurement, at: string): FieldProblem[] {
  const { label, min, max, over, unit } = readingKind(reading)
  if (value < min || value > max)
    return [{ path: `${at}/value`, message: `${label} must be ${min} to ${max} ${unit}` }]
  if (over !== undefined && duration === undefined)
    return [{ path: `${at}/duration`, message: `${label} needs its duration, in s` }]
  return []
}

export const FIND_AT_BOUNDARY = {
  goal: {
    schema: Type.Object({ jobKind: OneOf(JOB_KINDS), wanted: Type.String({ maxLength: 400 }) }, strict),
  },
  complaint: {
    schema: Type.Object({ complaint: OneOf(COMPLAINT_IDS), words: Type.Optional(Line(400)) }, strict),
  },
  finding: {
    schema: Type.Object(
      {
        finding: OneOf(FINDING_IDS),
        state: OneOf(['present', 'absent', 'notLooked']),
        phase: OneOf(PHASES),
      },
      strict,
    ),
  },
  condition: {
    schema: Type.Object({ condition: OneOf(NEEDS.map(({ id }) => id)), holds: Type.Boolean() }, strict),
  },
  takenOver: {
    schema: Type.Object(
      { stop: OneOf([...FINDING_IDS, 'rodClearance' as const]), reason: Line(240) },
      strict,
    ),
  },
  measurement: {
    schema: Type.Object(
      {
        reading: OneOf(READING_NAMES),
        value: bounded({ min: -100, max: 2_000_000 }),
        duration: Type.Optional(bounded(HELD_FOR)),
        phase: OneOf(PHASES),
      },
      strict,
    ),
    check: checkMeasurement,
  },
} satisfies { [K in keyof FindPayloads]: KindAtBoundary<FindPayloads[K]> }

import { Type } from '@sinclair/typebox'
import {
  ADJUSTED,
  ADJUSTED_NAMES,
  AS_FOUND_ITEMS,
  AS_FOUND_UNITS,
  asFoundKind,
  type Adjust,
  type AsFound,
  type FitPayloads,
} from '../../core/journal'
import { OPERATIONS } from '../../core/work'
import type { FieldProblem } from '../problem'
import { bounded, Line, OneOf, strict, Ulid } from '../shape'
import type { KindAtBoundary } from './kind'

/** A figure in its item's own bounds and unit, and something said at all. */
function checkAsFound({ item, value, unit, words, photo }: AsFound, at: string): FieldProblem[] {
  const { label, max, unit: own } = asFoundKind(item)
  if (value === undefined && words === undefined && photo === undefined)
    return [{ path: at, message: `${label}: needs a value, words or a photo` }]
  if (value !== undefined && own === null && item !== 'other')
    return [{ path: `${at}/value`, message: `${label} has no figure: say it in words` }]
  if (value !== undefined && value > max)
    return [{ path: `${at}/value`, message: `${label} must be 0 to ${max} ${own ?? ''}`.trim() }]
  if (unit !== undefined && value === undefined)
    return [{ path: `${at}/unit`, message: 'A unit needs its value' }]
  const threads = (one: string) => one === 'threads' || one === 'turns'
  if (unit !== undefined && own !== null && unit !== own && !(threads(unit) && threads(own)))
    return [{ path: `${at}/unit`, message: `${label} is counted in ${own}` }]
  return []
}

/** Both figures in the bounds of what was set. */
function checkAdjust({ what, from, to }: Adjust, at: string): FieldProblem[] {
  const { label, min, max, unit } = ADJUSTED[what]
  return Object.entries({ from, to }).flatMap(([name, value]) =>
    value < min || value > max
      ? [{ path: `${at}/${name}`, message: `${label} must be ${min} to ${max} ${unit}` }]
      : [],
  )
}

export const FIT_AT_BOUNDARY = {
  adjust: {
    schema: Type.Object(
      {
        what: OneOf(ADJUSTED_NAMES),
        turns: Type.Optional(bounded({ min: -60, max: 60 })),
        from: bounded({ min: -10, max: 400 }),
        to: bounded({ min: -10, max: 400 }),
      },
      strict,
    ),
    check: checkAdjust,
  },
  workDone: {
    schema: Type.Object(
      { operation: OneOf(OPERATIONS.map(({ id }) => id)), words: Type.Optional(Line(400)) },
      strict,
    ),
  },
  asFound: {
    schema: Type.Object(
      {
        item: OneOf(AS_FOUND_ITEMS),
        value: Type.Optional(bounded({ min: 0, max: 1000 })),
        unit: Type.Optional(OneOf(AS_FOUND_UNITS)),
        words: Type.Optional(Line(400)),
        photo: Type.Optional(Ulid),
      },
      strict,
    ),
    check: checkAsFound,
  },
} satisfies { [K in keyof FitPayloads]: KindAtBoundary<FitPayloads[K]> }

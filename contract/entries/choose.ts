import { Type } from '@sinclair/typebox'
import { FAULT_IDS, FIRSTS, REPAIRS, SCOPES, WAYS } from '../../core/diagnosis'
import { JOIN_CODES, JOIN_VERDICTS, SEALS } from '../../core/fitting'
import type { ChoosePayloads } from '../../core/journal'
import { COMPARED, compareRow, JUDGED, ROW_IDS, type ComparedRow } from '../../core/side-by-side'
import { checkEnd, EndSchema } from '../end'
import { JointPlaceSchema } from '../installation'
import type { FieldProblem } from '../problem'
import { bounded, Line, OneOf, OrNull, strict, Ulid } from '../shape'
import type { KindAtBoundary } from './kind'

const Side = Type.Union([bounded({ min: -10_000, max: 10_000 }), Line(80), Type.Boolean(), Type.Null()])
const Repairs = Type.Array(OneOf(REPAIRS.map(({ id }) => id)), { maxItems: REPAIRS.length })
/** What a way costs, in minutes, money and the chance that it comes back. */
const Weighed = {
  minutes: bounded({ min: 0, max: 100_000 }),
  money: bounded({ min: 0, max: 10_000_000 }),
  comebackRisk: bounded({ min: 0, max: 1 }),
}
const Things = Type.Array(Line(80), { maxItems: 40 })

/** A side must be what its row is: a figure within its bounds, one of its list, yes or no. */
function checkRow(row: ComparedRow, at: string): FieldProblem[] {
  const kind = compareRow(row.what)
  return (['old', 'new'] as const).flatMap((side): FieldProblem[] => {
    const value = row[side]
    const path = `${at}/${side}`
    if (value === null) return []
    switch (kind.type) {
      case 'figure':
        return typeof value === 'number' && value >= kind.min && value <= kind.max
          ? []
          : [{ path, message: `must be ${kind.min} to ${kind.max} ${kind.unit}` }]
      case 'choice':
        return kind.values.some(({ id }) => id === value)
          ? []
          : [{ path, message: `must be one of ${kind.values.map(({ id }) => id).join(', ')}` }]
      case 'yesNo':
        return typeof value === 'boolean' ? [] : [{ path, message: 'must be true or false' }]
      case 'thread':
        return typeof value === 'string' ? [] : [{ path, message: 'must be a thread, or none' }]
    }
  })
}

export const CHOOSE_AT_BOUNDARY = {
  decision: {
    schema: Type.Object(
      {
        scope: OneOf(SCOPES),
        way: OneOf(WAYS),
        first: OneOf(FIRSTS),
        repairs: Repairs,
        why: Type.Optional(Line(400)),
        // Sentences come from before reasons were kept as figures; an older tab may still send them.
        reasons: Type.Array(
          Type.Union([
            Line(400),
            Type.Object(
              {
                question: OneOf(['scope', 'way', 'first']),
                favoured: OneOf([...SCOPES, ...WAYS, ...FIRSTS]),
                same: Type.Boolean(),
              },
              strict,
            ),
            Type.Object({ fault: OneOf(FAULT_IDS), chance: bounded({ min: 0, max: 1 }) }, strict),
          ]),
          { maxItems: 12 },
        ),
        ...Weighed,
        options: Type.Optional(
          Type.Array(
            Type.Object(
              {
                answer: OneOf([...SCOPES, ...WAYS, ...FIRSTS]),
                repairs: Repairs,
                ...Weighed,
              },
              strict,
            ),
            { maxItems: SCOPES.length + WAYS.length + FIRSTS.length },
          ),
        ),
        hourlyRate: Type.Optional(bounded({ min: 0, max: 100_000 })),
      },
      strict,
    ),
  },
  joint: {
    schema: Type.Object(
      {
        at: JointPlaceSchema,
        a: OrNull(EndSchema),
        b: OrNull(EndSchema),
        verdict: OrNull(OneOf(JOIN_VERDICTS)),
        reasons: Type.Array(
          Type.Object(
            {
              code: OneOf(JOIN_CODES),
              figure: Type.Optional(bounded({ min: 0, max: 10_000 })),
              limit: Type.Optional(bounded({ min: 0, max: 10_000 })),
            },
            strict,
          ),
          { maxItems: 2 * JOIN_CODES.length },
        ),
        atHand: Type.Optional(Type.Array(OneOf(SEALS), { maxItems: 20 })),
      },
      strict,
    ),
    check: ({ a, b, verdict }, at) => {
      const wrong = [...checkEnd(a, `${at}/a`), ...checkEnd(b, `${at}/b`)]
      if (wrong.length > 0) return wrong
      const both = a !== null && b !== null
      if (verdict !== null && !both)
        return [{ path: `${at}/verdict`, message: 'needs both ends; null where one is not known' }]
      return a === null && b === null
        ? [{ path: `${at}/a`, message: 'one end at least must be told' }]
        : []
    },
  },
  fitCheck: {
    schema: Type.Object(
      {
        part: Type.Optional(Ulid),
        of: Type.Optional(OneOf(COMPARED)),
        words: Type.Optional(Line(120)),
        brought: Type.Boolean(),
        rows: Type.Array(
          Type.Object(
            {
              what: OneOf(ROW_IDS),
              old: Side,
              new: Side,
              unit: Type.Optional(OneOf(['mm', '°'])),
              judged: OneOf(JUDGED),
              change: Type.Optional(Line(300)),
              hand: Type.Optional(Type.Literal(true)),
            },
            strict,
          ),
          { maxItems: ROW_IDS.length },
        ),
        keep: Things,
        move: Things,
        bin: Things,
        casualties: Things,
      },
      strict,
    ),
    check: ({ rows }, at) => rows.flatMap((row, i) => checkRow(row, `${at}/rows/${i}`)),
  },
} satisfies { [K in keyof ChoosePayloads]: KindAtBoundary<ChoosePayloads[K]> }

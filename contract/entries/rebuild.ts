import { Type } from '@sinclair/typebox'
import { InputError } from '../../core/circuit'
import { NEW_PARTS, type BoreCheck, type RebuildPayloads } from '../../core/journal'
import {
  BORE_VERDICTS,
  FACINGS,
  judgeBore,
  NOMINAL_BORE,
  PIECE_VERDICTS,
  REBUILT,
  SURFACES,
} from '../../core/rebuild'
import type { FieldProblem } from '../problem'
import { bounded, Line, OneOf, strict } from '../shape'
import type { KindAtBoundary } from './kind'

const Diameter = bounded({ min: 0, max: NOMINAL_BORE.max + 2 })

/** Its figures go together, and its verdict is the one that they come to. */
function checkBore({ cylinder: _, verdict, ...asked }: BoreCheck, at: string): FieldProblem[] {
  try {
    const judged = judgeBore(asked).verdict
    return judged === verdict
      ? []
      : [{ path: `${at}/verdict`, message: `these figures come to ${judged}` }]
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return [{ path: `${at}${error.path}`, message: error.message }]
  }
}

export const REBUILD_AT_BOUNDARY = {
  rebuildPiece: {
    schema: Type.Object(
      {
        cylinder: OneOf(REBUILT),
        order: Type.Integer({ minimum: 1, maximum: 60 }),
        piece: Line(80),
        facing: OneOf(FACINGS),
        verdict: OneOf(PIECE_VERDICTS),
        words: Type.Optional(Line(240)),
      },
      strict,
    ),
  },
  boreCheck: {
    schema: Type.Object(
      {
        cylinder: OneOf(REBUILT),
        nominal: bounded(NOMINAL_BORE),
        bore: Type.Optional(Diameter),
        piston: Type.Optional(Diameter),
        surface: OneOf(SURFACES),
        wipesOff: Type.Optional(Type.Boolean()),
        swept: Type.Optional(Type.Boolean()),
        verdict: OneOf(BORE_VERDICTS),
      },
      strict,
    ),
    check: checkBore,
  },
  newPart: {
    schema: Type.Object(
      {
        part: OneOf(NEW_PARTS),
        plugs: Type.Optional(Type.Integer({ minimum: 0, maximum: 20 })),
        screw: Type.Optional(OneOf(['freed', 'seized', 'none'])),
        spring: Type.Optional(OneOf(['felt', 'notFelt'])),
        compared: Type.Optional(OneOf(['alike', 'differs'])),
        words: Type.Optional(Line(400)),
      },
      strict,
    ),
  },
} satisfies { [K in keyof RebuildPayloads]: KindAtBoundary<RebuildPayloads[K]> }

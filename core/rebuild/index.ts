import grease from './seal-grease.json' with { type: 'json' }

/** The rebuild bench: pieces in order and back, whether a bore is fit, and what each seal is put in with. */
export {
  BORE_LIMITS,
  BORE_VERDICTS,
  boreReasonWords,
  judgeBore,
  NOMINAL_BORE,
  SURFACES,
  type BoreJudgement,
  type BoreQuestion,
  type BoreReason,
  type BoreVerdict,
  type Surface,
} from './bore'
export {
  FACINGS,
  PIECE_VERDICTS,
  playedBack,
  REBUILT,
  USUAL_PIECES,
  type Facing,
  type PieceVerdict,
  type PlayedBack,
  type RebuildPiece,
  type Rebuilt,
} from './pieces'

export const LUBRICANTS = ['fluid', 'rubberGrease', 'molybdenum', 'dry'] as const
export type Lubricant = (typeof LUBRICANTS)[number]
/** What each piece is put in with, where its maker says nothing else. */
export const SEAL_GREASE = grease as readonly { piece: string; gets: Lubricant; reason: string }[]

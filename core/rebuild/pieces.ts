/** Cylinders that are taken apart on the bench; a concentric one is renewed whole. */
export const REBUILT = ['master', 'slave'] as const
export type Rebuilt = (typeof REBUILT)[number]

/** Which way the lip of a seal faces: to the open end of the bore, or to its closed end. */
export const FACINGS = ['open', 'closed', 'none'] as const
export type Facing = (typeof FACINGS)[number]
export const PIECE_VERDICTS = ['reuse', 'renew', 'reject'] as const
export type PieceVerdict = (typeof PIECE_VERDICTS)[number]

/** A piece of a cylinder as it came out. */
export interface RebuildPiece {
  cylinder: Rebuilt
  /** 1 for the first that came out. */
  order: number
  piece: string
  facing: Facing
  verdict: PieceVerdict
  words?: string
}

/** Pieces as they usually come out, to be tapped; what is found counts, not this list. */
export const USUAL_PIECES: Readonly<Record<Rebuilt, readonly { piece: string; lip: boolean }[]>> = {
  master: [
    { piece: 'Dust boot', lip: false },
    { piece: 'Circlip', lip: false },
    { piece: 'Pushrod with its stop washer', lip: false },
    { piece: 'Secondary cup', lip: true },
    { piece: 'Piston', lip: false },
    { piece: 'Cup washer', lip: false },
    { piece: 'Primary cup', lip: true },
    { piece: 'Spring seat', lip: false },
    { piece: 'Spring', lip: false },
  ],
  slave: [
    { piece: 'Dust boot', lip: false },
    { piece: 'Pushrod', lip: false },
    { piece: 'Circlip', lip: false },
    { piece: 'Piston', lip: false },
    { piece: 'Slave cup', lip: true },
    { piece: 'Cup filler', lip: false },
    { piece: 'Spring', lip: false },
  ],
}

/** A piece as it goes back: in reverse, a new one for each that is not fit to use again. */
export interface PlayedBack {
  step: number
  /** Its place in the order in which they came out. */
  order: number
  piece: string
  facing: Facing
  from: 'old' | 'new'
  words?: string
}
/** What came out last goes in first. */
export function playedBack(pieces: readonly RebuildPiece[]): PlayedBack[] {
  return [...pieces]
    .sort((a, b) => b.order - a.order)
    .map(({ order, piece, facing, verdict, words }, i) => ({
      step: i + 1,
      order,
      piece,
      facing,
      from: verdict === 'reuse' ? 'old' : 'new',
      ...(words !== undefined && { words }),
    }))
}

import {
  BORE_VERDICTS,
  REBUILT,
  SURFACES,
  type BoreVerdict,
  type RebuildPiece,
  type Rebuilt,
  type Surface,
} from '../rebuild'
import type { Held } from './held'
import { namesOf, type EntryKind } from './kind'

/** A bore that was judged: as measured and seen, and what comes of it. */
export interface BoreCheck {
  cylinder: Rebuilt
  /** mm. */
  nominal: number
  bore?: number
  piston?: number
  surface: Surface
  /** Of a stain: whether it wipes off. */
  wipesOff?: boolean
  /** False where the mark is where no cup runs. */
  swept?: boolean
  verdict: BoreVerdict
}
/** Cylinders that come new. */
export const NEW_PARTS = ['master', 'slave', 'concentric'] as const
/** A new cylinder, gone over on the bench before it goes in. */
export interface NewPart {
  part: (typeof NEW_PARTS)[number]
  /** Delivery plugs and caps that were counted off. */
  plugs?: number
  /** The bleed screw was freed and nipped up again; none where it has none. */
  screw?: 'freed' | 'seized' | 'none'
  /** The rod was pushed: its spring pushes back. */
  spring?: 'felt' | 'notFelt'
  /** Laid beside the old one with both in the same state: both rods out, or both in. */
  compared?: 'alike' | 'differs'
  words?: string
}

export interface RebuildPayloads {
  rebuildPiece: RebuildPiece
  boreCheck: BoreCheck
  newPart: NewPart
}
export interface RebuildState {
  /** In the order in which they came out, cylinder by cylinder. */
  pieces: Held<RebuildPiece>[]
  bores: Partial<Record<Rebuilt, Held<BoreCheck>>>
  newParts: Partial<Record<NewPart['part'], Held<NewPart>>>
}
export const startRebuild = (): RebuildState => ({ pieces: [], bores: {}, newParts: {} })

const cylinders = namesOf(REBUILT)
const surfaces = namesOf(SURFACES)
const verdicts = namesOf(BORE_VERDICTS)

export const PIECE_WORDS = { reuse: 'used again', renew: 'renewed', reject: 'rejected' } as const
export const FACING_WORDS = {
  open: 'lip to the open end',
  closed: 'lip to the closed end',
  none: '',
} as const
const VERDICT_WORDS = { pass: 'fit to rebuild', reject: 'rejected', notTold: 'not told yet' } as const

type Kinds = { [K in keyof RebuildPayloads]: EntryKind<RebuildPayloads[K], RebuildState> }

export const REBUILD_KINDS: Kinds = {
  rebuildPiece: {
    stages: ['fit'],
    subjects: ['job'],
    knows: ({ cylinder }) => cylinders.has(cylinder),
    replaces: ({ cylinder, order }) => `${cylinder} ${order}`,
    take: (slice, held) => {
      const { cylinder, order } = held.payload
      slice.pieces = [
        ...slice.pieces.filter(
          ({ payload }) => payload.cylinder !== cylinder || payload.order !== order,
        ),
        held,
      ].sort((a, b) => a.payload.order - b.payload.order)
    },
    tell: ({ cylinder, order, piece, facing, verdict, words }) =>
      [
        `Out of the ${cylinder}, ${order}: ${piece}`,
        FACING_WORDS[facing],
        PIECE_WORDS[verdict],
        words ?? '',
      ]
        .filter(Boolean)
        .join(', '),
  },
  boreCheck: {
    stages: ['fit'],
    subjects: ['job'],
    knows: ({ cylinder, surface, verdict }) =>
      cylinders.has(cylinder) && surfaces.has(surface) && verdicts.has(verdict),
    replaces: ({ cylinder }) => cylinder,
    take: (slice, held) => (slice.bores[held.payload.cylinder] = held),
    tell: ({ cylinder, nominal, bore, piston, surface, verdict }, format) =>
      [
        `Bore of the ${cylinder}, nominal ${format.diameter(nominal)}: ${VERDICT_WORDS[verdict]}`,
        surface === 'clean' ? 'clean' : surface === 'rust' ? 'rust' : `a ${surface}`,
        bore === undefined ? '' : `measured ${format.diameter(bore)}`,
        piston === undefined ? '' : `piston ${format.diameter(piston)}`,
      ]
        .filter(Boolean)
        .join(', '),
  },
  newPart: {
    stages: ['fit'],
    subjects: ['job'],
    replaces: ({ part }) => part,
    take: (slice, held) => (slice.newParts[held.payload.part] = held),
    tell: ({ part, plugs, screw, spring, compared, words }) =>
      [
        `New ${part === 'concentric' ? 'concentric slave' : part} on the bench`,
        plugs === undefined ? '' : `${plugs} delivery ${plugs === 1 ? 'plug' : 'plugs'} off`,
        screw === undefined ? '' : screw === 'none' ? 'no bleed screw' : `bleed screw ${screw}`,
        spring === undefined ? '' : spring === 'felt' ? 'spring felt' : 'no spring felt',
        compared === undefined ? '' : compared === 'alike' ? 'like the old one' : 'unlike the old one',
        words ?? '',
      ]
        .filter(Boolean)
        .join(', '),
  },
}

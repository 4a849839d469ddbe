export const SEATS = [
  'doubleFlare',
  'bubbleFlare',
  'flare37',
  'banjo',
  'washerFace',
  'oRing',
  'sealAndClip',
  'sealAndRollPin',
  'quickConnector',
  'hoseBarb',
] as const
export type Seat = (typeof SEATS)[number]
export const GENDERS = ['male', 'female', 'none'] as const
export type Gender = (typeof GENDERS)[number]
export const MATERIALS = ['steel', 'brass', 'aluminium', 'castIron', 'plastic'] as const
export type Material = (typeof MATERIALS)[number]
export const SEALS = [
  'copperWasher',
  'aluminiumWasher',
  'oRing',
  'lineSeal',
  'rollPin',
  'clip',
  'hoseClamp',
] as const
export type Seal = (typeof SEALS)[number]

/** One end of a line, a port or a fitting; lengths in mm. */
export interface End {
  /** As it is named: M10x1, 3/8-24, G1/8; null where it has none. */
  thread: string | null
  gender: Gender
  seat: Seat
  /** Outside diameter of the pipe. */
  tube?: number
  /** Inside diameter of a barb’s hose or of a banjo. */
  bore?: number
  /** Of a tube nut: its threaded length, and the unthreaded nose before it. */
  nut?: { length: number; lead?: number }
  /** Of a port: from its face to its seat. */
  depth?: number
  /** Unthreaded part at a port’s mouth. */
  counterbore?: number
  material?: Material
  /** Make and shape of a quick connector. */
  profile?: string
}

/** Nose of a tube nut where nobody measured it. */
export const USUAL_LEAD = 4

/** What a seat takes beside the two ends; a washer may be of copper or of aluminium. */
export const SEAT_TAKES: Record<Seat, readonly (Seal | 'washer')[]> = {
  doubleFlare: [],
  bubbleFlare: [],
  flare37: [],
  banjo: ['washer', 'washer'],
  washerFace: ['washer'],
  oRing: ['oRing'],
  sealAndClip: ['lineSeal', 'clip'],
  sealAndRollPin: ['lineSeal', 'rollPin'],
  quickConnector: [],
  hoseBarb: ['hoseClamp'],
}

/** Least engaged length by the weaker side, in diameters; judgement, the maker’s data decides. Plastic is not known. */
export const LEAST_ENGAGED: Partial<Record<Material, number>> = {
  steel: 0.8,
  brass: 0.8,
  castIron: 0.8,
  aluminium: 1,
}

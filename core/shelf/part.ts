import type { End } from '../fitting'

/** What stands on a shelf or in a supplier's list; the field's own names. */
export const PART_KINDS = [
  'masterCylinder',
  'slaveCylinder',
  'concentricSlave',
  'cylinderSet',
  'sealKit',
  'hose',
  'pipe',
  'adapter',
  'nut',
  'washer',
  'oRing',
  'lineSeal',
  'rollPin',
  'clip',
  'clamp',
  'pin',
  'boot',
  'feed',
  'reservoir',
  'bleedScrew',
  'dustCap',
  'bleedKit',
  'fluid',
  'grease',
  'clutch',
  'linkage',
  'consumable',
  'other',
] as const
export type PartKind = (typeof PART_KINDS)[number]

export const PART_KIND_WORDS: Record<PartKind, string> = {
  masterCylinder: 'Master cylinder',
  slaveCylinder: 'Slave cylinder',
  concentricSlave: 'Concentric slave',
  cylinderSet: 'Filled set',
  sealKit: 'Seal kit',
  hose: 'Hose',
  pipe: 'Pipe',
  adapter: 'Adapter',
  nut: 'Nut',
  washer: 'Washer',
  oRing: 'O-ring',
  lineSeal: 'Line seal',
  rollPin: 'Roll pin',
  clip: 'Clip',
  clamp: 'Hose clamp',
  pin: 'Clevis or cotter pin',
  boot: 'Boot',
  feed: 'Feed hose',
  reservoir: 'Reservoir',
  bleedScrew: 'Bleed screw',
  dustCap: 'Dust cap',
  bleedKit: 'Bleed hose or bottle',
  fluid: 'Fluid',
  grease: 'Grease',
  clutch: 'Clutch part',
  linkage: 'Fork or linkage part',
  consumable: 'Consumable',
  other: 'Other',
}

/** What the shop thinks of a part's make. */
export const PART_GRADES = ['unknown', 'low', 'usual', 'good'] as const
export type PartGrade = (typeof PART_GRADES)[number]
export const PART_GRADE_WORDS: Record<PartGrade, string> = {
  unknown: 'not known',
  low: 'low',
  usual: 'usual',
  good: 'good',
}

/** A shelf's or a list's end: thread, gender and seat; what else an end has is read off the part itself. */
export type PartEnd = Pick<End, 'thread' | 'gender' | 'seat'>

/** What is known of a part beside its name, by its kind; lengths in mm, volumes in mm³. */
export interface PartData {
  bore?: number
  stroke?: number
  outer?: number
  inner?: number
  length?: number
  volume?: number
  /** One end where both are alike or there is one. */
  ends?: PartEnd[]
  notes?: string
}

/** A part as it is listed; price in the shop's money unless a currency is named. */
export interface ListedPart {
  number: string
  name: string
  kind: PartKind
  supplier: string
  price: number
  /** ISO 4217; null for the shop's own money. */
  currency: string | null
  /** Pieces on the shelf or at the supplier's; null where nobody said. */
  stock: number | null
  leadDays: number | null
  data: PartData
  grade: PartGrade
  /** Number of the part that has taken its place. */
  supersededBy: string | null
  /** Where it lies in the shop. */
  place: string | null
}

export interface FieldBounds {
  unit: string
  min: number
  max: number
}
/** Bounds of what is typed or read from a file. */
export const PART_BOUNDS = {
  price: { unit: '', min: 0, max: 99_999_999.99 },
  stock: { unit: 'pieces', min: 0, max: 1_000_000 },
  leadDays: { unit: 'days', min: 0, max: 365 },
  bore: { unit: 'mm', min: 1, max: 200 },
  stroke: { unit: 'mm', min: 0, max: 300 },
  outer: { unit: 'mm', min: 1, max: 300 },
  inner: { unit: 'mm', min: 0, max: 300 },
  length: { unit: 'mm', min: 0, max: 20_000 },
  volume: { unit: 'mm³', min: 1, max: 1e9 },
} as const satisfies Record<string, FieldBounds>
export const TEXT_BOUNDS = { number: 80, name: 200, supplier: 80, notes: 400, place: 80 } as const

/** Both ends of a part; null where its list names none. */
export function endsOf({ ends = [] }: PartData): readonly [PartEnd, PartEnd] | null {
  const [one, other = one] = ends
  return one && other ? [one, other] : null
}

/** Kinds of fluid that a release circuit may hold. */
export const FLUID_KINDS = ['dot3', 'dot4', 'dot4lv', 'dot51', 'dot5', 'mineral', 'unknown'] as const
export type FluidKind = (typeof FLUID_KINDS)[number]

export type Family = 'glycol' | 'silicone' | 'mineral'

export interface FluidRow {
  name: string
  /** What it may be mixed with; null where nobody knows. */
  family: Family | null
  /** Least boiling point fresh, °C; null where no class sets one. */
  dry: number | null
  /** Least boiling point at 3.7 % of water, °C. */
  wet: number | null
  reason: string
}

/** Least boiling points of each class: FMVSS 116, and ISO 4925 for the low-viscosity one. */
export const FLUIDS: Record<FluidKind, FluidRow> = {
  dot3: { name: 'DOT 3', family: 'glycol', dry: 205, wet: 140, reason: 'FMVSS 116, DOT 3.' },
  dot4: { name: 'DOT 4', family: 'glycol', dry: 230, wet: 155, reason: 'FMVSS 116, DOT 4.' },
  dot4lv: { name: 'DOT 4 LV', family: 'glycol', dry: 250, wet: 165, reason: 'ISO 4925, class 6.' },
  dot51: { name: 'DOT 5.1', family: 'glycol', dry: 260, wet: 180, reason: 'FMVSS 116, DOT 5.1.' },
  dot5: {
    name: 'DOT 5',
    family: 'silicone',
    dry: 260,
    wet: 180,
    reason: 'FMVSS 116, DOT 5 (silicone).',
  },
  mineral: {
    name: 'mineral oil',
    family: 'mineral',
    dry: null,
    wet: null,
    reason: 'Its maker gives its figures; it takes up no water.',
  },
  unknown: { name: 'unknown fluid', family: null, dry: null, wet: null, reason: 'Nobody knows.' },
}

/** Glycol kinds from the poorest to the best: a mixture counts as the poorer. */
const GLYCOLS: readonly FluidKind[] = ['dot3', 'dot4', 'dot4lv', 'dot51']
export const isPoorer = (a: FluidKind, b: FluidKind): boolean =>
  GLYCOLS.includes(a) && GLYCOLS.includes(b) && GLYCOLS.indexOf(a) < GLYCOLS.indexOf(b)

/** Two fluids of which each spoils what the other runs in; not known is neither. */
export function isCrossed(a: FluidKind, b: FluidKind): boolean {
  const [one, other] = [FLUIDS[a].family, FLUIDS[b].family]
  return one !== null && other !== null && one !== other
}

import table from './means.json' with { type: 'json' }
import type { KitItem } from '../entries'
import type { BleedRun } from './methods'

/** What a method takes beside strokes: judgement, a reason a row. */
export interface Means {
  method: BleedRun
  people: number
  tools: readonly KitItem[]
  /** Minutes before its first cycle. */
  setup: number
  /** ml that it spills, about. */
  spill: number
  /** It needs a bleed screw. */
  screw: boolean
  /** False where it is not done on a reservoir that the brakes share, but on a named person's word. */
  shared?: boolean
  reason: string
}
export const MEANS = table as readonly Means[]
export const meansOf = (method: BleedRun): Means => MEANS.find((one) => one.method === method)!

/** Methods that end a bleed and begin none. */
const FINISHERS: readonly BleedRun[] = ['shortStrokes', 'bottom', 'overnight', 'tap']
/** Single methods, and sequences: filled or flushed by one, finished by another. */
export const SEQUENCES: readonly (readonly BleedRun[])[] = [
  ...MEANS.filter(({ method }) => !FINISHERS.includes(method)).map(({ method }) => [method]),
  ['vacuum', 'shortStrokes'],
  ['pressure', 'shortStrokes'],
  ['inject', 'shortStrokes'],
  ['gravity', 'shortStrokes'],
  ['vacuum', 'openPush'],
  ['dryVacuum', 'openPush', 'shortStrokes'],
  ['openPush', 'bottom', 'shortStrokes'],
  ['gravity', 'openPush'],
  ['dryVacuum', 'slavePush'],
  ['slavePush', 'shortStrokes'],
  ['submerged', 'shortStrokes'],
  ['openPush', 'shortStrokes'],
  ['prop', 'shortStrokes'],
]
/** A sequence of methods; at a cracked union where a slave has no screw to open. */
export interface Sequence {
  steps: readonly BleedRun[]
  atUnion?: true
}
const AT_UNION: readonly Sequence[] = [
  { steps: ['openPush'], atUnion: true },
  { steps: ['openPush', 'shortStrokes'], atUnion: true },
  { steps: ['openPush', 'slavePush', 'shortStrokes'], atUnion: true },
]
/** Every sequence; what ends a bleed stands alone only where it was asked for by name. */
export const sequencesFor = (screw: boolean, asked: readonly BleedRun[] = []): readonly Sequence[] => [
  ...SEQUENCES.map((steps) => ({ steps })),
  ...FINISHERS.filter((one) => asked.includes(one)).map((one) => ({ steps: [one] })),
  ...(screw ? [] : AT_UNION),
]

export type RuledOut = 'noBleedScrew' | 'shared' | 'noTool' | 'noHelper'

/** Why a sequence cannot be done here; null where it can. */
export function ruledOut(
  { steps, atUnion }: Sequence,
  of: { screw: boolean; shared: boolean; overridden: boolean; people: number; kit: readonly KitItem[] },
): RuledOut | null {
  const means = steps.map(meansOf)
  if (!of.screw && !atUnion && means.some(({ screw }) => screw)) return 'noBleedScrew'
  // Slave strokes in place are for circuits that have no screw to open.
  if (of.screw && steps.includes('slavePush')) return 'noTool'
  if (of.shared && !of.overridden && means.some(({ shared }) => shared === false)) return 'shared'
  // Fluid from a union goes into a rag: it takes no hose.
  if (!atUnion && means.some(({ tools }) => tools.some((tool) => !of.kit.includes(tool))))
    return 'noTool'
  return means.some(({ people }) => people > of.people) ? 'noHelper' : null
}

import { BLEED_RUNS, needsOf, RUNS, type BleedRun, type KitItem } from './methods'

/** Methods that end a bleed and begin none. */
const FINISHERS: readonly BleedRun[] = BLEED_RUNS.filter((run) => RUNS[run].finishes)
/** Single methods, and sequences: filled or flushed by one, finished by another. */
export const SEQUENCES: readonly (readonly BleedRun[])[] = [
  ...BLEED_RUNS.filter((run) => !RUNS[run].finishes).map((run) => [run]),
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
  const needs = steps.map(needsOf)
  if (!of.screw && !atUnion && needs.some(({ screw }) => screw === true)) return 'noBleedScrew'
  // Some are for circuits that have no screw to open.
  if (of.screw && needs.some(({ screw }) => screw === 'none')) return 'noTool'
  if (of.shared && !of.overridden && needs.some(({ shared }) => !shared)) return 'shared'
  // Fluid from a union goes into a rag: it takes no hose.
  if (!atUnion && needs.some(({ tools }) => tools.some((tool) => !of.kit.includes(tool))))
    return 'noTool'
  return needs.some(({ people }) => people > of.people) ? 'noHelper' : null
}

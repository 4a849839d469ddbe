import type { Circuit, Line } from '../circuit'
import {
  choicesOf,
  SIZING_LIMITS,
  type MasterCandidate,
  type SizingChoice,
  type SizingLimits,
  type SlaveCandidate,
} from './size'

/** What is tried, as somebody chose it, in the core’s own units. */
export interface Candidates {
  masters: number[]
  slaves: number[]
  /** Those whose stroke is not the present one’s. */
  cylinders: { part: 'master' | 'slave'; bore: number; stroke: number }[]
  /** Outer and inner of a concentric slave. */
  rings: { outer: number; inner: number }[]
  ratios: number[]
  layouts: string[]
  rodExtension: number
  limits: Partial<Record<keyof SizingLimits, number>>
}
/** A way the line may be laid; `asItIs` is the present one. */
export interface LaidWay {
  id: string
  lines: Line[]
}
export interface SizingAsked {
  circuit: Circuit
  choices: SizingChoice[]
  lines: Line[][]
  limits: SizingLimits
}

/** Combinations that are tried at the most: more are nobody’s to read. */
export const MOST_CHOICES = 4000
/** Sizes on either side of what is there that are tried unless somebody says otherwise. */
const BESIDE = 2
/** mm within which two bores are the same one, typed, measured or in inches: 19 and 19.05 are. */
const SAME_BORE = 0.06

/** The bores next to a bore, of those that are offered, with itself as it was given; mm, from small to large. */
export function boresBeside(bore: number, offered: readonly number[]): number[] {
  const sizes = [...offered, bore]
    .sort((a, b) => a - b)
    .filter((one, i, all) => i === 0 || one - all[i - 1]! > SAME_BORE)
  const at = sizes.findIndex((one) => Math.abs(one - bore) < SAME_BORE)
  return sizes
    .slice(Math.max(0, at - BESIDE), at + BESIDE + 1)
    .map((one) => (Math.abs(one - bore) < SAME_BORE ? bore : one))
}

/** What is tried of a clutch until somebody says otherwise. @param offered bores that there are, mm */
export const startCandidates = (
  { master, slave, pedal }: Circuit,
  offered: { masters: readonly number[]; slaves: readonly number[] },
): Candidates => ({
  masters: boresBeside(master.bore, offered.masters),
  slaves: slave.type === 'external' ? boresBeside(slave.bore, offered.slaves) : [],
  cylinders: [],
  rings: slave.type === 'concentric' ? [{ outer: slave.outer, inner: slave.inner }] : [],
  ratios: [pedal.ratio],
  layouts: ['asItIs'],
  rodExtension: 0,
  limits: {},
})

/** The limits that hold: the usual ones, but for those that somebody set. @param room mm to the slave’s bottom, where it is known */
export const limitsOf = (own: Candidates['limits'], room: number | null): SizingLimits => ({
  ...SIZING_LIMITS,
  ...own,
  room: own.room ?? room,
})

/** Every combination of what was chosen, as it is sized. */
export function sizingAsked(
  circuit: Circuit,
  { masters, slaves, cylinders, rings, ratios, rodExtension }: Candidates,
  ways: readonly LaidWay[],
  limits: SizingLimits,
): SizingAsked {
  const ofPart = (part: 'master' | 'slave') =>
    cylinders.filter((one) => one.part === part).map(({ bore, stroke }) => ({ bore, stroke }))
  const longer = rodExtension > 0 ? { rodExtension } : {}
  const allMasters: MasterCandidate[] = [...masters.map((bore) => ({ bore })), ...ofPart('master')]
  const allSlaves: SlaveCandidate[] = [
    ...slaves.map((bore) => ({ bore, ...longer })),
    ...ofPart('slave').map((one) => ({ ...one, ...longer })),
    ...rings.map((ring) => ({ ...ring, ...longer })),
  ]
  const isAsItIs = ways.every(({ id }) => id === 'asItIs')
  const lines = isAsItIs ? [] : ways.map((one) => one.lines)
  return { circuit, choices: choicesOf(allMasters, allSlaves, ratios, lines.length), lines, limits }
}

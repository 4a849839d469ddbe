import type { Seat } from '../fitting'

/** A figure of practice, with why; the maker's own goes before it. */
export interface Limit {
  value: number
  reason: string
}

/** Least radius at a bend's centre line, in outside diameters. */
export const BEND_BY = {
  tool: { value: 3, reason: 'A bender holds the wall round: tighter, and the outside thins.' },
  hand: { value: 5, reason: 'By hand over a round, a tighter bend flattens.' },
  hose: {
    value: 10,
    reason: 'A hose bent tighter kinks or pulls at its ends; its maker may allow less.',
  },
} satisfies Record<string, Limit>
export type BendBy = keyof typeof BEND_BY

/** Least bend radius at the centre line, mm. */
export const bendRadius = (by: BendBy, outerDiameter: number): number =>
  BEND_BY[by].value * outerDiameter

/** What a line must keep as it lies; judgement. */
export const LAID = {
  slackLeast: { value: 0.03, reason: 'The engine rocks: a hose with less pulls at its ends.' },
  slackMost: { value: 0.08, reason: 'More hangs, rubs, and holds air in its bow.' },
  twist: {
    value: 0.05,
    reason: 'Degrees for each mm of hose: 5° on 100 mm; a twisted hose unscrews itself.',
  },
  heatBare: { value: 100, reason: 'Nearer, rubber hardens and old fluid boils.' },
  heatSleeved: { value: 40, reason: 'A sleeve keeps off what shines, not what touches.' },
  clearance: { value: 10, reason: 'What moves under load comes nearer than it looks on the bench.' },
  clipEvery: { value: 300, reason: 'A pipe held farther apart shakes, and cracks at its flare.' },
} satisfies Record<string, Limit>

/** What a flare takes of a pipe, mm: what is folded or upset is gone from its length. */
export interface FlareAllowance extends Limit {
  seat: Seat
  label: string
}
export const FLARE_ALLOWANCES: readonly FlareAllowance[] = [
  {
    seat: 'doubleFlare',
    label: 'Double flare',
    value: 5,
    reason: 'The lip is folded back on itself; try it on a scrap of the same pipe.',
  },
  {
    seat: 'bubbleFlare',
    label: 'Bubble flare',
    value: 3,
    reason: 'The first half of a double flare: upset, not folded.',
  },
  {
    seat: 'flare37',
    label: '37° flare',
    value: 2,
    reason: 'A single flare: only the cone’s own depth.',
  },
  {
    seat: 'hoseBarb',
    label: 'Plain end',
    value: 0,
    reason: 'Cut square, nothing is taken.',
  },
]

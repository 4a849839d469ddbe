import { normalShare } from '../chance'
import type { ComplaintId } from './complaints'
import type { FindingId } from './findings'

/** What comes of too little pad travel left, whatever took it: told from the circuit, not from a row of each fault. */
export type LostTravel =
  Extract<ComplaintId, 'low' | 'grinds' | 'noGear'> | Extract<FindingId, 'gearGrinds'>

interface Shown {
  /** Share of a sound circuit’s reserve that is gone where every second driver says so. */
  from: number
  /** How differently vehicles and drivers are made: one standard deviation, as the same share. */
  within: number
  /** It is never surer than this. */
  most: number
  /** Seconds under the foot until it is noticed: what passes a cup or leaks out meanwhile is lost as well. */
  held: number
  reason: string
}

/** Judgement, each with its reason. */
export const LOST_TRAVEL: Readonly<Record<LostTravel, Shown>> = {
  low: {
    from: 0.45,
    within: 0.2,
    most: 0.8,
    held: 1,
    reason: 'Half the reserve gone is felt by most; nearer the floor everybody says so.',
  },
  grinds: {
    from: 0.85,
    within: 0.25,
    most: 0.85,
    held: 8,
    reason: 'A disc begins to drag a little before the last of the reserve is gone.',
  },
  gearGrinds: {
    from: 0.8,
    within: 0.2,
    most: 0.95,
    held: 4,
    reason: 'The unsynchronised gear tells of a dragging disc before the others do.',
  },
  noGear: {
    from: 1.2,
    within: 0.25,
    most: 0.7,
    held: 6,
    reason: 'The disc has to drag hard before no gear goes in at all.',
  },
}

export const isLostTravel = (id: string): id is LostTravel => Object.hasOwn(LOST_TRAVEL, id)

/** A reserve smaller than this is not told from none, mm at the pad. */
export const LEAST_RESERVE = 10

/**
 * Chance that it shows where this share of the reserve is gone; none where nothing is gone, for that is the background.
 * @param spread one standard deviation of the share itself.
 */
export function chanceFromLoss({ from, within, most }: Shown, share: number, spread = 0): number {
  if (share <= 0) return 0
  const width = Math.hypot(within, spread)
  const none = normalShare(-from / width)
  return (most * (normalShare((share - from) / width) - none)) / (1 - none)
}

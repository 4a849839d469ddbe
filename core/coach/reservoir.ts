import { drewBy, type Draws, type DrawTable } from '../bleed'
import type { BleedLog } from '../entries'

/** What stands in the reservoir over the mark that must not be passed, by arithmetic, ml. */
export interface Level {
  /** Over the mark when it is full. */
  usable: number
  /** Thought to be drawn since it was full: at least, about, and at the most (95 of 100). */
  least: number
  middle: number
  most: number
}
/** ml kept back: a bottle and a mark are read no better. */
export const KEPT = 2

export interface Left {
  low: number
  middle: number
  high: number
}
export const full = (usable: number): Level => ({ usable, least: 0, middle: 0, most: 0 })
/** ml left over the mark, with its spread. */
export function leftIn({ usable, least, middle, most }: Level): Left {
  const at = (drawn: number) => Math.max(0, usable - KEPT - drawn)
  return { low: at(most), middle: at(middle), high: at(least) }
}
/** The same reservoir after so much more was drawn; below nothing where fluid came up. */
export const drawnFrom = (level: Level, { low, middle, high }: Draws): Level => ({
  usable: level.usable,
  least: level.least + low,
  middle: level.middle + middle,
  most: level.most + high,
})
/** Topped up: to the mark where nobody said how much. @param ml what was poured in */
export function toppedUp(level: Level, ml?: number): Level {
  const after = (drawn: number) => (ml === undefined ? 0 : Math.max(0, drawn - ml))
  return {
    usable: level.usable,
    least: after(level.least),
    middle: after(level.middle),
    most: after(level.most),
  }
}
/**
 * After something was taken back: whether it was poured or drawn nobody knows now, so it may stand as low as before or as after, and as
 * high.
 */
export const widened = (now: Level, before: Level): Level => ({
  usable: now.usable,
  least: Math.min(now.least, before.least),
  middle: Math.max(now.middle, before.middle),
  most: Math.max(now.most, before.most),
})

/**
 * The level by everything that was logged, in its order, from a full reservoir on: the same for the log and for the coach.
 * @param stroke ml of a full stroke
 * @param usable ml over the mark when it is full
 */
export function levelOfLog(
  { cycles, topUps, filledAfter }: Pick<BleedLog, 'cycles' | 'topUps' | 'filledAfter'>,
  table: DrawTable,
  stroke: number,
  usable: number,
): Level {
  let level = full(usable)
  const pour = (after: number) =>
    topUps.forEach(({ payload }, i) => {
      if (filledAfter[i] !== after) return
      level = toppedUp(level, payload.volume === undefined ? undefined : payload.volume / 1000)
    })
  pour(0)
  cycles.forEach(({ payload }, i) => {
    level = drawnFrom(level, drewBy(payload, table, stroke, usable))
    pour(i + 1)
  })
  return level
}

/** What stands in the reservoir over the mark that must not be passed, by arithmetic, ml. */
export interface Level {
  /** Over the mark when it is full. */
  usable: number
  /** Thought to be drawn since it was full. */
  drawn: number
}
/** What a stroke draws differs by so much of itself: a pad not quite down, a hose that takes some back. */
const SPREAD = 0.1
/** ml kept back: a bottle and a mark are read no better. */
export const KEPT = 2

export interface Left {
  low: number
  middle: number
  high: number
}
export const full = (usable: number): Level => ({ usable, drawn: 0 })
/** ml left over the mark, with its spread. */
export function leftIn({ usable, drawn }: Level): Left {
  const spread = SPREAD * Math.abs(drawn)
  const at = (more: number) => Math.max(0, usable - KEPT - drawn - more)
  return { low: at(spread), middle: at(0), high: at(-spread) }
}
/** Strokes that are left for sure. @param stroke ml that one sends */
export const strokesLeft = (level: Level, stroke: number): number =>
  stroke > 0 ? Math.floor(leftIn(level).low / stroke) : Infinity
/** Topped up: to the mark where nobody said how much. @param ml what was poured in */
export const toppedUp = (level: Level, ml?: number): Level => ({
  ...level,
  drawn: ml === undefined ? 0 : Math.max(0, level.drawn - ml),
})

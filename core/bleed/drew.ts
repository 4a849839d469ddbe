import type { BleedCycle } from '../entries'
import type { Draws, DrawStep, StepDraws } from './draws'
import { METHOD_ROWS, METHODS, runOfEntry, WITHOUT_STROKES, type Method } from './methods'

/** What one cycle of each method draws on this circuit, ml: the least, about, and the most of what it may. */
export type DrawTable = Partial<Record<Method, Draws>>

/** Cycles that are gone through for the table. */
const CYCLES = 8
/** ml of a batch as it is usually looked at. */
const BATCH = 50
const SECONDS = 60
/** A bottle is read to a tenth. */
const BOTTLE = 0.1

/** Steps to ask for a table, and the methods that they stand for. */
export const TABLE_STEPS: readonly { method: Method; step: DrawStep }[] = METHODS.flatMap((method) => {
  const run = runOfEntry(method)
  if (run === null) return []
  const step = { run, cycles: CYCLES, ...(METHOD_ROWS[method].atUnion && { atUnion: true as const }) }
  return [{ method, step }]
})
/** The most that any cycle of it draws stands for each: which one a logged cycle was nobody knows. */
export const widest = ({ draws }: Pick<StepDraws, 'draws'>): Draws => ({
  low: Math.min(...draws.map(({ low }) => low)),
  middle: draws.at(-1)!.middle,
  high: Math.max(...draws.map(({ high }) => high)),
})

/**
 * What a method draws in a cycle where no model knows: as much as it can.
 * @param stroke ml of a full stroke
 * @param usable ml of a full reservoir over its mark
 */
export function mostDrawn(method: Method, stroke: number, usable: number): Draws {
  const { draws } = METHOD_ROWS[method]
  if (draws === 'nothing') return { low: 0, middle: 0, high: 0 }
  // From below it fills: it is the least that has to be safe.
  if (draws === 'comesUp') return { low: -BATCH, middle: -BATCH / 2, high: 0 }
  if (WITHOUT_STROKES.has(method)) return { low: 0, middle: Math.min(BATCH, usable), high: usable }
  return { low: 0, middle: stroke, high: 1.25 * stroke }
}

/**
 * ml that a logged cycle took out of the reservoir: by the model for so many strokes or seconds; a bottle that holds more says more.
 * @param table what a cycle of each method draws on this circuit; where it says nothing, as much as it can
 */
export function drewBy(
  { method, strokes = 1, seconds, bottle }: BleedCycle,
  table: DrawTable,
  stroke: number,
  usable: number,
): Draws {
  const one = table[method] ?? mostDrawn(method, stroke, usable)
  const ml = bottle === undefined ? 0 : bottle / 1000
  const { draws } = METHOD_ROWS[method]
  const times =
    draws === 'opening'
      ? 1
      : !WITHOUT_STROKES.has(method)
        ? strokes
        : draws === 'minute' && seconds !== undefined
          ? seconds / SECONDS
          : 1
  return {
    low: times * one.low,
    middle: Math.max(times * one.middle, ml),
    high: Math.max(times * one.high, (1 + BOTTLE) * ml),
  }
}

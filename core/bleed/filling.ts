import type { Format } from '../quantity'
import { RUNS, type BleedRun } from './methods'
import type { RankedEntry } from './rank'

/** Filling a dry circuit: a phase of its own, with an end of its own. */
export interface Filling {
  method: BleedRun
  atUnion: boolean
  /** Cycle at which the first fluid is expected; null where it mostly does not come. */
  firstFluidAt: number | null
  /** Fluid that it takes, mm³. */
  fluid: { low: number; high: number }
  stop: string
  /** What will look wrong and is not. */
  looksWrong: readonly string[]
}

/** @param entry a sequence that was ranked from a dry circuit */
export function fillingOf(entry: RankedEntry, format: Format): Filling {
  const method = entry.steps[0]!.method
  const { low, high } = entry.fluid
  const at = entry.firstFluidAt
  const { unit, looksWrong } = RUNS[method].fills
  return {
    method,
    atUnion: entry.atUnion ?? false,
    firstFluidAt: at,
    fluid: { low: 1000 * low, high: 1000 * high },
    stop:
      at === null
        ? `Stop at the first fluid, and go over to flushing. If ${format.volume(1000 * high)} have gone in and none comes out, look for where they went.`
        : `Fluid is expected at ${unit} ${at}. Stop there, and go over to flushing; if none has come by ${unit} ${2 * at}, look for where it went.`,
    looksWrong,
  }
}

import type { Run } from '../run'
import type { BleedStart } from './asked'
import type { Constants } from './constants'
import { drawnConstants, type Learned } from './draw-constants'
import type { LaidCircuit } from './laid'
import { cycleOf, RUNS, type BleedRun } from './methods'
import { askedOf, startsOf } from './rank'
import { Bleed } from './run'

/** What a cycle takes out of the reservoir, ml: by the fifth, the middle and the ninety-fifth of a hundred such circuits; below 0 where it fills it. */
export interface Draws {
  low: number
  middle: number
  high: number
}
/** One method of a bleed, as what it draws is asked for. */
export interface DrawStep {
  run: BleedRun
  cycles: number
  atUnion?: true
  /** Strokes before each opening. */
  pumps?: number
  /** ml that are let through, or pushed in, before one looks. */
  batch?: number
}
export interface DrawsAsked {
  laid: LaidCircuit
  start: BleedStart
  /** Air that a reading showed: where it sits is drawn anew each time. */
  shareOut?: boolean
  steps: readonly DrawStep[]
  set: Partial<Constants>
  learned?: Learned
  noseUp: number
  draws: number
  seed: number
}
export interface StepDraws {
  /** Cycle by cycle until it stands; the last holds for all that follow. */
  draws: Draws[]
  /** Cycle by which fluid comes, by the ninety-fifth; null where it may not come at all. */
  fluidBy: number | null
}

/** Cells of a line, cycles after which a method draws what it goes on drawing, ml out of the hose that are something. */
const CELLS = 40
const STANDS_BY = 12
const ANYTHING = 0.1
/** Circuits that may be this one. */
export const DRAWS = 40

/** Net of each cycle of each step in one circuit, ml, and the first cycle in which fluid came. */
function drawnIn(asked: DrawsAsked, constants: Constants, start: BleedStart) {
  const { laid, noseUp, steps } = asked
  const hand = steps.every(({ run }) => RUNS[run].inHand)
  const ranked = {
    laid: hand ? { ...laid, slave: { ...laid.slave, bleeder: null } } : laid,
    start,
    noseUp,
  }
  let bleed: Bleed | null = null
  return steps.map(({ run, cycles, atUnion = false, pumps, batch }) => {
    const own = { ...constants, ...(pumps && { pumps }), ...(batch && { batch }) }
    const next: Bleed = new Bleed({
      ...askedOf(ranked, own, CELLS),
      ...(bleed && { start: 'clean' as const }),
      method: run,
      atUnion,
    })
    if (bleed) next.machine.become(bleed.machine)
    bleed = next
    const { count } = next.machine
    const nets: number[] = []
    let fluidAt: number | null = null
    for (let i = 0; i < Math.min(cycles, STANDS_BY); i++) {
      const before = count.drawn - count.returned
      const out = count.liquidOut
      cycleOf(run, next.setting)
      nets.push(count.drawn - count.returned - before)
      if (fluidAt === null && count.liquidOut - out > ANYTHING) fluidAt = i + 1
    }
    return { nets, fluidAt }
  })
}

const LOW = 0.05
const HIGH = 0.95
function spreadOf(values: readonly number[]): Draws {
  const sorted = [...values].sort((a, b) => a - b)
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!
  return { low: at(LOW), middle: at(0.5), high: at(HIGH) }
}

/**
 * What each cycle of a bleed draws, by the same model, circuits and constants as the ranking. A line that turns out clean sooner than
 * thought draws as a clean one does, so the most is the most of both. One piece is one circuit.
 */
export function drawsRun(asked: DrawsAsked): Run<StepDraws[]> {
  const { start, steps, draws, seed, set, learned } = asked
  const constants = drawnConstants(set, draws, seed, learned)
  const starts = startsOf(asked, draws)
  const thought: ReturnType<typeof drawnIn>[] = []
  const clean: ReturnType<typeof drawnIn>[] = []
  return {
    total: draws,
    step(count) {
      for (const end = Math.min(draws, thought.length + count); thought.length < end;) {
        const k = thought.length
        thought.push(drawnIn(asked, constants[k]!, starts[k]!))
        if (start !== 'clean') clean.push(drawnIn(asked, constants[k]!, 'clean'))
      }
      return thought.length
    },
    result: () =>
      steps.map((_, i) => {
        const cycles = thought[0]?.[i]?.nets.length ?? 0
        const list = Array.from({ length: cycles }, (_, n): Draws => {
          const own = spreadOf(thought.map((one) => one[i]!.nets[n]!))
          if (clean.length === 0) return own
          const other = spreadOf(clean.map((one) => one[i]!.nets[n]!))
          return {
            low: Math.min(own.low, other.low),
            middle: own.middle,
            high: Math.max(own.high, other.high),
          }
        })
        const came = thought.map((one) => one[i]!.fluidAt ?? Infinity).sort((a, b) => a - b)
        const by = came[Math.min(came.length - 1, Math.floor(HIGH * came.length))] ?? Infinity
        return { draws: shortened(list), fluidBy: Number.isFinite(by) ? by : null }
      }),
  }
}
/** ml by which two cycles may differ and be said as one. */
const ALIKE = 0.02
const rounded = (ml: number) => Math.round(1000 * ml) / 1000
/** What repeats at the end is said once. */
function shortened(list: readonly Draws[]): Draws[] {
  const kept = list.map(({ low, middle, high }) => ({
    low: rounded(low),
    middle: rounded(middle),
    high: rounded(high),
  }))
  const alike = (a: Draws, b: Draws) =>
    Math.abs(a.low - b.low) < ALIKE &&
    Math.abs(a.middle - b.middle) < ALIKE &&
    Math.abs(a.high - b.high) < ALIKE
  while (kept.length > 1 && alike(kept.at(-1)!, kept.at(-2)!)) {
    const last = kept.pop()!
    const before = kept.at(-1)!
    before.high = Math.max(before.high, last.high)
    before.low = Math.min(before.low, last.low)
  }
  return kept
}

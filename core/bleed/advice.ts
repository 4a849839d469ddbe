import type { BleedCycle, CameOut } from '../entries'
import type { Format } from '../quantity'
import type { Now } from './follow'
import { METHOD_ROWS, runOfEntry, RUNS, type BleedRun } from './methods'
import type { RankedEntry, Target } from './rank'
import { sequenceWords } from './rank-words'

/** What a bleed in progress is told: whether it is done, whether to go on, to change, or to look for something else. */
export type AdviceCode =
  'finished' | 'measure' | 'notThere' | 'goOn' | 'change' | 'screw' | 'nothing' | 'checks'
export interface BleedAdvice {
  code: AdviceCode
  words: string
  /** The sequence that takes over. */
  next?: readonly BleedRun[]
  /** What to check, in this order. */
  checks?: readonly string[]
}
/** What is known of a bleed in progress; volumes ml, travel mm. */
export interface BleedSoFar {
  cycles: readonly BleedCycle[]
  clearInRow: number
  /** Clear cycles in a row that are wanted. */
  wantedClear: number
  now: Now | null
  target: Target
  /** Free travel as it was measured, oldest first; and what it comes to with no more air than may stay. */
  travels: readonly number[]
  wantedTravel: number | null
  /** A reading was taken after the last cycle. */
  measuredSince: boolean
  ranked: readonly RankedEntry[]
  falseAir?: number
}

/** When it stops improving: what is looked at, one after the other. */
export const WHEN_IT_STOPS: readonly string[] = [
  'the bleed screw is uppermost',
  'the hose sits in the right port',
  'the union is tight',
  'the tube does not turn in its nut',
  'the flare seals',
  'the disc is not a new one',
]

/** mm of free travel that a tape tells from another. */
const TAPE = 2
/** Cycles over which a method has to bring something. */
const OVER = 4
/** Share of free travel by which a round of work has to shorten it, or it does not improve. */
const IMPROVES = 0.05
const BUBBLES: readonly CameOut[] = ['foam', 'large', 'few']

type AirPlace = 'line' | 'slave' | 'master'
function mostIn({ line, slave, master }: Now): AirPlace {
  const places = [
    ['line', line.middle],
    ['slave', slave.middle],
    ['master', master.middle],
  ] as const
  return places.reduce((a, b) => (b[1] > a[1] ? b : a))[0]
}

/** Runs of the newest cycles that were made by one method. */
function lastRow(cycles: readonly BleedCycle[]): BleedCycle[] {
  const last = cycles.at(-1)
  if (!last) return []
  const other = cycles.findLastIndex(({ method }) => method !== last.method)
  return cycles.slice(other + 1)
}
/** What a ranking offers instead of a method, the best first: another way that can be done here. */
function insteadOf(method: BleedRun | null, ranked: readonly RankedEntry[], place: string) {
  return ranked.find(
    ({ ruledOut, steps, cannotReach }) =>
      ruledOut === null &&
      !cannotReach.some((one) => one === place) &&
      !(steps.length === 1 && steps[0]!.method === method),
  )
}

/** What to do next in a bleed, in words; the first holds, the rest stand below it. */
export function bleedAdvice(so: BleedSoFar, format: Format): BleedAdvice[] {
  const { cycles, now, target, travels, wantedTravel } = so
  if (cycles.length === 0) return []
  const row = lastRow(cycles)
  const method = row.at(-1)!.method
  const run = runOfEntry(method)
  const seen = row.map(({ cameOut }) => cameOut).filter((one) => one !== 'notSeen')
  const last = seen.slice(-OVER)
  const list: BleedAdvice[] = []
  const travel = travels.at(-1) ?? null
  const near = travel !== null && wantedTravel !== null && travel <= wantedTravel + TAPE
  const clear = so.clearInRow >= so.wantedClear

  if (clear && so.measuredSince && near && (now === null || now.total.middle <= target.value * 1.5)) {
    list.push({
      code: 'finished',
      words: `Clear ${so.clearInRow} times in a row, and ${format.length(travel)} of free travel, within ${format.length(TAPE)} of what this circuit comes to: this bleed is finished. Prove it.`,
    })
  } else if (clear && !so.measuredSince) {
    list.push({
      code: 'measure',
      words: 'Clear several times in a row. Bubbles end before air does: measure free travel now.',
    })
  } else if (clear && travel !== null && wantedTravel !== null && !near) {
    list.push({
      code: 'notThere',
      words: `It comes clear, but free travel is ${format.length(travel)} and should be ${format.length(wantedTravel)}: what is left sits where this does not reach.`,
    })
  }

  if (last.length >= 3 && last.every((one) => one === 'nothing')) {
    list.push({
      code: 'nothing',
      words:
        'Nothing comes at all: the master has not primed, or the way is shut. Look at the level, then bench-bleed the master, or fill from the bleeder up.',
    })
  }
  if (
    run !== null &&
    RUNS[run].falseAir &&
    last.length >= OVER &&
    last.every((one) => BUBBLES.includes(one))
  ) {
    const loose = (so.falseAir ?? 20) > 0
    if (loose)
      list.push({
        code: 'screw',
        words:
          'Some of these bubbles are the screw’s: tape its thread, never its seat, or shut the screw and look whether they stop.',
      })
  }

  const place = now && mostIn(now)
  const stuck =
    !list.some(({ code }) => code === 'finished') &&
    now !== null &&
    now.total.middle > target.value &&
    row.length >= OVER &&
    (clear || cannotReach(so.ranked, run, place!) || last.every((one) => one === last[0]))
  if (stuck) {
    const next = insteadOf(run, so.ranked, place!)
    const steps = next?.steps.map((one) => one.method)
    const left = format.volume(1000 * now.total.middle)
    list.push({
      code: 'change',
      words: next
        ? `${METHOD_ROWS[method].name} has given what it can: about ${left} is left, most of it in the ${place}. Change to: ${sequenceWords(next)}.`
        : `${METHOD_ROWS[method].name} has given what it can: about ${left} is left, most of it in the ${place}.`,
      ...(steps && { next: steps }),
    })
  }
  if (stopsImproving(travels) && new Set(cycles.map((one) => one.method)).size > 1) {
    list.push({
      code: 'checks',
      words: 'It no longer improves, whatever is done. Look, in this order:',
      checks: WHEN_IT_STOPS,
    })
  }
  if (list.length === 0) {
    list.push({
      code: 'goOn',
      words:
        now === null
          ? 'Go on, and look at what comes out.'
          : `Go on: about ${format.volume(1000 * now.total.middle)} of air is left (${format.volume(1000 * now.total.low)} to ${format.volume(1000 * now.total.high)}), ${format.volume(1000 * target.value)} may stay.`,
    })
  }
  return list
}

/** A ranking says of this method by itself that it does not reach a place. */
const cannotReach = (ranked: readonly RankedEntry[], run: BleedRun | null, place: AirPlace): boolean =>
  ranked.some(
    ({ steps, cannotReach: places }) =>
      steps.length === 1 && steps[0]!.method === run && places.includes(place),
  )
/** The last two readings have hardly brought anything. */
function stopsImproving(travels: readonly number[]): boolean {
  if (travels.length < 3) return false
  const [a, b, c] = travels.slice(-3) as [number, number, number]
  return b > (1 - IMPROVES) * a && c > (1 - IMPROVES) * b
}

import type { BleedPath } from './asked'
import type { Point } from './cells'
import { drawnConstants } from './draw-constants'
import type { BleedRun } from './methods'
import { startsOf, tryOut, type Outcome, type RankAsked } from './rank'
import { whole, type Run } from '../run'

/** What may be moved, turned or done first, so that a bleed goes better. */
export const BLEED_CHANGES = [
  'crestLowered',
  'lineFalls',
  'narrower',
  'slaveTurned',
  'noseUp',
  'noseDown',
] as const
export type BleedChange = (typeof BLEED_CHANGES)[number]

/** mm by which a crest is taken down: what a clip allows. */
const LOWERED = 60
/** Degrees by which one end of a vehicle is lifted by a jack. */
const LIFTED = 10
/** mm; the next narrower bore of line in use. */
const NARROWER = 3.35

/** Points between the ends no higher than so much. */
function capped(line: BleedPath, height: number): BleedPath {
  const last = line.points.length - 1
  const points = line.points.map(([x, y, z], i): Point => [
    x,
    y,
    i === 0 || i === last ? z : Math.min(z, height),
  ])
  return { ...line, points }
}
/** Every point between the ends on the straight fall from one to the other, or below where it is. */
function fallen(line: BleedPath): BleedPath {
  const [first, last] = [line.points[0]!, line.points.at(-1)!]
  const n = line.points.length - 1
  const points = line.points.map(([x, y, z], i): Point => [
    x,
    y,
    i === 0 || i === n ? z : Math.min(z, first[2] + ((last[2] - first[2]) * i) / n),
  ])
  return { ...line, points }
}
const highest = ({ points }: BleedPath): number => Math.max(...points.map(([, , z]) => z))
const ends = ({ points }: BleedPath): number => Math.max(points[0]![2], points.at(-1)![2])

/** The circuit with a change; null where there is nothing to change. */
export function changed(asked: RankAsked, change: BleedChange): RankAsked | null {
  const { laid } = asked
  const { line, slave } = laid
  const crest = highest(line) - ends(line)
  const but = (next: Partial<typeof laid>): RankAsked => ({ ...asked, laid: { ...laid, ...next } })
  switch (change) {
    case 'crestLowered':
      return crest > 5
        ? but({ line: capped(line, Math.max(ends(line), highest(line) - LOWERED)) })
        : null
    case 'lineFalls':
      return crest > 5 && line.points.length > 2 ? but({ line: fallen(line) }) : null
    case 'narrower':
      return line.bores.some((bore) => bore > NARROWER)
        ? but({ line: { ...line, bores: line.bores.map((bore) => Math.min(bore, NARROWER)) } })
        : null
    case 'slaveTurned':
      return slave.bleeder !== null && slave.bleeder.off > 5
        ? but({ slave: { ...slave, bleeder: { off: 0 } } })
        : null
    case 'noseUp':
      return { ...asked, noseUp: asked.noseUp + LIFTED }
    case 'noseDown':
      return { ...asked, noseUp: asked.noseUp - LIFTED }
  }
}

export interface Changed {
  change: BleedChange
  /** Of reaching the target, and minutes in the middle, with the change; without it in `before`. */
  chance: number
  minutes: number
  before: { chance: number; minutes: number }
}
const summed = (outcomes: readonly Outcome[]) => {
  const minutes = outcomes.map((one) => one.minutes).sort((a, b) => a - b)
  return {
    chance: outcomes.filter(({ reached }) => reached).length / outcomes.length,
    minutes: minutes[Math.floor(minutes.length / 2)]!,
  }
}

/** A sequence rerun with each change that can be made here, the better first: the same draws with and without. One piece is one change. */
export function changesRun(
  steps: readonly BleedRun[],
  asked: RankAsked,
  draws = 8,
  atUnion = false,
): Run<Changed[]> {
  const constants = drawnConstants(asked.set, draws, asked.seed, asked.learned)
  // The very circuits that the ranking began with.
  const starts = startsOf(asked, draws)
  const all = (of: RankAsked) =>
    summed(constants.map((one, i) => tryOut(steps, { ...of, start: starts[i]! }, one, atUnion)))
  const list: Changed[] = []
  let before: ReturnType<typeof summed> | null = null
  let done = 0
  return {
    total: 1 + BLEED_CHANGES.length,
    step(count) {
      for (const end = Math.min(this.total, done + count); done < end; done++) {
        const change = BLEED_CHANGES[done - 1]
        if (change === undefined) {
          before = all(asked)
          continue
        }
        const next = changed(asked, change)
        if (next) list.push({ change, ...all(next), before: before! })
      }
      return done
    },
    result: () => [...list].sort((a, b) => b.chance - a.chance || a.minutes - b.minutes),
  }
}
export const whatChanges = (...given: Parameters<typeof changesRun>): Changed[] =>
  whole(changesRun(...given))

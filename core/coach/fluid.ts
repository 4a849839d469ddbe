import { widest, type Draws, type DrawTable } from '../bleed'
import { isMethod, movesOf, type Coached } from './moves'
import { KEPT, leftIn, type Left, type Level } from './reservoir'
import type { CoachPlace, CoachPlan, Part } from './state'

const NOTHING: Draws = { low: 0, middle: 0, high: 0 }
/** Most of a full reservoir that one cycle is taken to draw: where it would draw more, one looks at the level within it. */
const MOST = 0.9

/** What a cycle of a part draws, ml; never more than a full reservoir gives. */
export function drawsAt({ draws }: Part, cycle: number, { usable }: Pick<CoachPlan, 'usable'>): Draws {
  const own = draws[Math.min(cycle, draws.length - 1)] ?? NOTHING
  const most = MOST * Math.max(0, usable - KEPT)
  const bound = (ml: number) => Math.max(-most, Math.min(ml, most))
  return { low: bound(own.low), middle: bound(own.middle), high: bound(own.high) }
}

/** What a cycle of each of its methods draws, for cycles of it that others file: the run knows it from its first call on. */
export function drawsOfPlan({ parts, unknown }: CoachPlan): DrawTable {
  if (unknown !== null) return {}
  return Object.fromEntries(
    // One that runs for a time of its own says nothing of how long another let it run.
    parts.flatMap(({ method, draws, seconds }) =>
      isMethod(method) && seconds === undefined && draws.length > 0
        ? [[method, widest({ draws })] as const]
        : [],
    ),
  )
}

/** In what one tells what is left: it has to fit what is done. */
export type LeftUnit = 'strokes' | 'openings' | 'minutes' | 'rodStrokes' | 'cycles' | 'ml'
const UNIT: Partial<Record<Coached, LeftUnit>> = {
  openPush: 'strokes',
  crackedUnion: 'strokes',
  prop: 'strokes',
  submerged: 'strokes',
  checkValve: 'strokes',
  masterPrimed: 'strokes',
  pumpHold: 'openings',
  gravity: 'minutes',
  hang: 'rodStrokes',
  slaveStrokes: 'rodStrokes',
  reservoirVacuum: 'cycles',
}
export const leftUnitOf = (method: Coached): LeftUnit => UNIT[method] ?? 'ml'

export interface LeftToGo {
  unit: LeftUnit
  /** For sure: by the ninety-fifth of a hundred circuits as this may be. */
  count: number
}
const SECONDS_IN_MINUTE = 60
/** s of a cycle that runs by itself. */
const RUNS = 60
/** Cycles beyond which nobody counts what is left. */
const FAR = 200

/** Cycles of a part that the reservoir still gives for sure, from one of them on. */
export function cyclesLeft(level: Level, part: Part, cycle: number, plan: CoachPlan): number {
  let most = level.most
  for (let n = 0; n < FAR; n++) {
    most += Math.max(0, drawsAt(part, cycle + n, plan).high)
    if (most > level.usable - KEPT) return n
  }
  return FAR
}

/** ml over the mark with their spread, and how far that goes in what is being done. */
export function reservoirOf({ level, plan, part, cycle, done }: CoachPlace): Left & { goes: LeftToGo } {
  const left = leftIn(level)
  const now = plan.parts[part]
  if (!now || done) return { ...left, goes: { unit: 'ml', count: Math.floor(left.low) } }
  const unit = leftUnitOf(now.method)
  if (unit === 'ml') return { ...left, goes: { unit, count: Math.floor(left.low) } }
  const cycles = cyclesLeft(level, now, cycle, plan)
  const minutes = (cycles * (now.seconds ?? RUNS)) / SECONDS_IN_MINUTE
  return { ...left, goes: { unit, count: unit === 'minutes' ? Math.floor(10 * minutes) / 10 : cycles } }
}

/** What the part under way still draws, ml, about; below 0 where it sends fluid up. */
function stillDrawn({ plan, part, cycle, cycles, stretch, move, done }: CoachPlace): number {
  const now = plan.parts[part]
  if (!now || done || stretch === 'after') return 0
  const draws = movesOf(now.method).cycle.findIndex((one) => one.draws)
  const from = stretch === 'cycle' && move > draws ? cycle + 1 : cycle
  let sum = 0
  for (let i = from; i < cycles[part]!; i++) sum += drawsAt(now, i, plan).middle
  return sum
}
/**
 * ml to pour in now, or to draw off (below 0), so that what is left of this part ends on the mark as nearly as the
 * reservoir allows: filled to the mark where strokes follow; lowered by as much as will be sent up.
 */
export function toTheMark(state: CoachPlace): number {
  const still = stillDrawn(state)
  const { least, middle, usable } = state.level
  if (still >= 0) return middle
  // What may stand there is drawn off, so that nothing spills.
  return least - Math.min(-still, Math.max(0, usable - KEPT))
}

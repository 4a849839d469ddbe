import type { ProofStage } from '../circuit'
import type { BleedCycle, BleedPhase, BleedSign, CameOut, PedalSays, Trick } from '../entries'
import { movesOf, type Coached, type Move } from './moves'
import { STAGE_OF, type Work } from './works'
import { full, KEPT, leftIn, strokesLeft, type Left, type Level } from './reservoir'

/** A part of the bleed: one method for so many cycles, a trick, or work that belongs to it. */
export interface Part {
  method: Coached
  cycles: number
  phase?: BleedPhase
}
export interface CoachPlan {
  parts: Part[]
  /** ml that a full stroke sends, and that stand over the mark. */
  stroke: number
  usable: number
  /** The brakes share it: the mark is the brakes’ own, and nobody may override it. */
  shared: boolean
  people: 1 | 2
}
/** What was said of the cycle that was filed last. */
export interface LastSaid {
  cameOut: CameOut | 'notSeen'
  /** mm³ in the bottle. */
  bottle?: number
  colour?: 'dark' | 'fresh'
  signs?: BleedSign[]
}

/** Where a coached bleed is. */
export interface CoachPlace {
  plan: CoachPlan
  part: number
  /** Cycles of this part that are done, and in which of its three stretches it is. */
  cycle: number
  stretch: 'before' | 'cycle' | 'after'
  move: number
  screw: 'open' | 'shut'
  pedal: 'down' | 'up'
  level: Level
  /** The next move would reach the mark, or rise over it: it is not called until that is put right, or somebody answers for it. */
  held: 'low' | 'high' | null
  overridden: boolean
  paused: boolean
  /** After a part free travel is asked for, after a stage of the proof that stage’s own. */
  asks: 'freeTravel' | ProofStage | null
  walks: number
  done: boolean
  /** The last cycle that was filed, and what was said of it. */
  filed: string | null
  last: LastSaid
  /** What went wrong in the cycle under way; it is filed with it. */
  signs: BleedSign[]
}
/** A state that can be gone back to, and what the touch after it filed. */
export interface Past extends CoachPlace {
  made: string[]
}
/** The whole of a coached bleed; numbered, so that what comes late or twice is told. Plain data: it goes from one device to the other. */
export interface CoachState extends CoachPlace {
  /** Rises with every touch that was taken. */
  n: number
  /** Its number when the present call was made: what is said of an earlier cycle meanwhile makes no answer late. */
  calledAt: number
  /** Touches that were taken, newest last. */
  taken: string[]
  past: Past[]
}

export type Touch =
  | { touch: 'answer' }
  /** It was done although it was not called. */
  | { touch: 'didAnyway' }
  | ({ touch: 'cameOut' } & Partial<LastSaid>)
  | { touch: 'toppedUp'; ml?: number }
  | { touch: 'drawnOff'; ml?: number }
  | { touch: 'override' }
  /** Said, or taken back: of the cycle under way, else of the last. */
  | { touch: 'sign'; sign: BleedSign }
  /** One more cycle than was meant. */
  | { touch: 'oneMore' }
  | { touch: 'says'; says: PedalSays; mm?: number }
  | { touch: 'travel'; mm: number | null }
  | { touch: 'pause' }
  | { touch: 'resume' }
  | { touch: 'nextPart' }
  | { touch: 'undo' }
export type TouchName = Touch['touch']

/** What the device that leads has to file; `ref` names it within this run, so that none is filed twice. */
export type Effect =
  | { do: 'cycle'; ref: string; payload: BleedCycle }
  | { do: 'correct'; ref: string; payload: BleedCycle }
  | { do: 'withdraw'; ref: string }
  | { do: 'trick'; ref: string; trick: Trick }
  | { do: 'topUp'; ref: string; ml?: number }
  | { do: 'says'; ref: string; says: PedalSays; mm?: number }
  | { do: 'travel'; ref: string; mm: number }
  | { do: 'stageProof'; ref: string; stage: ProofStage; mm: number }

export const NOT_SAID: LastSaid = { cameOut: 'notSeen' }
/** Touches and states that are remembered. */
export const TAKEN = 60
export const PAST = 16

export function startCoach(plan: CoachPlan): CoachState {
  return settled({
    plan,
    n: 0,
    calledAt: 0,
    taken: [],
    part: 0,
    cycle: 0,
    stretch: 'before',
    move: 0,
    screw: 'shut',
    pedal: 'up',
    level: full(plan.usable),
    held: null,
    overridden: false,
    paused: false,
    asks: null,
    walks: 0,
    done: plan.parts.length === 0,
    filed: null,
    last: NOT_SAID,
    signs: [],
    past: [],
  })
}

/** What is called now; null while it is paused, held, asks for a figure, or is done. */
export function callNow(state: CoachPlace): Move | null {
  const { done, paused, held, asks } = state
  return done || paused || held || asks ? null : moveOf(state)
}
/** The move at which it stands, called or held back. */
export function moveOf({ plan, part, stretch, move }: CoachPlace): Move | null {
  const now = plan.parts[part]
  return (now && movesOf(now.method)[stretch][move]) ?? null
}
/** The move after the one that is called; null at the end of a part. */
export function nextMove(state: CoachPlace): Move | null {
  const now = state.plan.parts[state.part]
  if (!now) return null
  const { before, cycle, after } = movesOf(now.method)
  const rest = { before: [...before, ...cycle], cycle: [...cycle], after: [...after] }[state.stretch]
  const next = rest[state.move + 1]
  if (next) return next
  if (state.stretch !== 'cycle') return null
  return state.cycle + 1 < now.cycles ? (cycle[0] ?? null) : (after[0] ?? null)
}
/** ml over the mark with their spread, and strokes left for sure. */
export const reservoirOf = ({ level, plan }: CoachPlace): Left & { strokes: number } => ({
  ...leftIn(level),
  strokes: strokesLeft(level, plan.stroke),
})
/** What a move draws, ml; never more than a full reservoir gives: where that is little, one looks at it sooner. */
export function drawnBy(
  { strokes = 0, draws = 0 }: Move,
  { stroke, usable }: Pick<CoachPlan, 'stroke' | 'usable'>,
): number {
  const most = 0.9 * leftIn(full(usable)).low
  return Math.max(-most, Math.min(strokes * stroke + draws, most))
}

/** What the part under way still draws, ml; below 0 where it sends fluid up. */
function stillDrawn(state: CoachPlace): number {
  const now = state.plan.parts[state.part]
  if (!now || state.done) return 0
  const { before, cycle, after } = movesOf(now.method)
  const sum = (list: readonly Move[]) => list.reduce((ml, move) => ml + drawnBy(move, state.plan), 0)
  const whole = Math.max(0, now.cycles - state.cycle) * sum(cycle)
  if (state.stretch === 'before') return sum(before.slice(state.move)) + whole + sum(after)
  if (state.stretch === 'cycle') return whole - sum(cycle.slice(0, state.move)) + sum(after)
  return sum(after.slice(state.move))
}
/**
 * ml to pour in now, or to draw off (below 0), so that what is left of this part ends on the mark as nearly as the
 * reservoir allows: filled to the mark where strokes follow; lowered by as much as will be sent up.
 */
export function toTheMark(state: CoachPlace): number {
  const still = stillDrawn(state)
  const { drawn, usable } = state.level
  if (still >= 0) return drawn
  const lowered = Math.min(-still, Math.max(0, usable - KEPT))
  return drawn - lowered
}

/** Goes on to where there is a move to call: over stretches that have none, and into the next part. */
export function settled<T extends CoachPlace>(state: T): T {
  let next = state
  while (!next.done) {
    const { method, cycles } = next.plan.parts[next.part]!
    const { before, cycle, after } = movesOf(method)
    if (next.stretch === 'before' && next.move >= before.length)
      next = { ...next, stretch: 'cycle', move: 0 }
    else if (next.stretch === 'cycle' && next.move >= cycle.length) next = { ...next, move: 0 }
    else if (next.stretch === 'cycle' && next.move === 0 && next.cycle >= cycles)
      next = { ...next, stretch: 'after', move: 0 }
    else if (next.stretch === 'after' && next.move >= after.length) next = nextPart(next)
    else break
  }
  return { ...next, held: next.overridden ? null : heldAt(next) }
}
function heldAt(state: CoachPlace): 'low' | 'high' | null {
  const move = moveOf(state)
  if (!move) return null
  // Before the screw is opened it is looked at for the whole cycle.
  const { cycle } = movesOf(state.plan.parts[state.part]!.method)
  const ahead = state.stretch === 'cycle' && state.move === 0 ? cycle : [move]
  const needs = ahead.reduce((ml, one) => ml + drawnBy(one, state.plan), 0)
  if (needs > 0 && leftIn(state.level).low < needs) return 'low'
  return needs < 0 && state.level.drawn + needs < 0 ? 'high' : null
}

function nextPart<T extends CoachPlace>(state: T): T {
  const part = state.part + 1
  return {
    ...state,
    part,
    cycle: 0,
    stretch: 'before',
    move: 0,
    asks: asksAfter(state.plan.parts[state.part]!.method),
    done: part >= state.plan.parts.length,
  }
}
/** Off the vehicle, and while it is only made ready, free travel says nothing. */
const ASKS_NOTHING: ReadonlySet<Coached> = new Set([
  'benchLoop',
  'slavePrimed',
  'masterPrimed',
  'setUp',
  'benchSetUp',
  'endFill',
])
function asksAfter(method: Coached): CoachPlace['asks'] {
  const stage = STAGE_OF[method as Work]
  return stage ?? (ASKS_NOTHING.has(method) ? null : 'freeTravel')
}

/** Whether another call, or another question, stands there than before. */
export const isOtherCall = (a: CoachPlace, b: CoachPlace): boolean =>
  (['part', 'cycle', 'stretch', 'move', 'held', 'paused', 'asks'] as const).some(
    (one) => a[one] !== b[one],
  )

/** What one may do: never nothing, until it is done. */
export function waysOn(state: CoachState): TouchName[] {
  if (state.done) return state.asks ? ['travel', 'undo'] : ['undo']
  if (state.paused) return ['resume', 'undo']
  if (state.asks) return ['travel', 'undo']
  if (state.held === 'high') return ['drawnOff', 'didAnyway', 'override', 'undo']
  if (state.held)
    return ['toppedUp', 'didAnyway', ...(state.plan.shared ? [] : (['override'] as const)), 'undo']
  return ['answer', 'pause', 'nextPart', 'undo']
}

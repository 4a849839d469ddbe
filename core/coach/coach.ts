import type { BleedCycle, BleedPhase, CameOut, Method, PedalSays, Trick } from '../entries'
import { METHOD_MOVES, movesOf, type Move, type Role } from './moves'
import { leftIn, strokesLeft, toppedUp, type Left, type Level } from './reservoir'

/** A part of the bleed: one method for so many cycles, or a trick. */
export interface Part {
  method: Method | Trick
  cycles: number
  phase?: BleedPhase
}
export interface CoachPlan {
  parts: readonly Part[]
  /** ml that a full stroke sends, and that stand over the mark. */
  stroke: number
  usable: number
  /** The brakes share it: the mark is the brakes’ own, and nobody may override it. */
  shared: boolean
  people: 1 | 2
}

/** The whole of a coached bleed; numbered, so that what comes late or twice is told. Plain data: it goes from one device to the other. */
export interface CoachState {
  plan: CoachPlan
  /** Rises with every touch that was taken. */
  n: number
  /** Touches that were taken, newest last. */
  taken: readonly string[]
  part: number
  /** Cycles of this part that are done, and in which of its three stretches it is. */
  cycle: number
  stretch: 'before' | 'cycle' | 'after'
  move: number
  screw: 'open' | 'shut'
  pedal: 'down' | 'up'
  level: Level
  /** The next stroke would reach the mark: it is not called until it is topped up, or somebody answers for it. */
  held: boolean
  overridden: boolean
  paused: boolean
  /** After a part free travel is asked for. */
  asksTravel: boolean
  walks: number
  done: boolean
  /** The last cycle that was filed, for what came out of it. */
  filed: string | null
  /** States before this one, newest last, without their own past. */
  past: readonly CoachState[]
}

export type Touch =
  | { touch: 'answer' }
  | { touch: 'cameOut'; cameOut: CameOut; bottle?: number; colour?: 'dark' | 'fresh' }
  | { touch: 'toppedUp'; ml?: number }
  | { touch: 'override' }
  | { touch: 'says'; says: PedalSays; mm?: number }
  | { touch: 'travel'; mm: number | null }
  | { touch: 'pause' }
  | { touch: 'resume' }
  | { touch: 'nextPart' }
  | { touch: 'undo' }

/** What the device that leads has to file; `ref` names a cycle of this run, so that none is filed twice. */
export type Effect =
  | { do: 'cycle'; ref: string; payload: BleedCycle }
  | { do: 'correct'; ref: string; payload: BleedCycle }
  | { do: 'withdraw'; ref: string }
  | { do: 'trick'; ref: string; trick: Trick }
  | { do: 'topUp'; ml?: number }
  | { do: 'says'; says: PedalSays; mm?: number }
  | { do: 'travel'; mm: number }

/** Touches and states that are remembered. */
const TAKEN = 60
const PAST = 24

export function startCoach(plan: CoachPlan): CoachState {
  return settled({
    plan,
    n: 0,
    taken: [],
    part: 0,
    cycle: 0,
    stretch: 'before',
    move: 0,
    screw: 'shut',
    pedal: 'up',
    level: { usable: plan.usable, drawn: 0 },
    held: false,
    overridden: false,
    paused: false,
    asksTravel: false,
    walks: 0,
    done: plan.parts.length === 0,
    filed: null,
    past: [],
  })
}

/** What is called now; null while it is paused, held, asks for a figure, or is done. */
export function callNow(state: CoachState): Move | null {
  const { done, paused, held, asksTravel } = state
  return done || paused || held || asksTravel ? null : moveOf(state)
}
function moveOf({ plan, part, stretch, move }: CoachState): Move | null {
  const now = plan.parts[part]
  return (now && movesOf(now.method)[stretch][move]) ?? null
}
/** Strokes left for sure, and ml with their spread. */
export const reservoirOf = ({ level, plan }: CoachState): Left & { strokes: number } => ({
  ...leftIn(level),
  strokes: strokesLeft(level, plan.stroke),
})
/** What a move draws, ml; never more than a full reservoir gives: where that is little, one looks at it sooner. */
const drawnBy = ({ strokes = 0, draws = 0 }: Move, { stroke, usable }: CoachPlan): number =>
  Math.min(strokes * stroke + draws, 0.9 * leftIn({ usable, drawn: 0 }).low)

/** Goes on to where there is a move to call: over stretches that have none, and into the next part. */
function settled(state: CoachState): CoachState {
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
  const move = moveOf(next)
  const needs = move ? drawnBy(move, next.plan) : 0
  return { ...next, held: !next.overridden && needs > 0 && leftIn(next.level).low < needs }
}

function nextPart(state: CoachState): CoachState {
  const part = state.part + 1
  return {
    ...state,
    part,
    cycle: 0,
    stretch: 'before',
    move: 0,
    filed: null,
    asksTravel: true,
    done: part >= state.plan.parts.length,
  }
}

const isMethod = (name: Method | Trick): name is Method => name in METHOD_MOVES
const refOf = ({ part, cycle }: CoachState) => `${part}.${cycle}`
function payloadOf(state: CoachState, more: Partial<BleedCycle> = {}): BleedCycle {
  const { method, phase } = state.plan.parts[state.part]!
  const strokes = METHOD_MOVES[method as Method].cycle.reduce(
    (sum, move) =>
      sum +
      (move.call === 'pump' ? (move.times ?? 1) : move.call === 'down' || move.call === 'in' ? 1 : 0),
    0,
  )
  return {
    method: method as Method,
    ...(strokes > 0 && { strokes }),
    cameOut: 'notSeen',
    ...(phase && { phase }),
    ...more,
  }
}

/**
 * Takes a touch. One that was taken before changes nothing: a touch that comes twice, late or from both devices counts once.
 * @param id of the touch, made where it was touched
 * @param by who touched; null where it ended by its own time
 * @param seen the number of the state that was on the screen: an answer to an earlier call is no answer to this one
 */
export function touched(
  state: CoachState,
  id: string,
  touch: Touch,
  by: Role | null = null,
  seen = state.n,
): { state: CoachState; effects: Effect[] } {
  const unchanged = { state, effects: [] as Effect[] }
  if (state.taken.includes(id)) return unchanged
  if (touch.touch === 'answer' && seen !== state.n) return unchanged
  const taken = [...state.taken, id].slice(-TAKEN)
  const { past: _, ...bare } = state
  const past = [...state.past, { ...bare, past: [] }].slice(-PAST)
  const go = (next: Partial<CoachState>, effects: Effect[] = []) => ({
    state: settled({ ...state, ...next, n: state.n + 1, taken, past }),
    effects,
  })
  switch (touch.touch) {
    case 'answer':
      return answered(state, by, go) ?? unchanged
    case 'cameOut': {
      if (state.filed === null) return unchanged
      const { cameOut, bottle, colour } = touch
      const [part] = state.filed.split('.').map(Number)
      const payload = payloadOf(
        { ...state, part: part! },
        {
          cameOut,
          ...(bottle !== undefined && { bottle }),
          ...(colour && { colour }),
        },
      )
      return go({}, [{ do: 'correct', ref: state.filed, payload }])
    }
    case 'toppedUp':
      return go({ level: toppedUp(state.level, touch.ml), overridden: false }, [
        { do: 'topUp', ...(touch.ml !== undefined && { ml: touch.ml }) },
      ])
    case 'override':
      // Where the brakes share the reservoir nobody goes below their mark.
      return state.held && !state.plan.shared ? go({ overridden: true }) : unchanged
    case 'says': {
      const { says, mm } = touch
      return go({}, [{ do: 'says', says, ...(mm !== undefined && { mm }) }])
    }
    case 'travel':
      if (!state.asksTravel) return unchanged
      return go({ asksTravel: false }, touch.mm === null ? [] : [{ do: 'travel', mm: touch.mm }])
    case 'pause':
      return state.paused || state.done ? unchanged : go({ paused: true })
    case 'resume':
      return state.paused ? go({ paused: false }) : unchanged
    case 'nextPart':
      return leftOut(state, go) ?? unchanged
    case 'undo':
      return undone(state, taken) ?? unchanged
  }
}
type Go = (next: Partial<CoachState>, effects?: Effect[]) => { state: CoachState; effects: Effect[] }

function answered(state: CoachState, by: Role | null, go: Go) {
  const move = callNow(state)
  // Whose turn it is not has nothing to answer; alone one is both.
  if (!move || (by !== null && state.plan.people === 2 && by !== move.role)) return null
  const part = state.plan.parts[state.part]!
  const { cycle: moves } = movesOf(part.method)
  const level = { ...state.level, drawn: state.level.drawn + drawnBy(move, state.plan) }
  const next: Partial<CoachState> = {
    move: state.move + 1,
    screw: move.screw ?? state.screw,
    pedal: move.pedal ?? state.pedal,
    walks: state.walks + (move.call === 'walk' ? 1 : 0),
    level,
    overridden: false,
  }
  if (state.stretch !== 'cycle' || state.move + 1 < moves.length) return go(next)
  const ref = refOf(state)
  const ended = { ...next, cycle: state.cycle + 1, move: 0 }
  return isMethod(part.method)
    ? go({ ...ended, filed: ref }, [{ do: 'cycle', ref, payload: payloadOf(state) }])
    : go(ended, [{ do: 'trick', ref, trick: part.method }])
}

/** The rest of a part is left out: what is open is shut first, and a pedal that is down comes up. */
function leftOut(state: CoachState, go: Go) {
  if (state.done || state.paused) return null
  const part = state.plan.parts[state.part]!
  if (state.stretch === 'after') return null
  // In the midst of a cycle it is gone through to its end; it is the last one.
  const midst = state.stretch === 'cycle' && state.move > 0
  const cycles = midst ? state.cycle + 1 : state.cycle
  const parts = state.plan.parts.map((one, i) => (i === state.part ? { ...part, cycles } : one))
  return go({
    plan: { ...state.plan, parts },
    ...(!midst && { stretch: 'after', move: 0 }),
  })
}

function undone(state: CoachState, taken: readonly string[]) {
  const before = state.past.at(-1)
  if (!before) return null
  const effects: Effect[] = []
  // A cycle that had been filed since is taken back with it.
  const [now, then] = [refsOf(state), refsOf(before)]
  for (const ref of now) if (!then.includes(ref)) effects.push({ do: 'withdraw', ref })
  return {
    state: {
      ...before,
      // What stands in the world is not undone: the screw and the pedal are as they were at that call.
      n: state.n + 1,
      taken,
      past: state.past.slice(0, -1),
    },
    effects,
  }
}
/** Cycles that are filed, by part. */
const refsOf = ({ part, cycle }: CoachState): string[] =>
  Array.from({ length: cycle }, (_, i) => `${part}.${i}`)

/** What one may do: never nothing, until it is done. */
export function waysOn(state: CoachState): Touch['touch'][] {
  if (state.done) return state.asksTravel ? ['travel', 'undo'] : ['undo']
  if (state.paused) return ['resume', 'undo']
  if (state.asksTravel) return ['travel', 'undo']
  if (state.held) return state.plan.shared ? ['toppedUp', 'undo'] : ['toppedUp', 'override', 'undo']
  return ['answer', 'pause', 'nextPart', 'undo']
}

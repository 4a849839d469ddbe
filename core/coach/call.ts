import { drawsAt } from './fluid'
import {
  isMethodId,
  isTrickId,
  LOOSEN,
  METHOD_ROWS,
  NIP,
  OPEN,
  SHUT,
  TRICK_ROWS,
  UP,
  type Move,
  type Thing,
} from '../bleed/methods'
import { movesOf, type Coached } from './moves'
import { KEPT } from './reservoir'
import type { CoachPlace, CoachState, Place, TouchName } from './state'
import { THING_ROWS } from './things'
import { fits, isOn, isSurelyOn, stoodBefore } from './world'
import { STAGE_OF } from './works'

const ORDER = Object.keys(THING_ROWS) as Thing[]

/** What is to be put on, or taken off, before a part can begin: what is in the way first. */
function toMakeReady(state: CoachPlace): Move | null {
  const { method } = state.plan.parts[state.part]!
  const { wants, bars } = movesOf(method)
  const off = ORDER.find((thing) => {
    const { off: call, stays } = THING_ROWS[thing]
    if (!call || wants.includes(thing) || !isOn(state.world, thing)) return false
    return bars.includes(thing) || !stays || isOtherHose(thing, wants)
  })
  if (off) return THING_ROWS[off].off!
  const on = wants.find((thing) => !isSurelyOn(state.world, thing))
  return (on && THING_ROWS[on].on) ?? null
}
const HOSES: readonly Thing[] = ['hose', 'valveHose', 'pumpHose', 'injector']
/** One screw takes one hose. */
const isOtherHose = (thing: Thing, wants: readonly Thing[]): boolean =>
  HOSES.includes(thing) && wants.some((one) => one !== thing && HOSES.includes(one))

/** The move at which it stands, called or held back. */
export function moveOf(state: CoachPlace): Move | null {
  const { plan, part, stretch, move } = state
  const now = plan.parts[part]
  if (!now || state.done) return null
  if (stretch === 'ready') return toMakeReady(state)
  const own = movesOf(now.method)[stretch][move]
  if (!own) return null
  // How long it runs by itself, and how often it is pumped, is the plan's to say.
  if (own.draws && own.seconds !== undefined && now.seconds !== undefined)
    return { ...own, seconds: now.seconds }
  if (own.call === 'pump' && now.pumps !== undefined) {
    const { times: _, ...rest } = own
    if (typeof now.pumps === 'number') return { ...rest, times: now.pumps }
    return now.pumps === 'firm' ? rest : { ...rest, seconds: now.pumps.seconds }
  }
  return own
}

/** Nobody goes on until something is put right, read, measured or said. */
export const isStopped = ({ paused, held, asks, unusual }: Place): boolean =>
  paused || held !== null || asks !== null || unusual !== null

/** Where this bleed opens the circuit: by the part that is on, the last one that opened it, or the next; null where none does. */
function valveOf({ plan, part }: CoachPlace): 'screw' | 'union' | null {
  const valves = plan.parts.map(({ method }) => movesOf(method).valve)
  const before = valves.slice(0, part + 1).findLast((one) => one !== null)
  return before ?? valves.slice(part + 1).find((one) => one !== null) ?? null
}

/** A call that is no move of the method: it brings screw, pedal and what is on to where the next move expects them; null where they are. */
export function putRight(state: CoachPlace): Move | null {
  const { world } = state
  const valve = valveOf(state)
  const mayBeOpen = valve !== null && (world.screw === 'open' || !world.screwSure)
  const shut = valve === 'union' ? NIP : SHUT
  if (isStopped(state)) {
    if (mayBeOpen) return shut
    // No cap comes off a reservoir that is under pressure.
    return state.held && isOn(world, 'pressure') ? THING_ROWS.pressure.off! : null
  }
  const move = moveOf(state)
  if (!move) return null
  const { method } = state.plan.parts[state.part]!
  const own = movesOf(method)
  const missing = state.stretch === 'cycle' && state.move === 0 ? notBuiltUp(state) : null
  const stood = missing
    ? stoodBefore(method, 'before', 0)
    : stoodBefore(method, state.stretch, state.move)
  if (fits(world, missing ?? move, stood, own)) return missing
  const isUp = world.pedal === 'up' && world.pedalSure
  if (mayBeOpen && (stood.screw === 'shut' || !world.screwSure || (own.shutFirst && !isUp))) return shut
  if (!isUp) return heldDown(world) ?? UP
  return stood.screw === 'open' ? (valve === 'union' ? LOOSEN : OPEN) : null
}
/** Pressure or vacuum that the cycles want and that was let off meanwhile. */
function notBuiltUp({ plan, part, world }: CoachPlace): Move | null {
  const { before } = movesOf(plan.parts[part]!.method)
  const move = before.find(({ call }) => call === 'apply')
  return move && !move.puts!.every((thing) => isSurelyOn(world, thing)) ? move : null
}
function heldDown(world: CoachPlace['world']): Move | null {
  const thing = (['bar', 'wedge'] as const).find((one) => isOn(world, one))
  return thing ? THING_ROWS[thing].off! : null
}

/** What is called now; null while it is stopped with the screw shut, or done. */
export function callNow(state: CoachPlace): Move | null {
  const right = putRight(state)
  if (right || isStopped(state)) return right
  return moveOf(state)
}
/** Whether what is called is no move of the method, but puts something right first. */
export const isPutRight = (state: CoachPlace): boolean => putRight(state) !== null

/** The move after the one that is called; null at the end of a part. */
export function nextMove(state: CoachPlace): Move | null {
  const now = state.plan.parts[state.part]
  if (!now || putRight(state)) return null
  const { before, cycle, after } = movesOf(now.method)
  if (state.stretch === 'ready') return null
  const rest = { before: [...before, ...cycle], cycle: [...cycle], after: [...after] }[state.stretch]
  const next = rest[state.move + 1]
  if (next) return next
  if (state.stretch !== 'cycle') return null
  return state.cycle + 1 < state.cycles[state.part]! ? (cycle[0] ?? null) : (after[0] ?? null)
}

/** What needs no call any more once a part is over: a screw that is shut for sure, and what is not on. */
function isOver(state: CoachPlace, move: Move): boolean {
  const { world } = state
  if (move.screw === 'shut') return world.screw === 'shut' && world.screwSure
  if (move.call === 'up') return world.pedal === 'up' && world.pedalSure
  return move.takes !== undefined && move.takes.every((thing) => !isOn(world, thing))
}
/** Where screw and pedal do not stand as the move in the midst of a stretch expects them, that stretch is begun again. */
function begunAgain<T extends CoachPlace>(state: T): T {
  if (state.stretch === 'ready' || state.move === 0 || state.done) return state
  const part = state.plan.parts[state.part]!
  const move = moveOf(state)
  if (!move || isStopped(state)) return state
  const stood = stoodBefore(part.method, state.stretch, state.move)
  return fits(state.world, move, stood, movesOf(part.method)) ? state : { ...state, move: 0 }
}

/** Goes on to where there is a move to call: over stretches that have none, and into the next part. */
export function settled<T extends CoachPlace>(state: T): T {
  let next = state
  while (!next.done) {
    const { method } = next.plan.parts[next.part]!
    const { before, cycle, after } = movesOf(method)
    if (next.stretch === 'ready') {
      if (moveOf(next)) break
      next = { ...next, stretch: 'before', move: 0 }
    } else if (next.stretch === 'before' && next.move >= before.length)
      next = { ...next, stretch: 'cycle', move: 0 }
    else if (next.stretch === 'cycle' && next.move >= cycle.length) next = { ...next, move: 0 }
    else if (next.stretch === 'cycle' && next.move === 0 && next.cycle >= next.cycles[next.part]!)
      next = { ...next, stretch: 'after', move: 0 }
    else if (next.stretch === 'after' && next.move >= after.length) next = nextPart(next)
    else if (next.stretch === 'after' && isOver(next, after[next.move]!))
      next = { ...next, move: next.move + 1 }
    else if (next.stretch === 'cycle' && takesNothing(next, cycle[next.move]!))
      next = { ...next, move: next.move + 1 }
    else break
  }
  next = begunAgain(next)
  return { ...next, held: next.overridden ? null : heldAt(next), unusual: unusualAt(next) }
}
/** A plug that is not in needs no pulling. */
const takesNothing = (state: CoachPlace, move: Move): boolean =>
  move.call === 'pull' && move.takes!.every((thing) => !isOn(state.world, thing))

function heldAt(state: CoachPlace): 'low' | 'high' | null {
  const part = state.plan.parts[state.part]
  if (!part || state.done || (state.stretch !== 'cycle' && state.stretch !== 'before')) return null
  const { cycle, rises } = movesOf(part.method)
  // Before the screw is opened it is looked at for the whole cycle; in its midst for what is still to come.
  const ahead = state.stretch === 'before' ? cycle : cycle.slice(state.move)
  if (!ahead.some((move) => move.draws)) return null
  const { low, high } = drawsAt(part, state.cycle, state.plan)
  const { least, most, usable } = state.level
  if (high > 0 && most + high > usable - KEPT) return 'low'
  return rises && low < 0 && least + low < 0 ? 'high' : null
}
/** So often running is no chance any more. */
const RUNNING = 3
function unusualAt(state: CoachPlace): CoachPlace['unusual'] {
  if (state.unusual) return state.unusual
  const part = state.plan.parts[state.part]
  // Between two cycles: nothing is broken off for it.
  if (!part || state.done || state.stretch !== 'cycle' || state.move !== 0) return null
  const running = state.seen.filter((one) => one !== 'notSeen').slice(-RUNNING)
  if (running.length < RUNNING || state.cycle - state.explained < RUNNING) return null
  const came = running[0]!
  if ((came !== 'foam' && came !== 'nothing') || running.some((one) => one !== came)) return null
  // An empty circuit gives nothing, then foam, until it is full.
  return part.fluidBy !== undefined && state.cycle < 2 * part.fluidBy ? null : came
}

function nextPart<T extends CoachPlace>(state: T): T {
  const part = state.part + 1
  return {
    ...state,
    part,
    cycle: 0,
    stretch: 'ready',
    move: 0,
    seen: [],
    explained: 0,
    asks: asksAfter(state.plan.parts[state.part]!.method),
    done: part >= state.plan.parts.length,
  }
}
/** On the bench, with a part that is new, and while it is only made ready, free travel says nothing. */
function asksAfter(id: Coached): CoachPlace['asks'] {
  if (!isMethodId(id) && !isTrickId(id)) return STAGE_OF[id] ?? null
  const { where } = isMethodId(id) ? METHOD_ROWS[id] : TRICK_ROWS[id]
  return where === 'bench' || where === 'newPart' ? null : 'freeTravel'
}

/** Whether another call, or another question, stands there than before. */
export function isOtherCall(a: CoachPlace, b: CoachPlace): boolean {
  const asked = (
    ['part', 'cycle', 'stretch', 'move', 'held', 'paused', 'asks', 'unusual'] as const
  ).some((one) => a[one] !== b[one])
  const [x, y] = [callNow(a), callNow(b)]
  return asked || x?.call !== y?.call || isPutRight(a) !== isPutRight(b)
}

/** What one may do: never nothing, until it is done. */
export function waysOn(state: CoachState): TouchName[] {
  // What is open is shut first, whatever else waits.
  if (putRight(state) && isStopped(state))
    return state.held ? ['answer', 'didAnyway', 'undo'] : ['answer', 'undo']
  if (state.paused) return ['resume', 'undo']
  if (state.asks) return ['travel', 'undo']
  if (state.done) return ['undo']
  if (state.unusual) return ['goOn', 'nextPart', 'undo']
  if (state.held === 'high') return ['drawnOff', 'didAnyway', 'override', 'undo']
  if (state.held)
    return ['toppedUp', 'didAnyway', ...(state.plan.shared ? [] : (['override'] as const)), 'undo']
  return ['answer', 'pause', 'nextPart', 'undo']
}

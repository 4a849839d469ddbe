import type { BleedCycle, BleedSign } from '../entries'
import { callNow, isOtherCall, isStopped, moveOf, putRight, settled } from './call'
import { drawsAt, toTheMark } from './fluid'
import type { Move, Role } from '../bleed/methods'
import { isMethod, isTrick, movesOf } from './moves'
import { drawnFrom, full, KEPT, toppedUp, widened, type Level } from './reservoir'
import {
  COUNTED,
  NOT_SAID,
  PAST,
  SEEN,
  TAKEN,
  type CoachPlace,
  type CoachState,
  type Effect,
  type Elsewhere,
  type LastSaid,
  type Past,
  type Place,
  type Touch,
} from './state'
import { THING_ROWS } from './things'
import { aspectsOf, doubted, isOn, movedWorld, type Aspect } from './world'

export interface Taken {
  state: CoachState
  effects: Effect[]
}
type Change = Partial<CoachPlace & Pick<CoachState, 'counted'>>
type Go = (next: Change, effects?: Effect[], doubts?: readonly Aspect[]) => Taken

/** What a cycle was said to be: what nobody said is left out. */
function payloadOf(
  { plan }: CoachPlace,
  part: number,
  { cameOut, bottle, colour, signs = [] }: LastSaid = NOT_SAID,
): BleedCycle {
  const { method, phase, pumps, seconds } = plan.parts[part]!
  if (!isMethod(method)) throw new Error(`${method} has no cycles that are filed`)
  const strokes = movesOf(method).cycle.reduce(
    (sum, { call, times = 1 }) =>
      sum +
      // Until it is firm, or for so many seconds: nobody counted them.
      (call === 'pump'
        ? typeof pumps === 'number'
          ? pumps
          : pumps === undefined
            ? times
            : 0
        : call === 'down' || call === 'in'
          ? 1
          : 0),
    0,
  )
  return {
    method,
    ...(strokes > 0 && { strokes }),
    cameOut,
    ...(bottle !== undefined && { bottle }),
    ...(colour && { colour }),
    ...(seconds !== undefined && { seconds }),
    ...(phase && { phase }),
    ...(signs.length > 0 && { signs: [...signs] }),
  }
}
const partOf = (ref: string): number => Number(ref.split('.')[0])

function placeOf(state: CoachPlace): Place {
  const { part, cycle, stretch, move, cycles, held, overridden, paused, unusual, asks } = state
  const { walks, done, filed, last, seen, explained, signs } = state
  return {
    ...{ part, cycle, stretch, move, cycles, held, overridden, paused, unusual, asks },
    ...{ walks, done, filed, last, seen, explained, signs },
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
): Taken {
  const unchanged: Taken = { state, effects: [] }
  if (state.taken.includes(id)) return unchanged
  const late = touch.touch === 'answer' || touch.touch === 'didAnyway' || touch.touch === 'travel'
  if (late && (seen < state.calledAt || seen > state.n)) return unchanged
  const taken = [...state.taken, id].slice(-TAKEN)
  const after = (next: Change, past: Past[]): CoachState => {
    const moved = settled<CoachState>({ ...state, ...next, past, taken, n: state.n + 1 })
    return { ...moved, calledAt: isOtherCall(moved, state) ? state.n + 1 : state.calledAt }
  }
  const go: Go = (next, effects = [], doubts = []) => {
    // What was put on stays in the ledger whatever is taken back: it may be on.
    const made = effects.flatMap((one) =>
      ['correct', 'withdraw', 'putOn', 'removed'].includes(one.do) ? [] : [one.ref],
    )
    const before: Past = { ...placeOf(state), level: state.level, made, doubts: [...doubts] }
    return { state: after(next, [...state.past, before].slice(-PAST)), effects }
  }
  switch (touch.touch) {
    case 'undo':
      return undone(state, after) ?? unchanged
    case 'takenOver':
      return { state: after(takenOver(state), state.past), effects: [] }
    case 'elsewhere':
      return elsewhere(state, touch.entries, after) ?? unchanged
    default:
      return stepped(state, touch, by, go) ?? unchanged
  }
}

function stepped(state: CoachState, touch: Touch, by: Role | null, go: Go): Taken | null {
  const ref = `n${state.n}`
  switch (touch.touch) {
    case 'answer':
      return answered(state, callNow(state), by, go)
    case 'didAnyway':
      // Whatever stands on the screen: what was done can always be written down.
      return state.held && !state.paused ? moved(state, moveOf(state), by, go) : null
    case 'cameOut':
      return saidOfLast(state, touch, go)
    case 'toppedUp': {
      const { ml } = touch
      const level = toppedUp(state.level, ml)
      return go({ level, overridden: false }, [{ do: 'topUp', ref, ...(ml !== undefined && { ml }) }])
    }
    case 'drawnOff':
      return go({ level: lowered(state, touch.ml), overridden: false })
    case 'override':
      // Where the brakes share the reservoir nobody goes below their mark; spilling over it hurts no brake.
      return state.held && !putRight(state) && (state.held === 'high' || !state.plan.shared)
        ? go({ overridden: true })
        : null
    case 'sign':
      return signed(state, touch.sign, go)
    case 'oneMore': {
      if (state.done || state.stretch === 'after') return null
      return go({ cycles: withCycles(state, Math.min(500, state.cycles[state.part]! + 1)) })
    }
    case 'says': {
      const { says, mm } = touch
      // What the seat says of a pedal that should be up counts more than that somebody answered for it.
      const world = says === 'stuck' ? doubted(state.world, ['pedal']) : state.world
      return go({ world }, [{ do: 'says', ref, says, ...(mm !== undefined && { mm }) }])
    }
    case 'travel': {
      const { mm } = touch
      const { asks } = state
      if (!asks || putRight(state)) return null
      if (mm === null) return go({ asks: null })
      return go({ asks: null }, [
        asks === 'freeTravel' ? { do: 'travel', ref, mm } : { do: 'stageProof', ref, stage: asks, mm },
      ])
    }
    case 'pause':
      return state.paused || state.done ? null : go(runningOut(state))
    case 'resume':
      return state.paused && !putRight(state) ? go({ paused: false }) : null
    case 'goOn':
      return state.unusual && !putRight(state) ? go({ unusual: null, explained: state.cycle }) : null
    case 'nextPart':
      return leftOut(state, go)
    default:
      return null
  }
}

const withCycles = ({ cycles, part }: Place, count: number): number[] =>
  cycles.map((one, i) => (i === part ? count : one))

/** Drawn off: so much, or as much as what will be sent up needs. */
function lowered(state: CoachPlace, ml = Math.max(0, -toTheMark(state))): Level {
  const at = (drawn: number) => Math.max(0, drawn) + ml
  const { usable, least, middle, most } = state.level
  return { usable, least: at(least), middle: at(middle), most: at(most) }
}
/** Stopped while it flows by itself: it has drawn already, at the most what its cycle draws, before anybody shuts the screw. */
function runningOut(state: CoachState): Change {
  const move = moveOf(state)
  if (state.stretch !== 'cycle' || !move?.draws || state.world.screw !== 'open' || move.pedal)
    return { paused: true }
  const { high } = drawsAt(state.plan.parts[state.part]!, state.cycle, state.plan)
  return {
    paused: true,
    level: drawnFrom(state.level, {
      low: Math.min(0, high),
      middle: high / 2,
      high: Math.max(0, high),
    }),
  }
}
/** Cycles that a device may have gone on for before it noticed that nobody hears it. */
const UNHEARD = 3
function takenOver(state: CoachPlace): Change {
  const part = state.plan.parts[state.part]
  const { low, high } = part ? drawsAt(part, state.cycle, state.plan) : { low: 0, high: 0 }
  const drew = { low: UNHEARD * Math.min(0, low), middle: 0, high: UNHEARD * Math.max(0, high) }
  return { world: nobodyKnows(state), level: part ? drawnFrom(state.level, drew) : state.level }
}
/** Where no part opens anything, or presses anything, nothing of it can be in doubt. */
function nobodyKnows({ plan, world }: CoachPlace) {
  const all = plan.parts.map(({ method }) => movesOf(method))
  const moves = all.flatMap(({ before, cycle, after }) => [...before, ...cycle, ...after])
  return doubted(world, [
    ...(all.some(({ valve }) => valve !== null) ? (['screw'] as const) : []),
    ...(moves.some(({ pedal }) => pedal) ? (['pedal'] as const) : []),
  ])
}

function saidOfLast(state: CoachState, touch: Touch & { touch: 'cameOut' }, go: Go): Taken | null {
  if (state.filed === null) return null
  const { touch: _, ...said } = touch
  const last: LastSaid = { ...state.last, ...said }
  const part = partOf(state.filed)
  const payload = payloadOf(state, part, last)
  const seen = part === state.part ? [...state.seen.slice(0, -1), last.cameOut] : state.seen
  return go({ last, seen }, [{ do: 'correct', ref: state.filed, payload }])
}

function signed(state: CoachState, sign: BleedSign, go: Go): Taken | null {
  const turn = (signs: readonly BleedSign[] = []) =>
    signs.includes(sign) ? signs.filter((one) => one !== sign) : [...signs, sign]
  const part = state.plan.parts[state.part]
  const under = part && isMethod(part.method) && state.stretch !== 'ready'
  const atStart = state.stretch === 'cycle' && state.move === 0
  if (under && !atStart && !state.done) return go({ signs: turn(state.signs) })
  return saidOfLast(state, { touch: 'cameOut', signs: turn(state.last.signs) }, go)
}

function answered(state: CoachState, called: Move | null, by: Role | null, go: Go): Taken | null {
  // Whose turn it is not has nothing to answer; alone one is both.
  if (!called || (by !== null && state.plan.people === 2 && by !== called.role)) return null
  const right = putRight(state)
  // Closing at a stop is the move itself where the screw was to be closed next.
  const own = right && isStopped(state) && right.screw === 'shut' ? moveOf(state) : null
  if (!right || (own?.screw === 'shut' && state.stretch !== 'ready'))
    return moved(state, right ? own : called, null, go)
  const ref = `n${state.n}`
  return go(
    { world: movedWorld(state.world, right, ref) },
    ledgerOf(state, right, ref),
    aspectsOf(right),
  )
}
/** What a move puts on and takes off, as the job’s ledger keeps it. */
function ledgerOf({ world }: CoachPlace, move: Move, ref: string): Effect[] {
  const put = (move.puts ?? []).flatMap((thing): Effect[] => {
    const { ledger } = THING_ROWS[thing]
    // What is taken to be on already stands in the ledger.
    if (!ledger || (isOn(world, thing) && world.things[thing]!.ref)) return []
    return 'put' in ledger
      ? [{ do: 'putOn', ref, item: ledger.put, place: ledger.place }]
      : [{ do: 'removed', ref, item: ledger.taken, place: ledger.place }]
  })
  const taken = (move.takes ?? []).flatMap((thing): Effect[] => {
    const [{ ledger }, known] = [THING_ROWS[thing], world.things[thing]]
    if (!ledger || !known?.on || !known.ref) return []
    return [{ do: 'put' in ledger ? 'takenOff' : 'refitted', ref, of: known.ref }]
  })
  return [...put, ...taken]
}

/** The move of the method at which it stands was done. */
function moved(state: CoachState, move: Move | null, by: Role | null, go: Go): Taken | null {
  if (!move || (by !== null && state.plan.people === 2 && by !== move.role)) return null
  const part = state.plan.parts[state.part]!
  const { cycle: moves } = movesOf(part.method)
  const ref = `n${state.n}`
  const level = move.fills
    ? full(state.level.usable)
    : move.lowers
      ? lowered(state)
      : move.draws
        ? drawnFrom(state.level, drawsAt(part, state.cycle, state.plan))
        : state.level
  const next: Change = {
    move: state.stretch === 'ready' ? 0 : state.move + 1,
    world: movedWorld(state.world, move, ref),
    walks: state.walks + (move.call === 'walk' ? 1 : 0),
    level,
    overridden: false,
  }
  const ledger = ledgerOf(state, move, ref)
  const filled: Effect[] = move.fills ? [{ do: 'topUp', ref: `${ref}t` }] : []
  const doubts = aspectsOf(move)
  if (state.stretch !== 'cycle' || state.move + 1 < moves.length)
    return go(next, [...filled, ...ledger], doubts)
  const cycleRef = `${state.part}.${state.cycle}`
  const ended = { ...next, cycle: state.cycle + 1, move: 0 }
  if (isMethod(part.method)) {
    const { signs } = state
    const last: LastSaid = signs.length > 0 ? { ...NOT_SAID, signs } : NOT_SAID
    const seen = [...state.seen, NOT_SAID.cameOut].slice(-SEEN)
    return go(
      { ...ended, filed: cycleRef, last, seen, signs: [] },
      [{ do: 'cycle', ref: cycleRef, payload: payloadOf(state, state.part, last) }, ...ledger],
      doubts,
    )
  }
  const trick: Effect[] = isTrick(part.method)
    ? [{ do: 'trick', ref: cycleRef, trick: part.method }]
    : filled
  return go(ended, [...trick, ...ledger], doubts)
}

/** The rest of a part is left out: what is open is shut first, and a pedal that is down comes up. */
function leftOut(state: CoachState, go: Go): Taken | null {
  if (state.done || state.paused || state.stretch === 'after' || putRight(state)) return null
  // In the midst of a cycle it is gone through to its end; it is the last one.
  const midst = state.stretch === 'cycle' && state.move > 0 && !isStopped(state)
  return go({
    cycles: withCycles(state, midst ? state.cycle + 1 : state.cycle),
    ...(!midst && { stretch: 'after' as const, move: 0, unusual: null, explained: state.cycle }),
  })
}

/** Cycles and top-ups that others filed move the level too; each counts once. */
function elsewhere(
  state: CoachState,
  entries: readonly Elsewhere[],
  after: (next: Change, past: Past[]) => CoachState,
): Taken | null {
  const fresh = entries.filter(({ id }) => !state.counted.includes(id))
  if (fresh.length === 0) return null
  let { level } = state
  for (const { drew, poured } of fresh) {
    if (drew) level = drawnFrom(level, drew)
    if (poured !== undefined) level = toppedUp(level, poured ?? undefined)
  }
  // Low beyond the mark all the same: nothing is below an empty reservoir.
  const most = Math.min(level.most, level.usable + KEPT)
  const counted = [...state.counted, ...fresh.map(({ id }) => id)].slice(-COUNTED)
  return {
    state: after({ level: { ...level, most }, counted, overridden: false }, state.past),
    effects: [],
  }
}

/**
 * Goes back by one touch: what it filed is taken back, what it said of a cycle is said as before. Counts and place go back; what stands
 * in the world does not: it is in doubt only whether the move that was taken back was done.
 */
function undone(state: CoachState, after: (next: Change, past: Past[]) => CoachState): Taken | null {
  const before = state.past.at(-1)
  if (!before) return null
  const { made, doubts, level, ...place } = before
  const effects: Effect[] = made.map((ref) => ({ do: 'withdraw', ref }))
  const { filed, last } = state
  if (filed !== null && filed === place.filed && JSON.stringify(last) !== JSON.stringify(place.last))
    effects.push({
      do: 'correct',
      ref: filed,
      payload: payloadOf(state, partOf(filed), place.last),
    })
  const back = after(
    { ...place, level: widened(state.level, level), world: doubted(state.world, doubts) },
    state.past.slice(0, -1),
  )
  return { state: { ...back, past: withoutMidst(back) }, effects }
}
/** A stretch that is begun again is not gone back through move by move: what was touched in it filed nothing. */
function withoutMidst({ past, part, cycle, stretch, move }: CoachState): Past[] {
  if (move > 0 || stretch === 'ready') return past
  const keeps = past.findLastIndex(
    (one) =>
      one.made.length > 0 ||
      one.move === 0 ||
      one.part !== part ||
      one.cycle !== cycle ||
      one.stretch !== stretch,
  )
  return past.slice(0, keeps + 1)
}

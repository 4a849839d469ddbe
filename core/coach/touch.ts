import type { BleedCycle, BleedSign } from '../entries'
import { isMethod, isTrick, METHOD_MOVES, movesOf, type Role } from './moves'
import { full, toppedUp } from './reservoir'
import {
  callNow,
  drawnBy,
  isOtherCall,
  moveOf,
  NOT_SAID,
  PAST,
  settled,
  TAKEN,
  toTheMark,
  type CoachPlace,
  type CoachState,
  type Effect,
  type LastSaid,
  type Touch,
} from './state'

interface Taken {
  state: CoachState
  effects: Effect[]
}
type Go = (next: Partial<CoachPlace>, effects?: Effect[]) => Taken

/** What a cycle was said to be: what nobody said is left out. */
function payloadOf(
  { plan }: CoachPlace,
  part: number,
  { cameOut, bottle, colour, signs = [] }: LastSaid = NOT_SAID,
): BleedCycle {
  const { method, phase } = plan.parts[part]!
  if (!isMethod(method)) throw new Error(`${method} has no cycles that are filed`)
  const strokes = METHOD_MOVES[method].cycle.reduce(
    (sum, { call, times = 1 }) =>
      sum + (call === 'pump' ? times : call === 'down' || call === 'in' ? 1 : 0),
    0,
  )
  return {
    method,
    ...(strokes > 0 && { strokes }),
    cameOut,
    ...(bottle !== undefined && { bottle }),
    ...(colour && { colour }),
    ...(phase && { phase }),
    ...(signs.length > 0 && { signs: [...signs] }),
  }
}
const partOf = (ref: string): number => Number(ref.split('.')[0])

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
  const go: Go = (next, effects = []) => {
    const { past, n, calledAt, taken: _, ...place } = state
    const made = effects.flatMap((one) =>
      one.do === 'correct' || one.do === 'withdraw' ? [] : [one.ref],
    )
    const after = settled({ ...place, ...next })
    return {
      state: {
        ...after,
        n: n + 1,
        calledAt: isOtherCall(after, place) ? n + 1 : calledAt,
        taken,
        past: [...past, { ...place, made }].slice(-PAST),
      },
      effects,
    }
  }
  return stepped(state, touch, by, go, taken) ?? unchanged
}

function stepped(
  state: CoachState,
  touch: Touch,
  by: Role | null,
  go: Go,
  taken: string[],
): Taken | null {
  const ref = `n${state.n}`
  switch (touch.touch) {
    case 'answer':
      return callNow(state) ? answered(state, by, go) : null
    case 'didAnyway':
      // Whatever stands on the screen: what was done can always be written down.
      return state.held ? answered(state, by, go) : null
    case 'cameOut':
      return saidOfLast(state, touch, go)
    case 'toppedUp': {
      const { ml } = touch
      const level = toppedUp(state.level, ml)
      return go({ level, overridden: false }, [{ do: 'topUp', ref, ...(ml !== undefined && { ml }) }])
    }
    case 'drawnOff': {
      const drawn = state.level.drawn + (touch.ml ?? Math.max(0, -toTheMark(state)))
      return go({ level: { ...state.level, drawn }, overridden: false })
    }
    case 'override':
      // Where the brakes share the reservoir nobody goes below their mark; spilling over it hurts no brake.
      return state.held && (state.held === 'high' || !state.plan.shared)
        ? go({ overridden: true })
        : null
    case 'sign':
      return signed(state, touch.sign, go)
    case 'oneMore': {
      if (state.done || state.stretch === 'after') return null
      const parts = state.plan.parts.map((one, i) =>
        i === state.part ? { ...one, cycles: Math.min(500, one.cycles + 1) } : one,
      )
      return go({ plan: { ...state.plan, parts } })
    }
    case 'says': {
      const { says, mm } = touch
      return go({}, [{ do: 'says', ref, says, ...(mm !== undefined && { mm }) }])
    }
    case 'travel': {
      const { mm } = touch
      const { asks } = state
      if (!asks) return null
      if (mm === null) return go({ asks: null })
      return go({ asks: null }, [
        asks === 'freeTravel' ? { do: 'travel', ref, mm } : { do: 'stageProof', ref, stage: asks, mm },
      ])
    }
    case 'pause':
      return state.paused || state.done ? null : go({ paused: true })
    case 'resume':
      return state.paused ? go({ paused: false }) : null
    case 'nextPart':
      return leftOut(state, go)
    case 'undo':
      return undone(state, taken)
  }
}

function saidOfLast(state: CoachState, touch: Touch & { touch: 'cameOut' }, go: Go): Taken | null {
  if (state.filed === null) return null
  const { touch: _, ...said } = touch
  const last: LastSaid = { ...state.last, ...said }
  const payload = payloadOf(state, partOf(state.filed), last)
  return go({ last }, [{ do: 'correct', ref: state.filed, payload }])
}

function signed(state: CoachState, sign: BleedSign, go: Go): Taken | null {
  const turn = (signs: readonly BleedSign[] = []) =>
    signs.includes(sign) ? signs.filter((one) => one !== sign) : [...signs, sign]
  const part = state.plan.parts[state.part]
  const under = part && isMethod(part.method) && !(state.stretch === 'cycle' && state.move === 0)
  if (under && !state.done) return go({ signs: turn(state.signs) })
  return saidOfLast(state, { touch: 'cameOut', signs: turn(state.last.signs) }, go)
}

function answered(state: CoachState, by: Role | null, go: Go): Taken | null {
  const move = moveOf(state)
  // Whose turn it is not has nothing to answer; alone one is both.
  if (!move || (by !== null && state.plan.people === 2 && by !== move.role)) return null
  const part = state.plan.parts[state.part]!
  const { cycle: moves } = movesOf(part.method)
  const drawn = state.level.drawn + drawnBy(move, state.plan)
  const next: Partial<CoachPlace> = {
    move: state.move + 1,
    screw: move.screw ?? state.screw,
    pedal: move.pedal ?? state.pedal,
    walks: state.walks + (move.call === 'walk' ? 1 : 0),
    level: move.fills ? full(state.level.usable) : { ...state.level, drawn },
    overridden: false,
  }
  const filled: Effect[] = move.fills ? [{ do: 'topUp', ref: `n${state.n}` }] : []
  if (state.stretch !== 'cycle' || state.move + 1 < moves.length) return go(next, filled)
  const ref = `${state.part}.${state.cycle}`
  const ended = { ...next, cycle: state.cycle + 1, move: 0 }
  if (isMethod(part.method)) {
    const { signs } = state
    const last: LastSaid = signs.length > 0 ? { ...NOT_SAID, signs } : NOT_SAID
    return go({ ...ended, filed: ref, last, signs: [] }, [
      { do: 'cycle', ref, payload: payloadOf(state, state.part, last) },
      ...filled,
    ])
  }
  return go(ended, isTrick(part.method) ? [{ do: 'trick', ref, trick: part.method }] : filled)
}

/** The rest of a part is left out: what is open is shut first, and a pedal that is down comes up. */
function leftOut(state: CoachState, go: Go): Taken | null {
  if (state.done || state.paused || state.stretch === 'after') return null
  const part = state.plan.parts[state.part]!
  // In the midst of a cycle it is gone through to its end; it is the last one.
  const midst = state.stretch === 'cycle' && state.move > 0
  const cycles = midst ? state.cycle + 1 : state.cycle
  const parts = state.plan.parts.map((one, i) => (i === state.part ? { ...part, cycles } : one))
  return go({
    plan: { ...state.plan, parts },
    ...(!midst && { stretch: 'after', move: 0 }),
  })
}

/** Goes back by one touch: what it filed is taken back, what it said of a cycle is said as before. */
function undone(state: CoachState, taken: string[]): Taken | null {
  const before = state.past.at(-1)
  if (!before) return null
  const { made, ...place } = before
  const effects: Effect[] = made.map((ref) => ({ do: 'withdraw', ref }))
  const { filed, last } = state
  if (filed !== null && filed === place.filed && JSON.stringify(last) !== JSON.stringify(place.last))
    effects.push({
      do: 'correct',
      ref: filed,
      payload: payloadOf(place, partOf(filed), place.last),
    })
  return {
    // What stands in the world is not undone: the screw and the pedal are as they were at that call.
    state: {
      ...place,
      n: state.n + 1,
      calledAt: isOtherCall(place, state) ? state.n + 1 : state.calledAt,
      taken,
      past: state.past.slice(0, -1),
    },
    effects,
  }
}

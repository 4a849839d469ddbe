import {
  callNow,
  startCoach,
  touched,
  type CoachPlan,
  type CoachState,
  type Effect,
  type Role,
  type Touch,
} from '.'

/** A coached bleed that is gone through, touch by touch: for the coach’s tests. */
export function going(start: CoachPlan) {
  let state: CoachState = startCoach(start)
  let k = 0
  const effects: Effect[] = []
  const calls: string[] = []
  const touch = (one: Touch, by: Role | null = null) => {
    const next = touched(state, `t${k++}`, one, by)
    state = next.state
    effects.push(...next.effects)
  }
  /** One step on: what is called is answered, what holds it back is put right, what is asked is left open. */
  const on = () => {
    const move = callNow(state)
    if (move) {
      calls.push(move.call)
      touch({ touch: 'answer' }, move.role)
    } else if (state.asks) touch({ touch: 'travel', mm: null })
    else if (state.unusual) touch({ touch: 'goOn' })
    else if (state.held === 'high') touch({ touch: 'drawnOff' })
    else if (state.held) touch({ touch: 'toppedUp' })
    else if (state.paused) touch({ touch: 'resume' })
  }
  return {
    effects,
    calls,
    touch,
    on,
    get state() {
      return state
    },
    get call() {
      return callNow(state)?.call ?? null
    },
    /** Until this is called, or held back, for the next time. */
    until(is: (now: CoachState) => boolean, most = 2000) {
      for (let i = 0; i < most && !is(state); i++) on()
    },
    through(most = 2000) {
      for (let i = 0; i < most && !(state.done && !state.asks); i++) on()
    },
  }
}
export const callIs = (call: string) => (state: CoachState) => callNow(state)?.call === call

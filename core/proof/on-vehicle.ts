import { putOnWords, removedWords, stillOff, stillOn, type JobState } from '../journal'
import { heldByWork, isPutOn, leftByWork, PUT_ON, stateWords } from '../plan'

/** Something that is on the vehicle and must come off, or off it and must go back. */
export interface Left {
  half: 'on' | 'off'
  words: string
  /** Id of the entry that put it on or took it off; null where a step of the plan did. */
  entry: string | null
  /** Its name among the plan's states, where it has one. */
  state: string | null
}
type Told = Pick<JobState, 'stepsTold' | 'putOn' | 'removed' | 'reversed'>

/** Both halves of the ledger: what somebody told, and what the steps that were done have put on or taken off. */
export function leftOver(state: Told): Left[] {
  const byWork = leftByWork(heldByWork(state.stepsTold.map(({ payload }) => payload)))
  const told = stillOn(state).map(({ id, payload }): Left => ({
    half: 'on',
    words: putOnWords(payload),
    entry: id,
    state: PUT_ON[payload.item].state,
  }))
  const off = stillOff(state).map(({ id, payload }): Left => ({
    half: 'off',
    words: removedWords(payload),
    entry: id,
    state: null,
  }))
  // What somebody told by hand has no step that would bring it to mind: it is named first.
  return [
    ...told,
    ...off,
    ...byWork.map((name): Left => ({
      half: isPutOn(name) ? 'on' : 'off',
      words: stateWords(name),
      entry: null,
      state: name,
    })),
  ]
}

/** States that hold because somebody said so beside the plan: what a step is spoiled by that the plan does not know of. */
export const heldNow = (state: Told): Set<string> =>
  new Set(leftOver(state).flatMap(({ half, state: name }) => (half === 'on' && name ? [name] : [])))

import { repairWords } from '../diagnosis'
import type { Compared } from '../side-by-side'
import { startStage, type JobState, type OrderedLine, type Stage } from '../journal'
import type { JointPlace } from '../installation'
import { readingsOwed } from './asked'
import { chooseOwed } from './choose-owed'
import { blockingStops, isProven, looseCauses, type OpenStop } from './judge'
import { leftOver, type Left } from './on-vehicle'

/** What would bring a job on, from its entries alone; which look is the best one is the diagnosis's to say. */
export type NextStep =
  /** Closed by somebody: it has left the bench. */
  | { to: 'closed' }
  /** A stop is open: nothing goes on along that path before. */
  | { to: 'mend'; stop: OpenStop['stop']; words: string }
  | { to: 'handOver' }
  /** Proven but for what is still on the vehicle, or off it: how many, and the first of them. */
  | { to: 'putBack'; left: number; words: string }
  /** Measured again after the work: how many readings are still owed, and how many confirmed causes nobody has mended. */
  | { to: 'prove'; owed: number; loose?: number }
  | { to: 'bleed'; cycles: number; clearInRow: number }
  /** Two ends were checked on the bench and do not join: another part first. */
  | { to: 'joint'; at: JointPlace }
  /** A new part was laid beside the old one and does not fit. */
  | { to: 'fit'; of: Compared }
  /** Parts that were brought are laid beside the old ones first. */
  | { to: 'compare' }
  /** Something that came wrong is to be sent back. */
  | { to: 'sendBack'; words: string }
  /** Waits for parts: how many lines, and when the last of them is promised. */
  | { to: 'wait'; lines: number; words: string; arrives: string | null }
  /** An upgrade whose parts are not sized yet. */
  | { to: 'size' }
  /** The plan is being worked: what is done next is the plan's to say; how many steps are told. */
  | { to: 'work'; told: number; left: number; words: string }
  /** Decided: the repairs that were chosen, in words. */
  | { to: 'repair'; words: string }
  | { to: 'look' }
  /** Nothing is complained of, and its kind enters the road further on. */
  | { to: 'enter'; stage: Stage }

/**
 * The nearest thing to do, what stops first.
 * @param stops stops that are open on this job, taken over or not.
 */
export function nextStep(state: JobState, stops: readonly OpenStop[]): NextStep {
  if (state.closed) return { to: 'closed' }
  const [stop] = blockingStops(stops)
  if (stop) return { to: 'mend', stop: stop.stop, words: stop.words }
  const left = leftOver(state)
  if (isProven(state)) return left.length > 0 ? putBack(left) : { to: 'handOver' }
  if (Object.keys(state.readings.after).length > 0) {
    const owed = readingsOwed(state).length
    const loose = looseCauses(state).length
    if (owed === 0 && left.length > 0) return putBack(left)
    return { to: 'prove', owed, ...(loose > 0 && { loose }) }
  }
  const { cycles, clearInRow } = state.bleed
  if (cycles.length > 0) return { to: 'bleed', cycles: cycles.length, clearInRow }
  const owed = chooseOwed(state)
  const [at] = owed.refused
  if (at) return { to: 'joint', at }
  const [of] = owed.wontFit
  if (of) return { to: 'fit', of }
  const [back] = owed.wrong
  if (back) return { to: 'sendBack', words: back.words }
  if (owed.waiting.length > 0) return waits(owed.waiting)
  if (owed.compare && state.complaints.length === 0) return { to: 'compare' }
  if (owed.plan && state.complaints.length === 0) return { to: 'size' }
  if (state.workPlan && state.stepsTold.length > 0)
    return {
      to: 'work',
      told: state.stepsTold.length,
      left: left.length,
      words: left[0]?.words ?? '',
    }
  if (state.decision) return { to: 'repair', words: repairWords(state.decision.payload.repairs) }
  const stage = state.goal ? startStage(state.goal.payload.jobKind) : 'find'
  return stage === 'find' || state.complaints.length > 0 ? { to: 'look' } : { to: 'enter', stage }
}

const putBack = (left: readonly Left[]): NextStep => ({
  to: 'putBack',
  left: left.length,
  words: left[0]!.words,
})

function waits(lines: readonly OrderedLine[]): NextStep {
  const promised = lines.map(({ arrives }) => arrives).filter((one) => one !== null)
  return {
    to: 'wait',
    lines: lines.length,
    words: lines[0]!.words,
    arrives: promised.length > 0 ? promised.reduce((a, b) => (a > b ? a : b)) : null,
  }
}

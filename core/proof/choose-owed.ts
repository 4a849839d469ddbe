import { OPENED_BY } from '../diagnosis'
import type { JointPlace } from '../installation'
import { waitingLines, wrongLines, type JobState, type OrderedLine } from '../journal'
import { fitVerdict, type Compared } from '../side-by-side'

export interface ChooseOwed {
  /** Checked, and they do not join. */
  refused: JointPlace[]
  /** Opened by what was decided, and not checked yet. */
  unchecked: JointPlace[]
  /** An upgrade without a plan. */
  plan: boolean
  /** New parts that were compared with the old ones and do not fit. */
  wontFit: Compared[]
  /** Parts were brought, and nothing was compared to its end. */
  compare: boolean
  /** Ordered and not all here. */
  waiting: OrderedLine[]
  /** Came wrong, and still to go back. */
  wrong: OrderedLine[]
}

/** What Choose still owes: joints and parts that do not fit or were not checked, parts that have not come, a plan. */
export function chooseOwed(state: JobState): ChooseOwed {
  const { decision, joints, circuitPlan, goal, bleed, comparisons } = state
  const refused = Object.values(joints).flatMap((held) =>
    held?.payload.verdict === 'refused' ? [held.payload.at] : [],
  )
  const wanted = new Set((decision?.payload.repairs ?? []).flatMap((id) => OPENED_BY[id] ?? []))
  // Once it is being bled, its joints are made.
  const unchecked = bleed.cycles.length > 0 ? [] : [...wanted].filter((at) => !joints[at])
  const planned = (circuitPlan?.payload.changes.length ?? 0) > 0
  const verdicts = Object.values(comparisons).map(({ of, rows }) => ({ of, is: fitVerdict(of, rows) }))
  const compared = verdicts.some(({ is }) => is !== 'notKnown')
  return {
    refused,
    unchecked,
    plan: goal?.payload.jobKind === 'upgrade' && !planned,
    wontFit: verdicts.filter(({ is }) => is === 'wontFit').map(({ of }) => of),
    compare: goal?.payload.jobKind === 'partsBrought' && !compared && bleed.cycles.length === 0,
    waiting: waitingLines(state),
    wrong: wrongLines(state),
  }
}

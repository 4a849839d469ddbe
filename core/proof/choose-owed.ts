import type { RepairId } from '../diagnosis'
import type { JointPlace } from '../installation'
import type { JobState } from '../journal'

/** Joints that a repair takes apart or makes anew; of lines, which ones is not known before somebody looks. */
const OPENED_BY: Partial<Record<RepairId, readonly JointPlace[]>> = {
  master: ['masterOutlet'],
  slave: ['slavePort'],
  concentric: ['slavePort'],
  hose: ['slavePort'],
  pipe: ['masterOutlet'],
}

export interface ChooseOwed {
  /** Checked, and they do not join. */
  refused: JointPlace[]
  /** Opened by what was decided, and not checked yet. */
  unchecked: JointPlace[]
  /** An upgrade without a plan. */
  plan: boolean
}

/** What Choose still owes: joints that do not join or were not checked, and a plan where one is the goal. */
export function chooseOwed({ decision, joints, circuitPlan, goal, bleed }: JobState): ChooseOwed {
  const refused = Object.values(joints).flatMap((held) =>
    held?.payload.verdict === 'refused' ? [held.payload.at] : [],
  )
  const wanted = new Set((decision?.payload.repairs ?? []).flatMap((id) => OPENED_BY[id] ?? []))
  // Once it is being bled, its joints are made.
  const unchecked = bleed.cycles.length > 0 ? [] : [...wanted].filter((at) => !joints[at])
  const planned = (circuitPlan?.payload.changes.length ?? 0) > 0
  return { refused, unchecked, plan: goal?.payload.jobKind === 'upgrade' && !planned }
}

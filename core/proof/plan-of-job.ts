import { InputError } from '../circuit'
import type { Installation } from '../installation'
import type { JobState, WorkPlan } from '../journal'
import { spoiledBy, type PlanAnswer, type Step } from '../plan'
import { onePiece, type Run } from '../run'
import { jobPlan, packagesFor, type ShopPlans } from './job-plan'
import { heldNow, leftOver } from './on-vehicle'

type Told = Pick<JobState, 'stepsTold' | 'surprises' | 'joints' | 'ordered'>

/** What the plan of a job is made from. */
export interface PlanOfJob {
  told: Told
  chosen: WorkPlan
  installation: Installation
  shop: ShopPlans
  draws: number
}
/** Why there is no plan is an answer too: what was chosen cannot be done together, or what is left has no order. */
export type PlanMade = { plan: PlanAnswer; wrong: null } | { plan: null; wrong: string }

/** What the plan of a job is asked; null where nothing is chosen yet. @param draws behind the range of time */
export function planAsked(
  { workPlan, stepsTold, surprises, joints, ordered }: JobState,
  installation: Installation | null,
  shop: ShopPlans,
  draws: number,
): PlanOfJob | null {
  const chosen = workPlan?.payload
  if (!chosen || !installation) return null
  return { told: { stepsTold, surprises, joints, ordered }, chosen, installation, shop, draws }
}

/** The plan as a run of one piece. */
export const planRun = ({ told, chosen, installation, shop, draws }: PlanOfJob): Run<PlanMade> =>
  onePiece(() => {
    try {
      return { plan: jobPlan(told, chosen, installation, shop, draws), wrong: null }
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      return { plan: null, wrong: error.message }
    }
  })

/**
 * A new plan in the order of the one before it, while the work goes along that: of two orders that are as good, the next step does not
 * change under the hand.
 */
export function inOrderOf(
  before: PlanAnswer | null,
  made: PlanAnswer,
  told: readonly { payload: { step: string } }[],
): PlanAnswer {
  const isFollowed =
    before?.steps.length === made.steps.length &&
    told.every(({ payload }, i) => before.steps[i]?.id === payload.step)
  if (!before || !isFollowed) return made
  const steps = before.steps.flatMap(({ id }) => made.steps.find((one) => one.id === id) ?? [])
  const isAsGood =
    before.objective.helperSpans <= made.objective.helperSpans &&
    before.objective.walkMinutes <= made.objective.walkMinutes
  return steps.length === made.steps.length && isAsGood ? { ...made, steps } : made
}

/** Why a step has to wait: what somebody put on beside the plan, or what was left on where its step was left out. */
export function stoppedBy(
  step: Step,
  state: Parameters<typeof leftOver>[0],
): { words: string; what: string; entry: string | null }[] {
  const ledger = leftOver(state)
  return spoiledBy(step, heldNow(state)).flatMap(({ state: name, words }) => {
    const one = ledger.find((left) => left.state === name)
    // What this very step takes off does not stop it.
    return step.takes.includes(name) || !one ? [] : [{ words, what: one.words, entry: one.entry }]
  })
}

/** Packages that the decision of a job comes to; where nothing was decided, none. */
export function packagesDecided({ decision }: JobState, installation: Installation | null): string[] {
  if (!decision) return []
  const concentric = installation?.circuit.slave.type === 'concentric'
  return packagesFor(decision.payload.repairs, decision.payload.way, concentric)
}

import { computed, shallowRef, watch } from 'vue'
import type { WorkPlan } from '~~/core/journal'
import type { PlanAnswer, Step } from '~~/core/plan'
import { inOrderOf, leftOver, packagesDecided, planAsked, stoppedBy } from '~~/core/proof'
import { useHeavy } from '~/asking/heavy'
import { injected } from '~/lib/injected'
import type { JobFigures, OpenJob } from './useJob'
import { usePlansStore } from '~/stores/plans'

/** Draws behind the range of time, in the worker. */
const DRAWS = 5000

/** The plan of the open job: what was chosen, its steps from where the work stands, and what is told of them. */
function openPlan({ state, file, problem }: OpenJob, { kept }: JobFigures) {
  const plans = usePlansStore()
  const chosen = computed(() => state.value.workPlan?.payload ?? null)
  /** When the page was opened: a delivery that is awaited is hours away, and the plan is not made anew for a minute. */
  const now = new Date().toISOString()
  const asked = useHeavy('plan', () =>
    planAsked(state.value, kept.value, { ...plans.shop, now }, DRAWS),
  )
  /** The last plan that was made stays in sight while the next one is worked out. */
  const plan = shallowRef<PlanAnswer | null>(null)
  watch(asked.answer, (made) => {
    if (made === null) plan.value = null
    else if (made.plan) plan.value = inOrderOf(plan.value, made.plan, state.value.stepsTold)
  })
  // Without the shop's own packages and times it is planned by the usual ones.
  watch(chosen, (now) => now && void plans.load().catch(() => {}), { immediate: true })

  const told = computed(() => new Map(state.value.stepsTold.map((held) => [held.payload.step, held])))
  const open = computed(() => plan.value?.steps.filter(({ id }) => !told.value.has(id)) ?? [])
  /** What the decision comes to; where nothing was decided, nothing. */
  const proposed = computed(() => packagesDecided(state.value, kept.value))
  const choose = (change: Partial<WorkPlan>) =>
    file('workPlan', {
      packages: proposed.value.map((id) => ({ id })),
      people: 1,
      seed: 1,
      ...chosen.value,
      ...change,
    })
  return {
    chosen,
    plan,
    wrong: computed(() => asked.answer.value?.wrong ?? ''),
    making: computed(() => asked.progress.value !== null),
    failed: asked.problem,
    told,
    next: computed(() => open.value[0] ?? null),
    left: computed(() => open.value.length),
    /** Both halves of the ledger. */
    ledger: computed(() => leftOver(state.value)),
    stopped: (step: Step) => stoppedBy(step, state.value),
    proposed,
    choose,
    file,
    problem,
  }
}
export type OpenPlan = ReturnType<typeof openPlan>
export const [providePlan, usePlan] = injected('plan', openPlan)

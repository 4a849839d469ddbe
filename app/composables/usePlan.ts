import { computed, inject, provide, shallowRef, watch, type InjectionKey } from 'vue'
import type { WorkPlan } from '~~/core/journal'
import { spoiledBy, type PlanAnswer, type Step } from '~~/core/plan'
import { heldNow, leftOver, packagesFor } from '~~/core/proof'
import type { JobFigures, OpenJob } from '~/composables/useJob'
import type { HeavyQuestion } from '~/workers/heavy'

/** Draws behind the range of time, in the worker. */
const DRAWS = 5000

/** The plan of the open job: what was chosen, its steps from where the work stands, and what is told of them. */
function openPlan({ state, file, problem }: OpenJob, { kept }: JobFigures) {
  const plans = usePlansStore()
  const heavy = useHeavy('plan')
  const chosen = computed(() => state.value.workPlan?.payload ?? null)
  /** When the page was opened: a delivery that is awaited is hours away, and the plan is not made anew for a minute. */
  const now = new Date().toISOString()
  /** The last plan that was made stays in sight while the next one is worked out. */
  const plan = shallowRef<PlanAnswer | null>(null)
  const wrong = shallowRef('')
  const asked = computed(() => {
    if (!chosen.value || !kept.value) return null
    const { stepsTold, surprises, joints, ordered } = state.value
    return JSON.stringify({
      told: { stepsTold, surprises, joints, ordered },
      chosen: chosen.value,
      installation: kept.value,
      shop: { ...plans.shop, now },
      draws: DRAWS,
    })
  })
  watch(
    asked,
    (question) => {
      if (question === null) {
        heavy.stop()
        plan.value = null
        wrong.value = ''
      } else void heavy.start(JSON.parse(question) as HeavyQuestion<'plan'>)
    },
    { immediate: true },
  )
  watch(heavy.result, (made) => {
    if (!made || asked.value === null) return
    if (made.plan) plan.value = inOrderOf(plan.value, made.plan, state.value.stepsTold)
    wrong.value = made.wrong ?? ''
  })
  // Without the shop's own packages and times it is planned by the usual ones.
  watch(chosen, (now) => now && void plans.load().catch(() => {}), { immediate: true })

  const told = computed(() => new Map(state.value.stepsTold.map((held) => [held.payload.step, held])))
  const next = computed(() => plan.value?.steps.find(({ id }) => !told.value.has(id)) ?? null)
  const left = computed(() => plan.value?.steps.filter(({ id }) => !told.value.has(id)).length ?? 0)
  /** Both halves of the ledger. */
  const ledger = computed(() => leftOver(state.value))
  /** Why a step has to wait: what somebody put on beside the plan, or what was left on where its step was left out. */
  const stopped = (step: Step): { words: string; what: string; entry: string | null }[] =>
    spoiledBy(step, heldNow(state.value)).flatMap(({ state: name, words }) => {
      const one = ledger.value.find((left) => left.state === name)
      // What this very step takes off does not stop it.
      return step.takes.includes(name) || !one ? [] : [{ words, what: one.words, entry: one.entry }]
    })
  /** What the decision comes to; where nothing was decided, nothing. */
  const proposed = computed(() => {
    const decision = state.value.decision?.payload
    const concentric = kept.value?.circuit.slave.type === 'concentric'
    return decision ? packagesFor(decision.repairs, decision.way, concentric) : []
  })
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
    wrong,
    making: computed(() => heavy.progress.value !== null),
    failed: heavy.problem,
    told,
    next,
    left,
    ledger,
    stopped,
    proposed,
    choose,
    file,
    problem,
  }
}
/**
 * A new plan in the order of the one before it, while the work goes along that: of two orders that are as good, the next step does not
 * change under the hand.
 */
function inOrderOf(
  before: PlanAnswer | null,
  made: PlanAnswer,
  told: readonly { payload: { step: string } }[],
): PlanAnswer {
  const followed =
    before?.steps.length === made.steps.length &&
    told.every(({ payload }, i) => before.steps[i]?.id === payload.step)
  if (!before || !followed) return made
  const steps = before.steps.map(({ id }) => made.steps.find((one) => one.id === id))
  const all = steps.filter((one) => one !== undefined)
  const same = (a: PlanAnswer['objective'], b: PlanAnswer['objective']) =>
    a.helperSpans === b.helperSpans && a.walkMinutes <= b.walkMinutes
  return all.length === made.steps.length && same(before.objective, made.objective)
    ? { ...made, steps: all }
    : made
}
export type OpenPlan = ReturnType<typeof openPlan>
const KEY: InjectionKey<OpenPlan> = Symbol('plan')
export function providePlan(open: OpenJob, figures: JobFigures): OpenPlan {
  const plan = openPlan(open, figures)
  provide(KEY, plan)
  return plan
}
export function usePlan(): OpenPlan {
  const open = inject(KEY)
  if (!open) throw new Error('no plan is open here')
  return open
}

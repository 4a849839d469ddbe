import { computed, inject, provide, type InjectionKey } from 'vue'
import { InputError } from '~~/core/circuit'
import type { WorkPlan } from '~~/core/journal'
import { jobPlan, packagesFor } from '~~/core/proof'
import type { PlanAnswer } from '~~/core/plan'

/** The plan of the open job: what was chosen, its steps from where the work stands, and what is told of them. */
function openPlan() {
  const { state, file, problem } = useJob()
  const { kept } = useJobFigures()
  const chosen = computed(() => state.value.workPlan?.payload ?? null)
  const made = computed((): { plan: PlanAnswer | null; wrong: string } => {
    if (!chosen.value || !kept.value) return { plan: null, wrong: '' }
    try {
      return { plan: jobPlan(state.value, chosen.value, kept.value), wrong: '' }
    } catch (error) {
      if (error instanceof InputError) return { plan: null, wrong: error.message }
      throw error
    }
  })
  const plan = computed(() => made.value.plan)
  const told = computed(() => new Map(state.value.stepsTold.map((held) => [held.payload.step, held])))
  const next = computed(() => plan.value?.steps.find(({ id }) => !told.value.has(id)) ?? null)
  const left = computed(() => plan.value?.steps.filter(({ id }) => !told.value.has(id)).length ?? 0)
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
    wrong: computed(() => made.value.wrong),
    told,
    next,
    left,
    proposed,
    choose,
    file,
    problem,
  }
}
export type OpenPlan = ReturnType<typeof openPlan>
const KEY: InjectionKey<OpenPlan> = Symbol('plan')
export function providePlan(): OpenPlan {
  const open = openPlan()
  provide(KEY, open)
  return open
}
export function usePlan(): OpenPlan {
  const open = inject(KEY)
  if (!open) throw new Error('no plan is open here')
  return open
}

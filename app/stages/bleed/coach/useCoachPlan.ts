import { computed, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import { DRAWS } from '~~/core/bleed'
import { coachPlan, type CoachPlan, type PlannedStep, type Refused } from '~~/core/coach'

/** The plan of a run, with what each cycle draws: by the model that ranks the methods, worked out beside the page. */
export function useCoachPlan(
  steps: Readonly<Ref<readonly PlannedStep[]>>,
  refused: ComputedRef<readonly Refused[]>,
): { plan: ComputedRef<CoachPlan | null>; isAsked: ComputedRef<boolean> } {
  const { installation } = useJobFigures()
  const { dry, setup, drawsFrom } = useBleeding()
  const worker = useHeavy('coachPlan')
  const asked = computed(() =>
    installation.value && steps.value.length > 0 && refused.value.length === 0
      ? {
          steps: steps.value,
          installation: installation.value,
          people: setup.value.people,
          dry: dry.value,
        }
      : null,
  )
  const question = computed(() =>
    asked.value && drawsFrom.value
      ? JSON.stringify({ ...asked.value, known: { ...drawsFrom.value, draws: DRAWS } })
      : null,
  )
  const answered = shallowRef<{ question: string; plan: CoachPlan } | null>(null)
  watch(
    question,
    async (now) => {
      if (now === null) return worker.stop()
      await worker.start(JSON.parse(now) as Parameters<typeof worker.start>[0])
      const plan = worker.result.value
      if (plan && worker.progress.value === null && question.value === now)
        answered.value = { question: now, plan }
    },
    { immediate: true },
  )
  /** Null while it is worked out, or where it is refused; where no model knows it is held early, and says so. */
  const plan = computed((): CoachPlan | null => {
    if (!asked.value) return null
    if (question.value !== null && !worker.problem.value)
      return answered.value?.question === question.value ? answered.value.plan : null
    return coachPlan(
      asked.value,
      null,
      drawsFrom.value ? 'It could not be worked out.' : 'The line cannot lie as it is drawn.',
    )
  })
  return { plan, isAsked: computed(() => asked.value !== null) }
}

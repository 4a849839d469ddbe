import { computed, type ComputedRef, type Ref } from 'vue'
import { DRAWS } from '~~/core/bleed'
import { coachPlan, type CoachPlan, type PlannedStep, type Refused } from '~~/core/coach'
import { useHeavy } from '~/asking/heavy'
import { useJobFigures } from '~/job/useJob'
import { useBleeding } from '~/job/useBleeding'

/** The plan of a run, with what each cycle draws: by the model that ranks the methods, worked out beside the page. */
export function useCoachPlan(
  steps: Readonly<Ref<readonly PlannedStep[]>>,
  refused: ComputedRef<readonly Refused[]>,
): { plan: ComputedRef<CoachPlan | null>; isAsked: ComputedRef<boolean> } {
  const { installation } = useJobFigures()
  const { dry, setup, drawsFrom } = useBleeding()
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
  const worked = useHeavy('coachPlan', () =>
    asked.value && drawsFrom.value
      ? { ...asked.value, known: { ...drawsFrom.value, draws: DRAWS } }
      : null,
  )
  /** Null while it is worked out, or where it is refused; where no model knows it is held early, and says so. */
  const plan = computed((): CoachPlan | null => {
    if (!asked.value) return null
    if (drawsFrom.value && !worked.problem.value)
      return worked.isFresh.value && worked.progress.value === null ? worked.answer.value : null
    return coachPlan(
      asked.value,
      null,
      drawsFrom.value ? 'It could not be worked out.' : 'The line cannot lie as it is drawn.',
    )
  })
  return { plan, isAsked: computed(() => asked.value !== null) }
}

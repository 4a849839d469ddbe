import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { TABLE_STEPS, widest, type DrawsAsked, type DrawTable } from '~~/core/bleed'
import type { Method } from '~~/core/journal'

/** Circuits by which the log says what was drawn. */
const DRAWS_IN_LOG = 24

/**
 * What a cycle of each method that is used here draws, worked out beside the page: for the log, and for what is filed beside the coach.
 * @param used methods of the log's cycles
 * @param from the circuit that is asked; null where none is known
 */
export function useDrawTable(
  used: Readonly<Ref<readonly Method[]>>,
  from: Readonly<Ref<Omit<DrawsAsked, 'steps' | 'draws'> | null>>,
) {
  const draws = useHeavy('draws', 'beside')
  /** The method that stands on the screen. */
  const shown = ref<Method | null>(null)
  const rows = computed(() =>
    TABLE_STEPS.filter(({ method }) => method === shown.value || used.value.includes(method)),
  )
  const question = computed(() =>
    from.value && rows.value.length > 0
      ? JSON.stringify({
          methods: rows.value.map(({ method }) => method),
          asked: { ...from.value, steps: rows.value.map(({ step }) => step), draws: DRAWS_IN_LOG },
        })
      : null,
  )
  const drawTable = shallowRef<DrawTable>({})
  watch(
    question,
    async (now) => {
      if (now === null) return
      const { methods, asked } = JSON.parse(now) as { methods: Method[]; asked: DrawsAsked }
      await draws.start(asked)
      const found = draws.result.value
      if (!found || question.value !== now) return
      drawTable.value = Object.fromEntries(methods.map((method, i) => [method, widest(found[i]!)]))
    },
    { immediate: true },
  )
  return { shown, drawTable }
}

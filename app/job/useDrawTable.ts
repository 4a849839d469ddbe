import { computed, ref, type Ref } from 'vue'
import { TABLE_STEPS, widest, type DrawsAsked, type DrawTable } from '~~/core/bleed'
import type { Method } from '~~/core/journal'
import { heavyAsker } from '~/asking/heavy'
import { useAsked } from '~/asking/useAsked'

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
  /** The method that stands on the screen. */
  const shown = ref<Method | null>(null)
  const rows = computed(() =>
    TABLE_STEPS.filter(({ method }) => method === shown.value || used.value.includes(method)),
  )
  const draws = useAsked(
    () =>
      from.value && rows.value.length > 0
        ? {
            methods: rows.value.map(({ method }) => method),
            asked: {
              ...from.value,
              steps: rows.value.map(({ step }) => step),
              draws: DRAWS_IN_LOG,
            },
          }
        : null,
    heavyAsker('draws', 'beside'),
    { keeps: true, write: ({ asked }) => JSON.stringify(asked) },
  )
  const drawTable = computed((): DrawTable => {
    const { question, answer } = draws.answered.value ?? {}
    return Object.fromEntries(
      question?.methods.flatMap((method, i) => {
        const found = answer?.[i]
        return found ? [[method, widest(found)]] : []
      }) ?? [],
    )
  })
  return { shown, drawTable }
}

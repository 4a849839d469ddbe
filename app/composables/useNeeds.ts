import { computed, shallowRef, watch } from 'vue'
import type { NeedAnswered, OrderLine, Order } from '~~/contract'
import { unknownEnds, type Need } from '~~/core/orders'
import { needsAhead, repairsAhead } from '~~/core/proof'

/** A line of this job, with the order in which it stands. */
export interface JobLine {
  order: Order
  line: OrderLine
}

/** What the open job takes, which part of the shelf answers it, and what of it is in the basket or ordered already. */
export function useNeeds() {
  const { id, state } = useJob()
  const { kept } = useJobFigures()
  const orders = useOrdersStore()
  const needs = computed((): Need[] => (kept.value ? needsAhead(state.value, kept.value) : []))
  const answers = shallowRef<ReadonlyMap<string, NeedAnswered['found']>>(new Map())
  const problem = shallowRef('')
  const asking = shallowRef(false)
  let run = 0
  async function ask(): Promise<void> {
    const mine = ++run
    if (needs.value.length === 0) {
      answers.value = new Map()
      return
    }
    asking.value = true
    try {
      const found = await api<NeedAnswered[]>('/parts/for', {
        needs: needs.value.map((need) => ({
          id: need.id,
          kind: need.kind,
          quantity: need.quantity,
          spec: need.spec,
        })),
      })
      if (mine !== run) return
      answers.value = new Map(found.map((one) => [one.id, one.found]))
      problem.value = ''
    } catch (failure) {
      if (mine === run) problem.value = failure instanceof Error ? failure.message : String(failure)
    } finally {
      if (mine === run) asking.value = false
    }
  }
  watch(() => JSON.stringify(needs.value), ask, { immediate: true })
  const lines = computed((): JobLine[] =>
    (orders.orders ?? []).flatMap((order) =>
      order.lines.filter(({ jobId }) => jobId === id).map((line) => ({ order, line })),
    ),
  )
  const lineOf = (need: string) => lines.value.find(({ line }) => line.need === need) ?? null
  /** Joints that are opened and of which an end is not read off. */
  const unknown = computed(() =>
    kept.value ? unknownEnds(repairsAhead(state.value, kept.value), kept.value) : [],
  )
  return { needs, answers, asking, problem, ask, lines, lineOf, unknown }
}

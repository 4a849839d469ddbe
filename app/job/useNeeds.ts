import { computed } from 'vue'
import type { NeedAnswered, OrderLine, Order } from '~~/contract'
import { unknownEnds, type Need } from '~~/core/orders'
import { needsAhead, repairsAhead } from '~~/core/proof'
import { askShelf } from '~/asking/shelf'
import { useAsked } from '~/asking/useAsked'
import { useJob, useJobFigures } from './useJob'
import { useOrdersStore } from '~/stores/orders'

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
  const asked = useAsked(
    () =>
      needs.value.length > 0
        ? needs.value.map(({ id, kind, quantity, spec }) => ({ id, kind, quantity, spec }))
        : null,
    askShelf(),
  )
  const answers = computed(
    (): ReadonlyMap<string, NeedAnswered['found']> =>
      new Map(asked.answer.value?.map((one) => [one.id, one.found])),
  )
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
  return {
    needs,
    answers,
    asking: computed(() => asked.progress.value !== null),
    problem: asked.problem,
    ask: asked.ask,
    lines,
    lineOf,
    unknown,
  }
}

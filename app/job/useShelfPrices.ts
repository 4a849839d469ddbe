import { computed } from 'vue'
import type { NeedAnswered } from '~~/contract'
import type { Installation } from '~~/core/installation'
import { needsPriced, pricesOf } from '~~/core/orders'
import { askShelf } from '~/asking/shelf'
import { useAsked } from '~/asking/useAsked'
import { useOrdersStore } from '~/stores/orders'

/**
 * What parts cost for one job once it has a basket: the money of its lines, and for what is not in it the best that lies on the
 * shelf. Null while it has none: then the usual prices serve.
 */
export function useShelfPrices(jobId: string, installation: () => Installation | null) {
  const orders = useOrdersStore()
  const lines = computed(() =>
    (orders.orders ?? []).flatMap((order) => order.lines).filter((line) => line.jobId === jobId),
  )
  const found = useAsked(() => {
    const of = installation()
    return of && lines.value.length > 0 ? needsPriced(of) : null
  }, askShelf())
  // Away: the basket's own money is known, the rest is reckoned as usual.
  const shelf = computed((): NeedAnswered[] => (found.problem.value ? [] : (found.answer.value ?? [])))
  return computed(() => pricesOf(lines.value, shelf.value))
}

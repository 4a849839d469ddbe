import { computed, shallowRef, watch } from 'vue'
import type { NeedAnswered } from '~~/contract'
import type { ShopCosts } from '~~/core/diagnosis'
import type { Installation } from '~~/core/installation'
import { needsOf } from '~~/core/orders'
import type { OperationPrices } from '~~/core/work'

type Prices = Required<Pick<ShopCosts, 'prices' | 'kits'>>

/**
 * What parts cost for one job once it has a basket: the money of its lines, and for what is not in it the best that lies on the
 * shelf. Null while it has none: then the usual prices serve.
 */
export function useShelfPrices(jobId: string, installation: () => Installation | null) {
  const orders = useOrdersStore()
  const found = shallowRef<NeedAnswered[]>([])
  const lines = computed(() =>
    (orders.orders ?? []).flatMap((order) => order.lines).filter((line) => line.jobId === jobId),
  )
  /** Whatever could be weighed: each cylinder, its kit, and the hose. */
  const asked = computed(() => {
    const of = installation()
    if (!of || lines.value.length === 0) return []
    const slave = of.circuit.slave.type === 'concentric' ? 'concentric' : 'slave'
    const all = (way: 'replace' | 'rebuild') =>
      needsOf({
        installation: of,
        repairs: ['master', slave, 'hose'],
        way,
        casualties: [],
        fluid: null,
      }).filter(({ operation }) => operation !== undefined)
    const both = [...all('replace'), ...all('rebuild').filter(({ rebuild }) => rebuild)]
    return both.map(({ id, kind, quantity, spec }) => ({ id, kind, quantity, spec }))
  })
  watch(
    () => JSON.stringify(asked.value),
    async () => {
      if (asked.value.length === 0) return void (found.value = [])
      try {
        found.value = await api<NeedAnswered[]>('/parts/for', { needs: asked.value })
      } catch {
        // Away: the basket's own money is known, the rest is reckoned as usual.
        found.value = []
      }
    },
    { immediate: true },
  )
  const priceOf = (need: string): number | undefined => {
    const own = lines.value.filter((line) => line.need === need)
    if (own.length > 0)
      return own.reduce(
        (sum, { quantity, price, confirmedPrice }) => sum + quantity * (confirmedPrice ?? price),
        0,
      )
    const best = found.value
      .find(({ id }) => id === need)
      ?.found.find(({ unsure }) => unsure.length === 0)
    return best && best.part.price * best.pieces
  }
  return computed((): Prices | null => {
    if (lines.value.length === 0) return null
    const prices: { -readonly [K in keyof OperationPrices]: OperationPrices[K] } = {}
    for (const id of ['master', 'slave', 'concentric', 'hose'] as const) {
      const price = priceOf(id)
      if (price !== undefined) prices[id] = price
    }
    const kits: Prices['kits'] = {}
    for (const id of ['master', 'slave'] as const) {
      const price = priceOf(`${id}.kit`)
      if (price !== undefined) kits[id] = price
    }
    return { prices, kits }
  })
}

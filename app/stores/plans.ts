import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { StepTimesTold } from '~~/contract'
import type { Package } from '~~/core/plan'
import type { ShopPlans } from '~~/core/proof'
import { api } from '~/sync/api'

/** Packages of work of this shop's own, and what its jobs took for each step. */
export const usePlansStore = defineStore('plans', () => {
  const packages = shallowRef<readonly Package[]>([])
  const times = shallowRef<StepTimesTold>({})
  const loaded = shallowRef(false)
  let asked: Promise<void> | null = null

  async function fetchAll(): Promise<void> {
    const [own, taken] = await Promise.all([
      api<Package[]>('/shop/packages'),
      api<StepTimesTold>('/shop/step-times'),
    ])
    packages.value = own
    times.value = taken
    loaded.value = true
  }
  /** Asked once by all who want it; again where it failed, or was asked for anew. */
  function load(again = false): Promise<void> {
    if (again || !asked)
      asked = fetchAll().catch((error: unknown) => {
        asked = null
        throw error
      })
    return asked
  }
  async function keep(pack: unknown, id: string): Promise<Package> {
    const kept = await api<Package>(`/shop/packages/${id}`, pack, 'PUT')
    await load(true)
    return kept
  }
  async function drop(id: string): Promise<void> {
    await api(`/shop/packages/${id}`, undefined, 'DELETE')
    await load(true)
  }
  const shop = computed((): ShopPlans => ({ packages: packages.value, times: times.value }))
  return { packages, times, loaded, shop, load, keep, drop }
})

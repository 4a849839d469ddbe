import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { Shop, ShopSettingsBody } from '~~/contract'
import { api } from '~/sync/api'

/** What this shop charges and prefers, and what it has found in its closed jobs. */
export const useShopStore = defineStore('shop', () => {
  const shop = ref<Shop | null>(null)
  const settings = computed(() => shop.value?.settings ?? null)
  const record = computed(() => shop.value?.record ?? {})

  async function load(): Promise<void> {
    shop.value = await api<Shop>('/shop')
  }
  async function set(next: ShopSettingsBody): Promise<void> {
    shop.value = await api<Shop>('/shop', next, 'PUT')
  }
  return { shop, settings, record, load, set }
})

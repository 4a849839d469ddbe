<script setup lang="ts">
import { useRoute } from '#imports'
import { usePersonStore } from '~/stores/person'
import { useOrdersStore } from '~/stores/orders'
import { onMounted, computed } from 'vue'
import AppHeader from '~/components/frame/AppHeader.vue'
import TroubleBar from '~/components/frame/TroubleBar.vue'
import SheetTabs from '~/components/frame/SheetTabs.vue'
import PartsTable from '~/components/shelf/PartsTable.vue'
import BasketView from '~/components/shelf/BasketView.vue'
import OrdersView from '~/components/shelf/OrdersView.vue'
import ListImport from '~/components/shelf/ListImport.vue'
/** The shelf of the whole shop: parts, the basket, what is on order, and lists that are read in. */
const SHEETS = [
  { id: 'parts', name: 'Parts' },
  { id: 'basket', name: 'Basket' },
  { id: 'orders', name: 'Orders' },
  { id: 'import', name: 'Read a list in' },
] as const
const route = useRoute()
const person = usePersonStore()
const orders = useOrdersStore()
onMounted(() => person.people.length === 0 && void person.load().catch(() => {}))
onMounted(() => void orders.load().catch(() => {}))
const sheet = computed(() => SHEETS.find(({ id }) => id === route.params.sheet)?.id ?? 'parts')
const tabs = computed(() => {
  const lines = orders.basket.reduce((sum, order) => sum + order.lines.length, 0)
  const open = orders.placed.filter(
    ({ state }) => state !== 'delivered' && state !== 'cancelled',
  ).length
  const notes: Partial<Record<string, string>> = {
    basket: lines ? `${lines} ${lines === 1 ? 'line' : 'lines'}` : '',
    orders: open ? `${open} open` : '',
  }
  return SHEETS.map((one) => ({
    ...one,
    to: one.id === 'parts' ? '/shelf' : `/shelf/${one.id}`,
    note: notes[one.id] ?? '',
  }))
})
</script>

<template>
  <div class="flex min-h-screen flex-col xl:h-screen">
    <AppHeader title="The shelf" />
    <TroubleBar />
    <SheetTabs :tabs="tabs" :open="sheet" label="Sheets of the shelf" />
    <main
      class="flex min-h-0 grow flex-col px-6"
      :class="sheet === 'parts' ? 'h-[80vh] xl:h-auto' : 'xl:overflow-y-auto'"
      tabindex="-1"
    >
      <PartsTable v-if="sheet === 'parts'" />
      <div v-else class="w-full max-w-5xl">
        <BasketView v-if="sheet === 'basket'" />
        <OrdersView v-else-if="sheet === 'orders'" />
        <ListImport v-else />
      </div>
    </main>
  </div>
</template>

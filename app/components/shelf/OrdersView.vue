<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { openOf } from '~~/core/orders'
import { plainForSheets } from '~~/core/shelf'
import { useOrdersStore } from '~/stores/orders'
import { ref, watch, onBeforeUnmount } from 'vue'
import { useLoaded } from '~/asking/useLoaded'
import SupplierBar from '~/components/shelf/SupplierBar.vue'
import OnOff from '~/components/frame/OnOff.vue'
import OrderCard from '~/components/shelf/OrderCard.vue'

/** What is ordered and still to come, and what has come lately: received line by line, printed, saved, in the calendar. */
const orders = useOrdersStore()
const all = ref(false)
const { error, load } = useLoaded(() => orders.load(all.value))
watch(all, load)
onBeforeUnmount(() => void (all.value && orders.load(false).catch(() => {})))
// While something waits to be taken, how far it is shows by itself.
useIntervalFn(() => orders.sending && void orders.load().catch(() => {}), 2000)
const print = () => window.print()
async function saveCsv() {
  const { default: Papa } = await import('papaparse')
  const rows = orders.placed.flatMap(({ supplier, state, arrives, lines }) =>
    lines.map((line) => [
      supplier,
      state,
      arrives ?? '',
      line.number ?? '',
      line.words,
      line.vehicleName ?? '',
      String(line.quantity),
      String(line.received),
      String(openOf(line.quantity, line.counts)),
      (line.confirmedPrice ?? line.price).toFixed(2),
    ]),
  )
  const header = [
    'supplier',
    'state',
    'arrives',
    'number',
    'words',
    'for',
    'quantity',
    'received',
    'to_come',
    'price',
  ]
  const text = Papa.unparse([header, ...rows.map((row) => row.map(plainForSheets))], {
    newline: '\r\n',
  })
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }))
  link.download = 'orders.csv'
  link.click()
  URL.revokeObjectURL(link.href)
}
</script>

<template>
  <div class="py-2" data-orders>
    <p v-if="error" role="alert" class="font-semibold text-rust">
      {{ error }} <button type="button" class="tap underline" @click="load">Try again</button>
    </p>
    <SupplierBar />
    <div class="no-print flex flex-wrap items-center gap-3 py-1">
      <OnOff :on="all" @click="all = !all">Also what is done</OnOff>
      <button type="button" class="tap underline" @click="print">Print as a pick list</button>
      <button type="button" class="tap underline" @click="saveCsv">Save as CSV</button>
      <a class="tap underline" href="/api/orders/calendar" download="deliveries.ics"
        >Deliveries for the calendar</a
      >
    </div>
    <p v-if="orders.orders && orders.placed.length === 0" role="status" class="py-2">
      Nothing is on order.
      <NuxtLink to="/shelf/basket" class="underline">The basket</NuxtLink> holds what is not placed yet.
    </p>
    <OrderCard v-for="order in orders.placed" :key="order.id" :order="order" />
  </div>
</template>

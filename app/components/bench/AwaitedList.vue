<script setup lang="ts">
import type { AwaitedDelivery } from '~~/contract'

/** What comes with which delivery, and which jobs wait for it. */
const { value, load } = useLoaded(() => api<AwaitedDelivery[]>('/orders/awaited'))
onMounted(load)
const list = computed(() => value.value ?? [])
const late = ({ arrives }: AwaitedDelivery) => arrives !== null && Date.parse(arrives) < Date.now()
</script>

<template>
  <section v-if="list.length" aria-labelledby="awaited" class="mt-6" data-awaited>
    <h2 id="awaited" class="text-[1.1rem]">Deliveries</h2>
    <ul class="border-t border-hairline">
      <li
        v-for="one in list"
        :key="one.arrives ?? ''"
        class="grid grid-cols-1 gap-x-6 border-b border-hairline py-2 md:grid-cols-[13rem_minmax(0,1fr)_auto] md:px-3"
      >
        <span>
          <strong :class="late(one) ? 'text-rust' : ''">{{
            one.arrives === null ? 'No day promised' : deliveryWords(one.arrives)
          }}</strong>
          <span class="block text-soft">{{
            late(one) ? 'should be here' : one.suppliers.join(', ')
          }}</span>
        </span>
        <span>
          <span v-for="job in one.jobs" :key="job.id" class="block">
            <NuxtLink :to="`/jobs/${job.id}/choose/order`" class="underline">{{
              job.vehicleName
            }}</NuxtLink><span class="text-soft">: {{ job.words.join(', ') }}</span>
          </span>
          <span v-if="one.jobs.length === 0" class="text-soft">for the shop</span>
        </span>
        <NuxtLink to="/shelf/orders" class="tap underline"
          >{{ one.pieces }} {{ one.pieces === 1 ? 'piece' : 'pieces' }}</NuxtLink
        >
      </li>
    </ul>
  </section>
</template>

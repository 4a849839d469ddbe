<script setup lang="ts">
import type { AwaitedDelivery } from '~~/contract'
import { useLoaded } from '~/asking/useLoaded'
import { api } from '~/sync/api'
import { computed } from 'vue'
import { deliveryWords } from '~/lib/delivery-words'

/** What comes with which delivery, and which jobs wait for it. */
const { value } = useLoaded(() => api<AwaitedDelivery[]>('/orders/awaited'))
const list = computed(() => value.value ?? [])
const late = ({ arrives }: AwaitedDelivery) => arrives !== null && Date.parse(arrives) < Date.now()
</script>

<template>
  <section v-if="list.length" aria-label="Deliveries" class="mt-3" data-awaited>
    <ul>
      <li
        v-for="one in list"
        :key="one.arrives ?? ''"
        class="flex min-h-11 flex-wrap items-center gap-x-4 border-l-4 border-fluid pl-3"
      >
        <span>
          <strong :class="late(one) ? 'text-rust' : ''">{{
            one.arrives === null
              ? 'On order, no day promised'
              : `Delivery ${deliveryWords(one.arrives)}`
          }}</strong>
          <span class="text-soft"
            >{{ late(one) ? ', should be here' : '' }}, {{ one.suppliers.join(' and ') }}</span
          >
        </span>
        <span class="min-w-0 grow">
          <template v-for="(job, i) in one.jobs" :key="job.id"
            ><template v-if="i > 0">; </template
            ><NuxtLink :to="`/jobs/${job.id}/choose/order`" class="tap px-0 underline">{{
              job.vehicleName
            }}</NuxtLink
            ><span class="text-soft">: {{ job.words.join(', ') }}</span></template
          >
          <span v-if="one.jobs.length === 0" class="text-soft">for the shop</span>
        </span>
        <NuxtLink to="/shelf/orders" class="tap underline"
          >{{ one.pieces }} {{ one.pieces === 1 ? 'piece' : 'pieces' }}</NuxtLink
        >
      </li>
    </ul>
  </section>
</template>

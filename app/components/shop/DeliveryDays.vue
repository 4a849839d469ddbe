<script setup lang="ts">
import type { DeliveryDay } from '~~/core/orders'
import { reactive, computed } from 'vue'
import { WEEKDAYS } from '~/lib/delivery-words'

/** When parts come to this shop: ordered by then, here then. A ferry, a van, a bus. */
const days = defineModel<DeliveryDay[]>({ required: true })
const draft = reactive<DeliveryDay>({ weekday: 1, cutoff: '12:00', arrivesDay: 2, arrives: '09:30' })
const add = () => (days.value = [...days.value, { ...draft }])
const remove = (i: number) => (days.value = days.value.filter((_, at) => at !== i))
const complete = computed(() => /^\d\d:\d\d$/.test(draft.cutoff) && /^\d\d:\d\d$/.test(draft.arrives))
</script>

<template>
  <section aria-labelledby="delivery" class="flex flex-col gap-1" data-delivery-days>
    <h2 id="delivery" class="text-[1.1rem]">When parts come</h2>
    <p v-if="days.length === 0" class="text-soft">Not said: orders are promised for no day.</p>
    <ul>
      <li
        v-for="(day, i) in days"
        :key="i"
        class="flex min-h-11 items-center gap-3 border-b border-hairline"
      >
        <span class="grow"
          >Ordered by {{ WEEKDAYS[day.weekday] }} {{ day.cutoff }}, here {{ WEEKDAYS[day.arrivesDay] }}
          {{ day.arrives }}</span
        >
        <button
          type="button"
          class="tap underline"
          :aria-label="`Take out ${WEEKDAYS[day.weekday]}`"
          @click="remove(i)"
        >
          take out
        </button>
      </li>
    </ul>
    <form class="flex flex-wrap items-end gap-2" @submit.prevent="add">
      <label
        >Ordered by
        <select v-model.number="draft.weekday" class="field w-auto">
          <option v-for="(name, i) in WEEKDAYS" :key="name" :value="i">{{ name }}</option>
        </select></label
      >
      <input v-model="draft.cutoff" type="time" class="field w-auto" aria-label="Ordered by, time" />
      <label
        >here
        <select v-model.number="draft.arrivesDay" class="field w-auto">
          <option v-for="(name, i) in WEEKDAYS" :key="name" :value="i">{{ name }}</option>
        </select></label
      >
      <input v-model="draft.arrives" type="time" class="field w-auto" aria-label="Here, time" />
      <button class="quiet" :disabled="!complete">Add</button>
    </form>
    <p class="text-[0.95rem] text-soft">By the clock of the machine that serves this.</p>
  </section>
</template>

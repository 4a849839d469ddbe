<script setup lang="ts">
import { useBleeding } from '~/job/useBleeding'
import { computed } from 'vue'
import { withUnits } from '~/units/units'
/** What is thought to be left, and where, by everything that was logged: a reckoning, no measurement. */
const { now, target } = useBleeding()
const PLACES = ['line', 'slave', 'master'] as const
/** The bar spans what may be left at the most. */
const most = computed(() =>
  now.value ? Math.max(target.value.value * 2, now.value.total.high) || 1 : 1,
)
const at = (ml: number) => `${Math.min(100, (100 * ml) / most.value)}%`
</script>

<template>
  <section v-if="now" class="mb-3" aria-label="Air left, reckoned" data-air-left>
    <h2 class="flex flex-wrap items-baseline gap-x-2">
      <span class="place-name grow">Air left, reckoned</span>
      <strong data-figure="left">{{ withUnits(1000 * now.total.middle, 'mm³') }}</strong>
      <span class="text-soft"
        >{{ withUnits(1000 * now.total.low, 'mm³') }} to
        {{ withUnits(1000 * now.total.high, 'mm³') }}</span
      >
    </h2>
    <div
      v-for="place in PLACES"
      :key="place"
      class="grid grid-cols-[4rem_minmax(0,1fr)_5.5rem] items-center gap-2"
    >
      <span>{{ place }}</span>
      <span class="relative h-3 border border-edge" aria-hidden="true">
        <span
          class="absolute inset-y-0 bg-hairline"
          :style="{ left: at(now[place].low), right: `calc(100% - ${at(now[place].high)})` }"
        /><span class="absolute inset-y-0 w-1 bg-ink" :style="{ left: at(now[place].middle) }" />
        <span class="absolute -inset-y-1 w-px bg-rust" :style="{ left: at(target.value) }" />
      </span>
      <span class="text-right text-[0.95rem]">{{ withUnits(1000 * now[place].middle, 'mm³') }}</span>
    </div>
    <p class="text-[0.95rem] text-soft">
      From what was logged, over 256 circuits that this may be. Red: what may stay,
      {{ withUnits(1000 * target.value, 'mm³') }}. It rests on how well crest and cup let air go.
    </p>
  </section>
</template>

<script setup lang="ts">
import { FLUIDS } from '~~/core/fluid'
import { fillingOf, type RankedEntry, RUNS } from '~~/core/bleed'
import { useFluid } from '~/job/useFluid'
import { computed } from 'vue'
import { formatNow, withUnits } from '~/units/units'

/** Filling a dry circuit is a phase of its own: with what, how much, when to stop, and what looks wrong and is not. */
const props = defineProps<{ entry: RankedEntry }>()
const { inside } = useFluid()
const fluid = computed(() =>
  inside.value.kind === 'unknown' ? 'fluid' : FLUIDS[inside.value.kind].name,
)
const filling = computed(() => fillingOf(props.entry, formatNow()))
</script>

<template>
  <section class="mb-4" aria-label="Fill it first" data-filling>
    <h2 class="place-name">Fill it first</h2>
    <p class="text-[1.05rem]">
      {{ RUNS[filling.method].words }}, about {{ withUnits(filling.fluid.high, 'mm³', 0) }} of
      {{ fluid }} for all of it, fresh from a sealed container, as the maker names it.
      {{ filling.stop }}
    </p>
    <p class="mt-1">This looks wrong and is not:</p>
    <ul class="list-disc pl-6">
      <li v-for="one in filling.looksWrong" :key="one">{{ one }}</li>
    </ul>
  </section>
</template>

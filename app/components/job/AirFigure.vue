<script setup lang="ts">
import { fieldAt, isImplausible } from '~~/core/circuit'
import { meaning, type PhaseFigures } from '~~/core/proof'
import { computed } from 'vue'
import { formatNow, inUnits, symbolOf } from '~/units/units'

/** Trapped air with its interval beside what the circuit allows, and what it means in a sentence. */
const props = defineProps<{ figures: PhaseFigures; heading: string }>()

const air = computed(() =>
  props.figures.air && !isImplausible(props.figures.air) ? props.figures.air : null,
)
const sentence = computed(() => meaning(props.figures, formatNow()))
const most = computed(() => Math.max(500, (air.value?.high ?? 0) * 1.1, props.figures.allowed * 1.3))
const percent = (mm3: number) => `${(100 * Math.min(Math.max(0, mm3), most.value)) / most.value}%`
const ml = (mm3: number) => inUnits(Math.max(0, mm3), 'mm³')
const unit = computed(() => symbolOf('mm³'))
const widest = computed(() => air.value?.shares.slice(0, 3) ?? [])
const shareName = (name: string) => SHARE_WORDS[name] ?? fieldAt(name)?.label.toLowerCase() ?? name
const SHARE_WORDS: Record<string, string> = {
  reading: 'the tape reading',
  touchForce: 'the finger’s force',
  load: 'the cover’s load',
  expansion: 'the hose',
}
</script>

<template>
  <section :aria-label="heading">
    <div class="flex items-baseline gap-3">
      <h2 class="grow text-[1.1rem]">{{ heading }}</h2>
      <p v-if="air" class="text-[1.1rem]" data-figure="air">
        <template v-if="air.low <= 0"
          >none seen, at most <strong>{{ ml(air.high) }}</strong> {{ unit }}</template
        >
        <template v-else
          ><strong>{{ ml(air.air) }}</strong> {{ unit }}
          <span class="text-soft">{{ ml(air.low) }} to {{ ml(air.high) }}</span></template
        >
      </p>
    </div>
    <div v-if="air" class="relative mt-2 h-9" aria-hidden="true">
      <div class="absolute inset-x-0 top-3 h-2 border border-edge" />
      <div
        class="interval absolute top-1.5 h-5 border border-ink"
        :style="{ left: percent(air.low), width: `calc(${percent(air.high)} - ${percent(air.low)})` }"
      />
      <div class="absolute top-0 h-8 w-1 -translate-x-1/2 bg-ink" :style="{ left: percent(air.air) }" />
      <div class="absolute top-0 h-8 w-0.5 bg-patina" :style="{ left: percent(figures.allowed) }" />
      <p
        class="absolute -bottom-3 text-[0.9rem] whitespace-nowrap text-patina"
        :style="{ left: `min(${percent(figures.allowed)}, 100% - 12rem)` }"
      >
        limit {{ ml(figures.allowed) }} {{ unit }}
      </p>
    </div>
    <p class="mt-4 text-[1.05rem]" data-figure="meaning">{{ sentence }}</p>
    <p v-if="widest.length" class="mt-1 text-[0.95rem] text-soft">
      Widened most by
      {{ widest.map((share) => `${shareName(share.name)} ±${ml(1.645 * share.sigma)}`).join(', ') }}
      {{ unit }}.
    </p>
  </section>
</template>

<style scoped>
.interval {
  background: radial-gradient(circle, transparent 1.6px, var(--ink) 1.7px 2.3px, transparent 2.4px) 0
    0 / 7px 7px var(--ground);
}
</style>

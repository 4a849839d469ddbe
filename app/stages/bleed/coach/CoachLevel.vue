<script setup lang="ts">
import { goesWords, isLow } from './level-words'
import { useCoach } from './useCoach'
import { computed } from 'vue'
import { withUnits } from '~/units/units'

/** The reservoir by arithmetic: its level with the spread, the mark that must not be passed, strokes that are left. */
const { state, level } = useCoach()
const share = (ml: number) => {
  const usable = state.value?.level.usable ?? 1
  return Math.max(0, Math.min(1, ml / usable))
}
const TOP = 14
const HIGH = 150
const y = (ml: number) => TOP + HIGH * (1 - share(ml))
const goes = computed(() => (level.value ? goesWords(level.value.goes) : ''))
const low = computed(() => level.value !== null && isLow(level.value.goes))
</script>

<template>
  <svg v-if="state && level" viewBox="0 0 300 190" role="img" class="w-full" data-level>
    <title>
      Reservoir: {{ withUnits(1000 * level.middle, 'mm³') }} over the mark, enough for {{ goes }}
    </title>
    <rect x="20" y="8" width="92" height="174" rx="8" class="glass" />
    <rect x="22" :y="y(level.low)" width="88" :height="180 - y(level.low)" class="fluid" />
    <rect
      x="22"
      :y="y(level.high)"
      width="88"
      :height="Math.max(0, y(level.low) - y(level.high))"
      class="spread"
    />
    <path :d="`M112 ${TOP}h14M112 ${TOP + HIGH}h14`" class="mark" />
    <text x="132" :y="TOP + 6" class="soft">full</text>
    <text x="132" :y="TOP + HIGH + 6" class="stop">
      {{ state.plan.shared ? 'brake mark' : 'port' }}
    </text>
    <text x="132" y="84" class="big" :class="{ stop: low }" data-figure="left">
      {{ goes }}
    </text>
    <text x="132" y="108" class="soft">left for sure</text>
  </svg>
</template>

<style scoped>
.glass {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.fluid {
  fill: var(--fluid);
}
.spread {
  fill: var(--fluid);
  opacity: 0.45;
}
.mark {
  stroke: var(--ink);
  stroke-width: 2.5;
}
text {
  fill: var(--ink);
  font-size: 18px;
}
.big {
  font-size: 24px;
  font-weight: 650;
}
.soft {
  fill: var(--soft);
}
.stop {
  fill: var(--rust);
  font-weight: 650;
}
</style>

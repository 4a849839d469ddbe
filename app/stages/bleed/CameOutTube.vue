<script setup lang="ts">
import type { CameOut } from '~~/core/journal'

/** The clear hose with what came out in it. */
defineProps<{ cameOut: CameOut }>()
</script>

<template>
  <svg viewBox="0 0 40 16" aria-hidden="true">
    <path d="M0 8H40" class="tube" />
    <g v-if="cameOut === 'foam'">
      <circle v-for="i in 9" :key="i" :cx="i * 4" :cy="i % 2 ? 6 : 10" r="1.8" class="gas" />
    </g>
    <g v-else-if="cameOut === 'large'">
      <circle v-for="i in 3" :key="i" :cx="i * 11 - 2" cy="8" r="4.4" class="gas" />
    </g>
    <g v-else-if="cameOut === 'few'">
      <circle v-for="i in 2" :key="i" :cx="i * 16 - 4" cy="8" r="2" class="gas" />
    </g>
    <path v-else-if="cameOut === 'nothing'" d="M0 8H40" class="empty" />
  </svg>
</template>

<style scoped>
.tube {
  stroke: var(--fluid);
  stroke-width: 12;
}
.empty {
  stroke: var(--ground);
  stroke-width: 9;
}
.gas {
  fill: var(--ground);
  stroke: var(--ink);
  stroke-width: 0.8;
}
</style>

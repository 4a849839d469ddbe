<script setup lang="ts">
import type { PlanAnswer } from '~~/core/plan'

/** What is laid out before the first wrench turns: tools with their sizes, parts, what is used up, what is likely to break. */
defineProps<{ plan: PlanAnswer; open?: boolean }>()
</script>

<template>
  <details :open="open" data-laid-out>
    <summary class="min-h-11 content-center">
      Laid out first: {{ plan.tools.length }} tools, {{ plan.parts.length }} parts
    </summary>
    <p>{{ plan.tools.map(({ name, size }) => (size ? `${name}, ${size}` : name)).join('; ') }}.</p>
    <p v-if="plan.parts.length + plan.consumables.length">
      {{ [...plan.parts, ...plan.consumables].join('; ') }}.
    </p>
    <p class="text-soft">Likely to break: {{ plan.casualties.join(', ') || 'nothing known' }}.</p>
  </details>
</template>

<script setup lang="ts">
import { useCoach } from './useCoach'
import { useJob } from '~/job/useJob'
import { computed } from 'vue'
import AdviceBox from '~/stages/bleed/AdviceBox.vue'
import StageProofTable from '~/stages/bleed/coach/StageProofTable.vue'

/** A run that came to its end: what was done, and what comes next. */
const emit = defineEmits<{ putAway: [] }>()
const { id, state: job } = useJob()
const { told } = useCoach()
const ids = computed(() => new Set(Object.values(told.value?.ids ?? {})))
const of = <T extends { id: string }>(list: readonly T[]) =>
  list.filter((one) => ids.value.has(one.id)).length
const counted = computed(() => ({
  cycles: of(job.value.bleed.cycles),
  topUps: of(job.value.bleed.topUps),
}))
</script>

<template>
  <section class="px-5 pb-5 sm:px-8" aria-label="What was done">
    <p class="text-xl" data-counted>
      {{ counted.cycles }} {{ counted.cycles === 1 ? 'cycle' : 'cycles' }}, {{ counted.topUps }}
      {{ counted.topUps === 1 ? 'fill' : 'fills' }}, all in the log.
    </p>
    <AdviceBox class="mt-2" />
    <StageProofTable class="mt-3" />
    <p class="mt-3 flex flex-wrap gap-3">
      <button type="button" class="act" @click="emit('putAway')">To the log</button>
      <NuxtLink :to="`/jobs/${id}/bleed/coach`" class="quiet">Call another</NuxtLink>
    </p>
  </section>
</template>

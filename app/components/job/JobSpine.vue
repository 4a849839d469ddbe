<script setup lang="ts">
import { STAGES, type Stage } from '~~/core/journal'
import { blockingStops, LIMITS, readingsOwed } from '~~/core/proof'

/** The road of the job: each stage with what is still owed there. Keys 1 to 6. */
const props = defineProps<{ stage: Stage | null }>()
const { id, state, proof, stops } = useJob()

const owed = computed((): Partial<Record<Stage, string>> => {
  const { bleed, readings, verdict } = state.value
  const list: Partial<Record<Stage, string>> = {}
  if (blockingStops(stops.value).length > 0) list.find = 'stop'
  else if (!readings.asFound.freeTravel) list.find = 'free travel'
  if (bleed.cycles.length > 0 && bleed.clearInRow < LIMITS.clearInRow)
    list.bleed = `clear ${bleed.clearInRow}/${LIMITS.clearInRow}`
  const checks = proof.value?.verdict.reasons.filter((reason) => reason.outcome !== 'pass').length ?? 0
  if (verdict?.payload.outcome === 'pass' && checks === 0) list.prove = ''
  else if (readingsOwed(state.value).length > 0 || checks > 0) list.prove = `${checks} open`
  return list
})
</script>

<template>
  <nav aria-label="Stages" class="no-print flex lg:flex-col lg:border-r lg:border-hairline lg:pt-4">
    <NuxtLink
      v-for="(one, i) in STAGES"
      :key="one"
      :to="`/jobs/${id}/${one}`"
      :aria-current="one === props.stage ? 'step' : undefined"
      class="relative flex min-h-14 min-w-14 grow flex-col items-center justify-center px-1 text-center lg:min-h-19 lg:grow-0"
      :class="
        one === props.stage ? 'stage-here font-semibold' : BUILT_STAGES.includes(one) ? '' : 'text-soft'
      "
    >
      <span class="text-[0.95rem]">{{ i + 1 }}</span>
      <span>{{ STAGE_WORDS[one] }}</span>
      <span
        v-if="owed[one]"
        class="text-[0.9rem] font-normal"
        :class="owed[one] === 'stop' ? 'font-semibold text-rust' : 'text-soft'"
      >
        {{ owed[one] }}
      </span>
      <span v-else-if="!BUILT_STAGES.includes(one)" class="text-[0.9rem] font-normal text-soft"
        >not yet</span
      >
    </NuxtLink>
  </nav>
</template>

<style scoped>
.stage-here::before {
  content: '';
  position: absolute;
  inset: 6px auto 6px 0;
  width: 5px;
  background: var(--amber);
}
@media (max-width: 1023px) {
  .stage-here::before {
    inset: auto 6px 0 6px;
    width: auto;
    height: 5px;
  }
}
</style>

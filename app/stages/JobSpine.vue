<script setup lang="ts">
import { STAGES, type Stage, stageName } from '~~/core/journal'
import { STAGE_FACES } from '~/stages'
import { useJob, useJobFigures } from '~/job/useJob'
import { computed } from 'vue'

/** The road of the job: each stage with what is still owed there. Keys 1 to 6. */
const props = defineProps<{ stage: Stage | null }>()
const open = useJob()
const { id } = open
const figures = useJobFigures()
const road = computed(() =>
  STAGES.map((stage) => ({
    stage,
    owed: STAGE_FACES[stage].owed(open, figures),
  })),
)
</script>

<template>
  <nav aria-label="Stages" class="no-print flex lg:flex-col lg:border-r lg:border-hairline lg:pt-4">
    <NuxtLink
      v-for="(one, i) in road"
      :key="one.stage"
      :to="`/jobs/${id}/${one.stage}`"
      :aria-current="one.stage === props.stage ? 'step' : undefined"
      class="relative flex min-h-17 min-w-14 grow flex-col items-center justify-center px-1 pb-1.5 text-center lg:pb-0 lg:min-h-19 lg:grow-0"
      :class="one.stage === props.stage ? 'stage-here font-semibold' : ''"
    >
      <span class="text-[0.95rem]">{{ i + 1 }}</span>
      <span>{{ stageName(one.stage) }}</span>
      <span
        v-if="one.owed"
        class="text-[0.9rem] font-normal"
        :class="one.owed.stops ? 'font-semibold text-rust' : 'text-soft'"
      >
        {{ one.owed.words }}
      </span>
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

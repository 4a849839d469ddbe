<script setup lang="ts">
import type { Stage } from '~~/core/journal'

/** A stage that is on the road but not built: said as it is, with the way on. */
defineProps<{ stage: Stage }>()
const { id } = useJob()
const MEANT: Partial<Record<Stage, string>> = {
  choose:
    'Here parts, lines and fittings will be chosen and proved to fit before the old ones come off.',
  fit: 'Here the order of work will stand: what to take off, what to put on, what must be off again.',
  record: 'Here the job card, the reminders and the file of the job will be made.',
}
</script>

<template>
  <section class="max-w-2xl p-6" :aria-label="STAGE_WORDS[stage]">
    <h2 class="text-xl">{{ STAGE_WORDS[stage] }} is not here yet</h2>
    <p class="mt-2">{{ MEANT[stage] }}</p>
    <p class="mt-2 text-soft">
      What you do by hand meanwhile can be kept as a note: type “note …” below.
    </p>
    <p class="mt-4 flex flex-wrap gap-3">
      <NuxtLink v-for="one in BUILT_STAGES" :key="one" :to="`/jobs/${id}/${one}`" class="quiet">
        {{ STAGE_WORDS[one] }}
      </NuxtLink>
    </p>
  </section>
</template>

<script setup lang="ts">
import { STAGES, type Stage } from '~~/core/journal'
import { STAGE_FACES } from '~/stages'

/** A stage that is on the road but not built: said as it is, with the way on. */
defineProps<{ stage: Stage }>()
const { id } = useJob()
const built = STAGES.filter((stage) => STAGE_FACES[stage].view !== null)
</script>

<template>
  <section class="max-w-2xl p-6" :aria-label="STAGE_WORDS[stage]">
    <h2 class="text-xl">{{ STAGE_WORDS[stage] }} is not here yet</h2>
    <p class="mt-2">{{ STAGE_FACES[stage].meant }}</p>
    <p class="mt-2 text-soft">
      What you do by hand meanwhile can be kept as a note: type “note …” below.
    </p>
    <p v-if="stage === 'choose'" class="mt-2">
      Cylinders, lines and pedal can be tried out on the circuit’s
      <NuxtLink :to="`/jobs/${id}/circuit/whatif`" class="underline">What if</NuxtLink> sheet.
    </p>
    <p class="mt-4 flex flex-wrap gap-3">
      <NuxtLink v-for="one in built" :key="one" :to="`/jobs/${id}/${one}`" class="quiet">
        {{ STAGE_WORDS[one] }}
      </NuxtLink>
    </p>
  </section>
</template>

<script setup lang="ts">
import { isCrossed, judgeFluid } from '~~/core/fluid'
import type { FluidInside } from '~~/core/journal'
import { computed } from 'vue'

/** The wrong fluid inside: it stops the job, with every part that it has spoilt. */
const props = defineProps<{ inside: FluidInside }>()
const crossed = computed(() =>
  props.inside.wanted !== undefined && isCrossed(props.inside.kind, props.inside.wanted)
    ? judgeFluid({ inside: props.inside.kind, adding: props.inside.wanted })
    : null,
)
</script>

<template>
  <div v-if="crossed" role="alert" class="my-2 border-l-4 border-rust pl-3" data-fluid-stop>
    <p class="font-semibold text-rust">
      Stop.
      <template v-for="one in crossed.reasons" :key="one.code">{{
        one.words.replace(' Stop.', '')
      }}</template>
    </p>
    <p v-if="crossed.condemned.length">
      Renewed before it is filled again: {{ crossed.condemned.join(', ') }}. Pipes are flushed with the
      right fluid, and the vehicle does not go out on it.
    </p>
  </div>
</template>

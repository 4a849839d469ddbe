<script setup lang="ts">
import type { Line } from '~~/core/circuit'
import { millimetres } from '~/units/format'
import OnOff from '~/components/frame/OnOff.vue'

/** Which of the lines one works on; nothing where there is only one. */
const index = defineModel<number>({ required: true })
defineProps<{ lines: readonly Line[] }>()
</script>

<template>
  <div v-if="lines.length > 1" class="flex flex-wrap gap-1.5 pb-2" role="group" aria-label="Which line">
    <OnOff v-for="(one, i) in lines" :key="i" :on="i === index" @click="index = i"
      >Line {{ i + 1 }}, {{ one.kind }}, {{ millimetres(one.length) }}</OnOff
    >
  </div>
</template>

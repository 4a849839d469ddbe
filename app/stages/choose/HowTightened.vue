<script setup lang="ts">
import { TIGHTENING, type Seat } from '~~/core/fitting'
import { computed } from 'vue'

/** How a joint of this seat is tightened and proved, as general practice. */
const props = defineProps<{ seat: Seat }>()
const tightening = computed(() => TIGHTENING[props.seat])
</script>

<template>
  <details>
    <summary class="min-h-11 py-2">How it is tightened and proved</summary>
    <p>{{ tightening.first }} {{ tightening.then }}</p>
    <p>{{ tightening.proof }}</p>
    <p v-if="tightening.caution" class="mt-1 border-l-4 border-amber pl-3">{{ tightening.caution }}</p>
    <p class="text-[0.95rem] text-soft">General practice; the maker’s figure decides.</p>
  </details>
</template>

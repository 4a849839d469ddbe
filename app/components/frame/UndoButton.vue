<script setup lang="ts">
import type { Entry } from '~~/core/journal'
import { computed } from 'vue'
import { describe } from '~/units/describe'

/** Takes the last thing back, and says before it is pressed what that is. */
const props = defineProps<{ entry: Entry | null }>()
const emit = defineEmits<{ undo: [] }>()
const words = computed(() => (props.entry ? describe(props.entry) : ''))
</script>

<template>
  <button
    type="button"
    class="quiet max-w-40 shrink-0 flex-col items-start gap-0 px-2 py-0 leading-tight sm:max-w-60"
    :title="words ? `Takes back: ${words} (Ctrl Z)` : 'Nothing on this page to take back (Ctrl Z)'"
    :aria-label="words ? `Undo: ${words}` : 'Undo'"
    data-undo
    @click="emit('undo')"
  >
    <span>Undo</span>
    <span v-if="words" class="w-full truncate text-left text-[0.9rem] text-soft">{{ words }}</span>
  </button>
</template>

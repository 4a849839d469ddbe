<script setup lang="ts">
/** Starts a heavy run; while it is under way, how far it is and a way to stop it. */
defineProps<{ progress: number | null; label: string; doing: string; disabled?: boolean }>()
defineEmits<{ start: []; stop: [] }>()
</script>

<template>
  <button
    v-if="progress === null"
    type="button"
    class="act"
    :disabled="disabled"
    @click="$emit('start')"
  >
    {{ label }}
  </button>
  <span v-else class="flex grow items-center gap-3">
    <progress class="grow" :value="progress" max="1" :aria-label="doing" />
    <button type="button" class="quiet" @click="$emit('stop')">Stop</button>
  </span>
</template>

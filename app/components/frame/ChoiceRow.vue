<script setup lang="ts" generic="T extends string | boolean">
/** One of a few, each a button of its own: the chosen one is filled. */
const chosen = defineModel<T>({ required: true })
defineProps<{ choices: readonly { id: T; name: string }[]; label: string }>()
</script>

<template>
  <div class="flex flex-wrap gap-2" role="group" :aria-label="label">
    <button
      v-for="one in choices"
      :key="`${one.id}`"
      type="button"
      class="quiet"
      :aria-pressed="one.id === chosen"
      :class="{ 'bg-ink text-ground': one.id === chosen }"
      @click="chosen = one.id"
    >
      {{ one.name }}
    </button>
  </div>
</template>

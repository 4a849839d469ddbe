<script setup lang="ts">
/** Something that is so or is not, in one tap: filled while it is so. */
defineProps<{ on: boolean }>()
</script>

<template>
  <button
    type="button"
    class="quiet text-left"
    :class="{ 'bg-ink text-ground': on }"
    :aria-pressed="on"
  >
    <slot />
  </button>
</template>

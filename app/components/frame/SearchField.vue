<script setup lang="ts">
import { Search } from '~/icons'

/** Words to look for in a list; emptied by its own button or Escape. */
const text = defineModel<string>({ required: true })
defineProps<{ label: string }>()
</script>

<template>
  <label class="relative block min-w-0 grow basis-72">
    <span class="sr-only">{{ label }}</span>
    <Search
      :size="20"
      class="pointer-events-none absolute top-1/2 left-3 -translate-y-1/2 text-soft"
      aria-hidden="true"
    />
    <input
      v-model="text"
      type="search"
      class="field pl-10"
      maxlength="80"
      autocomplete="off"
      spellcheck="false"
      :placeholder="label"
      @keydown.esc="text = ''"
    />
  </label>
</template>

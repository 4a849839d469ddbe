<script setup lang="ts">
/** Sheets of a page, one at a time: the open one is marked, and what is still to do there stands under its name. */
export interface SheetTab {
  id: string
  name: string
  to: string
  note?: string
  /** What the note says stops the work. */
  bad?: boolean
}
defineProps<{ tabs: readonly SheetTab[]; open: string | null; label: string }>()
</script>

<template>
  <nav
    :aria-label="label"
    class="no-print sticky top-0 z-10 flex flex-wrap border-b border-hairline bg-ground px-4"
  >
    <NuxtLink
      v-for="one in tabs"
      :key="one.id"
      :to="one.to"
      class="tap flex-col gap-0 leading-tight"
      :class="one.id === open ? 'sheet-here font-semibold' : 'text-soft'"
      :aria-current="one.id === open ? 'page' : undefined"
      >{{ one.name
      }}<span v-if="one.note" class="text-[0.9rem] font-normal" :class="one.bad ? 'text-rust' : ''">{{
        one.note
      }}</span></NuxtLink
    >
  </nav>
</template>

<style scoped>
.sheet-here {
  box-shadow: inset 0 -4px var(--amber);
}
</style>

<script setup lang="ts">
import { UsersRound } from '~/icons'
import { useJob } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { computed } from 'vue'

/** Who else has this job open; opens the bar that says where they are and calls them. */
const open = defineModel<boolean>({ required: true })
const { presence } = useJob()
const person = usePersonStore()
const label = computed(() => {
  const [first, ...rest] = presence.others.value
  if (!first) return ''
  return rest.length > 0 ? `${rest.length + 1} others here` : (person.names.get(first.by) ?? 'Somebody')
})
</script>

<template>
  <button
    v-if="label"
    type="button"
    class="tap"
    :aria-expanded="open"
    :aria-label="`Also on this job: ${label}`"
    data-presence
    @click="open = !open"
  >
    <UsersRound :size="20" aria-hidden="true" />
    <span class="hidden xl:inline">{{ label }}</span>
    <span class="xl:hidden" aria-hidden="true">{{ presence.others.value.length }}</span>
  </button>
</template>

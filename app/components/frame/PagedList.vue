<script setup lang="ts">
import LoadState from '~/components/frame/LoadState.vue'
import ListEnd from '~/components/frame/ListEnd.vue'
/** A list that comes in pages: waiting, why it could not be fetched, nothing in it, or the list with its end. */
defineProps<{
  items: readonly unknown[] | null
  more: boolean
  loading: boolean
  error: string | null
  /** Said where nothing is in it. */
  empty: string
}>()
const emit = defineEmits<{ again: []; more: [] }>()
</script>

<template>
  <LoadState v-if="!items" :loading="loading" :error="error" @again="emit('again')" />
  <p v-else-if="items.length === 0" class="mt-4 max-w-xl text-soft" role="status">{{ empty }}</p>
  <template v-else>
    <slot />
    <ListEnd :more="more" :loading="loading" :error="error" @more="emit('more')" />
  </template>
</template>

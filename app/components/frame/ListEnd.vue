<script setup lang="ts">
import { useIntersectionObserver } from '@vueuse/core'
import { useTemplateRef } from 'vue'

/** The end of a list that goes on: fetched as it comes in sight, or by its button. */
defineProps<{ loading: boolean; more: boolean; error: string | null }>()
const emit = defineEmits<{ more: [] }>()
const end = useTemplateRef('end')
useIntersectionObserver(end, ([seen]) => seen?.isIntersecting && emit('more'), { rootMargin: '400px' })
</script>

<template>
  <p v-if="error" role="alert" class="py-3">
    <span class="font-semibold text-rust">{{ error }}</span>
    <button type="button" class="quiet ml-4" @click="emit('more')">Try again</button>
  </p>
  <p v-else-if="more" ref="end" class="py-3">
    <button type="button" class="quiet" :disabled="loading" @click="emit('more')">
      {{ loading ? 'Fetching …' : 'Show more' }}
    </button>
  </p>
</template>

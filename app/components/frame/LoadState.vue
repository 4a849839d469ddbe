<script setup lang="ts">
/** Waiting for the server, or why it could not be asked, with a way to try again. */
defineProps<{ loading: boolean; error: string | null }>()
defineEmits<{ again: [] }>()
</script>

<template>
  <p v-if="error" role="alert" class="p-6">
    <span class="font-semibold text-rust">{{ error }}</span>
    <button type="button" class="quiet ml-4" @click="$emit('again')">Try again</button>
  </p>
  <p v-else-if="loading" role="status" class="p-6 text-soft">Fetching …</p>
</template>

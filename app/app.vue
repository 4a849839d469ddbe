<script setup lang="ts">
function skip() {
  const content = document.querySelector<HTMLElement>('main')
  content?.setAttribute('tabindex', '-1')
  content?.focus()
  content?.scrollIntoView()
}
</script>

<template>
  <NuxtRouteAnnouncer />
  <a
    href="#content"
    class="act no-print sr-only focus:not-sr-only focus:fixed focus:top-1 focus:left-1 focus:z-50 focus:inline-flex"
    @click.prevent="skip"
    >Skip to the work</a
  >
  <NuxtPage />
</template>

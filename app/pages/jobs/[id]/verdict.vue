<script setup lang="ts">
import PaperPage from '~/components/paper/PaperPage.vue'
</script>

<template>
  <PaperPage kind="verdict" />
</template>

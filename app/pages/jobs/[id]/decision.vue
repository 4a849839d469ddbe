<script setup lang="ts">
import DecisionPage from '~/stages/find/DecisionPage.vue'
</script>

<template>
  <DecisionPage />
</template>

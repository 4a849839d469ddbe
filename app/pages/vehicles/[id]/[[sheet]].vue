<script setup lang="ts">
import CircuitSheets from '~/components/circuit/CircuitSheets.vue'
</script>

<template>
  <CircuitSheets />
</template>

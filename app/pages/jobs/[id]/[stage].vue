<script setup lang="ts">
const { stage } = useJob()
</script>

<template>
  <FindStage v-if="stage === 'find'" />
  <BleedStage v-else-if="stage === 'bleed'" />
  <ProveStage v-else-if="stage === 'prove'" />
  <NotBuiltStage v-else :stage="stage" />
</template>

<script setup lang="ts">
const { id } = useJob()
await navigateTo(`/jobs/${id}/find`, { replace: true })
</script>

<template>
  <div />
</template>

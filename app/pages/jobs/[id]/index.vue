<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { navigateTo } from '#imports'
const { id } = useJob()
await navigateTo(`/jobs/${id}/find`, { replace: true })
</script>

<template>
  <div />
</template>

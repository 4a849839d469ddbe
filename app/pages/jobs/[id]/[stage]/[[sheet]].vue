<script setup lang="ts">
import { STAGE_FACES } from '~/stages'

const { stage } = useJob()
const view = computed(() => STAGE_FACES[stage.value].view)
</script>

<template>
  <component :is="view" />
</template>

<script setup lang="ts">
import { STAGE_FACES } from '~/stages'
import { useJob } from '~/job/useJob'
import { computed } from 'vue'

const { stage } = useJob()
const view = computed(() => STAGE_FACES[stage.value].view)
</script>

<template>
  <component :is="view" />
</template>

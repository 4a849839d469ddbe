<script setup lang="ts">
import type { Entry } from '~~/core/journal'
import { describe } from '~/units/describe'

/** An entry in words, loaded only where one was set aside: the first page carries no tables. */
defineProps<{ entry: Entry }>()
</script>

<template>
  <strong>{{ describe(entry) }}</strong>
</template>

<script setup lang="ts">
/** The shop was put back from a backup while this page was open: until it is opened again it shows the other shop. */
import { isPutBack } from '~/sync/put-back'

const openAgain = () => location.reload()
</script>

<template>
  <div
    v-if="isPutBack"
    role="alert"
    class="no-print flex flex-wrap items-center gap-x-3 border-b border-rust px-4 py-1"
    data-put-back
  >
    <p class="min-w-0 flex-1 basis-64 py-1">
      <strong class="text-rust">The shop was put back from a backup.</strong> What this page shows may
      be from before that. Note what you have typed and not filed, then open the page again.
    </p>
    <button type="button" class="act" @click="openAgain">Open it again</button>
  </div>
</template>

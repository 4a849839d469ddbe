<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { when } from '~/units/format'
/** Says that the job has left the bench, and opens it again. */
const { state, withdraw } = useJob()
const person = usePersonStore()
</script>

<template>
  <div
    v-if="state.closed"
    class="no-print flex flex-wrap items-center gap-x-3 border-b border-ink bg-raised px-6 py-1"
    role="status"
    data-closed
  >
    <p class="grow">
      <strong>Closed</strong> {{ when(state.closed.at) }} by
      {{ person.names.get(state.closed.by) ?? 'somebody'
      }}<template v-if="state.closed.payload.reason">: {{ state.closed.payload.reason }}</template
      >. It is off the bench.
    </p>
    <button type="button" class="quiet" @click="withdraw(state.closed.id)">Open it again</button>
  </div>
</template>

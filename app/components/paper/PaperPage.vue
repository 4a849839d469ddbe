<script setup lang="ts">
import type { PaperKind } from '~~/core/papers'
import { useJob } from '~/job/useJob'
import { unitsNow } from '~/units/units'
import PaperSheet from '~/components/paper/PaperSheet.vue'

/** A paper of the job, with controls that print it or give it as a PDF. */
const { kind } = defineProps<{ kind: PaperKind }>()
const { id } = useJob()
const print = () => window.print()
</script>

<template>
  <div>
    <p class="no-print flex flex-wrap items-center gap-3 border-b border-hairline px-6 py-2">
      <button type="button" class="act" @click="print">Print this sheet</button>
      <a :href="`/api/jobs/${id}/papers/${kind}?units=${unitsNow()}`" class="quiet" target="_blank"
        >As a PDF</a
      >
      <NuxtLink :to="kind === 'card' ? `/jobs/${id}` : `/jobs/${id}/record`" class="quiet">{{
        kind === 'card' ? 'Back to the job' : 'Back to Record'
      }}</NuxtLink>
      <span class="text-soft">Black on white, whatever the look.</span>
    </p>
    <PaperSheet :kind="kind" />
  </div>
</template>

<script setup lang="ts">
/** The job as a sheet of paper, with a control that prints it. */
const { id } = useJob()
const print = () => window.print()
</script>

<template>
  <div>
    <p class="no-print flex flex-wrap items-center gap-3 border-b border-hairline px-6 py-2">
      <button type="button" class="act" @click="print">Print this sheet</button>
      <NuxtLink :to="`/jobs/${id}`" class="quiet">Back to the job</NuxtLink>
      <span class="text-soft">Black on white, whatever the look; or choose PDF as the printer.</span>
    </p>
    <JobSheet />
  </div>
</template>

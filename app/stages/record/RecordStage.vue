<script setup lang="ts">
/** Closing of the job, and what this model taught; the card and the reminders are not built yet. */
</script>

<template>
  <div class="max-w-3xl px-6 py-4">
    <PutOff />
    <ModelNotes editable />
    <CloseJob />
    <p class="mt-4 text-[0.95rem] text-soft">
      The whole story stands in the journal, and prints as a sheet (Print, above). Reminders and files
      are not in this version.
    </p>
  </div>
</template>

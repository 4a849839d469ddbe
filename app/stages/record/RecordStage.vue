<script setup lang="ts">
import { useJob } from '~/job/useJob'
import SaveFile from '~/components/frame/SaveFile.vue'
import PutOff from '~/stages/record/PutOff.vue'
import StillOwed from '~/stages/record/StillOwed.vue'
import ModelNotes from '~/components/photo/ModelNotes.vue'
import JobTitle from '~/stages/record/JobTitle.vue'
import CloseJob from '~/components/job/CloseJob.vue'
import RecordStory from '~/stages/record/RecordStory.vue'
/** The job’s story, what is still owed, what this model taught, and the end of the job. */
const { id } = useJob()
</script>

<template>
  <div class="grid grid-cols-1 gap-x-8 px-6 py-4 xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
    <div>
      <p class="mb-3 flex flex-wrap gap-3">
        <NuxtLink :to="`/jobs/${id}/customer`" class="quiet">Customer’s sheet</NuxtLink>
        <NuxtLink :to="`/jobs/${id}/verdict`" class="quiet">Verdict sheet</NuxtLink>
        <NuxtLink :to="`/jobs/${id}/print`" class="quiet">Job card</NuxtLink>
        <SaveFile class="quiet" :from="`/api/jobs/${id}/file`" name="job.json">Job as a file</SaveFile>
      </p>
      <PutOff />
      <StillOwed />
      <ModelNotes class="mt-4" editable />
      <JobTitle />
      <CloseJob />
    </div>
    <RecordStory class="mt-4 xl:mt-0" />
  </div>
</template>

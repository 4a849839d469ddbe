<script setup lang="ts">
import type { Job, JobTitleBody } from '~~/contract'
import { useJob } from '~/job/useJob'
import { ref, computed } from 'vue'
import { useSaving } from '~/frame/useSaving'
import { api } from '~/sync/api'

/** What the job is called, put right. */
const { id, job, load } = useJob()
const typed = ref<string | null>(null)
const title = computed({
  get: () => typed.value ?? job.value?.title ?? '',
  set: (words: string) => (typed.value = words),
})
const { busy, problem, save } = useSaving()
function saveTitle() {
  const body: JobTitleBody = { title: title.value.trim() }
  if (!body.title) {
    problem.value = 'Say in a few words what the job is.'
    return
  }
  void save(async () => {
    await api<Job>(`/jobs/${id}`, body, 'PUT')
    await load()
    typed.value = null
  })
}
</script>

<template>
  <details class="mt-4" data-job-title>
    <summary class="min-h-11 content-center text-soft">Title of the job</summary>
    <form class="flex flex-wrap items-end gap-2" @submit.prevent="saveTitle">
      <label class="grow basis-60"
        ><span class="block">Title</span>
        <input v-model="title" class="field" maxlength="160" autocomplete="off"
      /></label>
      <button class="quiet" :disabled="busy">Save the title</button>
    </form>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
  </details>
</template>

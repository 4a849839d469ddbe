<script setup lang="ts">
import type { Job, JobTitleBody } from '~~/contract'

/** What the job is called, put right. */
const { id, job, load } = useJob()
const typed = ref<string | null>(null)
const title = computed({
  get: () => typed.value ?? job.value?.title ?? '',
  set: (words: string) => (typed.value = words),
})
const busy = ref(false)
const problem = ref('')
async function save() {
  problem.value = title.value.trim() ? '' : 'Say in a few words what the job is.'
  if (problem.value || busy.value) return
  busy.value = true
  try {
    const body: JobTitleBody = { title: title.value.trim() }
    await api<Job>(`/jobs/${id}`, body, 'PUT')
    await load()
    typed.value = null
  } catch (error) {
    problem.value = `Not saved: ${error instanceof Error ? error.message : String(error)}. What you typed stays here.`
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <details class="mt-4" data-job-title>
    <summary class="min-h-11 content-center text-soft">Title of the job</summary>
    <form class="flex flex-wrap items-end gap-2" @submit.prevent="save">
      <label class="grow basis-60"
        ><span class="block">Title</span>
        <input v-model="title" class="field" maxlength="160" autocomplete="off"
      /></label>
      <button class="quiet" :disabled="busy">Save the title</button>
    </form>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
  </details>
</template>

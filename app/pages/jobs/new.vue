<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { COMPLAINTS, type ComplaintId } from '~~/core/diagnosis'
import { JOB_KINDS, type JobKind } from '~~/core/journal'
import { useRoute, navigateTo } from '#imports'
import { usePersonStore } from '~/stores/person'
import { useLoaded } from '~/asking/useLoaded'
import { newId } from '~/lib/ids'
import { ref, computed, useTemplateRef } from 'vue'
import { JOB_KIND_WORDS } from '~~/core/words'
import { showFirstError } from '~/lib/first-error'
import { makeEntry } from '~/stores/journal'
import { createOnce } from '~/sync/create-once'
import { startPage } from '~/job/kept-stage'
import AppHeader from '~/components/frame/AppHeader.vue'
import LoadState from '~/components/frame/LoadState.vue'
import VehiclePicker from '~/components/vehicle/VehiclePicker.vue'

const route = useRoute()
const person = usePersonStore()
const {
  value: met,
  loading,
  error,
  load,
} = useLoaded(async () => {
  await person.load()
  return true
})
const draft = useSessionStorage('mellow-new-job', {
  id: newId(),
  vehicle: '',
  kind: 'fault' as JobKind,
  title: '',
  wanted: '',
  complaints: [] as ComplaintId[],
})
if (typeof route.query.vehicle === 'string') draft.value.vehicle = route.query.vehicle
const tried = ref(false)
const problem = ref('')
const busy = ref(false)

/** The driver's own words, or what was ticked. */
const title = computed(() => {
  const typed = draft.value.title.trim()
  if (typed) return typed
  const ticked = COMPLAINTS.filter(({ id }) => draft.value.complaints.includes(id)).map(
    ({ label }) => label,
  )
  return ticked.length > 0 ? ticked.join('; ').slice(0, 160) : JOB_KIND_WORDS[draft.value.kind]
})

const form = useTemplateRef<HTMLFormElement>('form')
async function create() {
  tried.value = true
  problem.value = !person.current
    ? 'Pick your name at the bench first; what you typed stays here.'
    : draft.value.vehicle === ''
      ? 'Choose the vehicle.'
      : ''
  if (problem.value) {
    await showFirstError(form.value)
    return
  }
  if (busy.value) return
  busy.value = true
  const { id, vehicle, kind, wanted, complaints } = draft.value
  const subject = { type: 'job', id } as const
  const entries = [
    makeEntry(subject, person.id, 'goal', { jobKind: kind, wanted: wanted.trim() }),
    ...complaints.map((complaint) => makeEntry(subject, person.id, 'complaint', { complaint })),
  ]
  try {
    await createOnce('/jobs', id, { id, vehicleId: vehicle, title: title.value, entries })
    sessionStorage.removeItem('mellow-new-job')
    await navigateTo(`/jobs/${id}/${startPage(kind)}`)
  } catch (failure) {
    problem.value = failure instanceof Error ? failure.message : String(failure)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader title="New job" sub="what is wanted, and what the driver says" />
    <main class="grow">
      <LoadState :loading="loading" :error="error" @again="load" />
      <form
        v-if="met"
        ref="form"
        class="grid max-w-6xl gap-x-10 gap-y-6 px-6 py-5 lg:grid-cols-2 lg:pl-23"
        @submit.prevent="create"
      >
        <div>
          <p class="mb-1 text-xl font-semibold" aria-hidden="true">Vehicle</p>
          <VehiclePicker
            v-model="draft.vehicle"
            label="Vehicle"
            :invalid="tried && draft.vehicle === ''"
          />
          <p
            v-if="tried && draft.vehicle === ''"
            role="alert"
            class="text-[0.9rem] font-semibold text-rust"
          >
            Choose the vehicle.
          </p>
          <NuxtLink to="/vehicles/new" class="tap mt-1 px-0 underline underline-offset-4"
            >Vehicle not listed</NuxtLink
          >

          <fieldset class="mt-5">
            <legend class="text-xl font-semibold">Kind of job</legend>
            <div class="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-3">
              <label
                v-for="kind in JOB_KINDS"
                :key="kind"
                class="quiet has-checked:border-amber has-checked:bg-amber has-checked:font-semibold has-checked:text-on-amber has-focus-visible:outline-3 has-focus-visible:outline-amber"
              >
                <input v-model="draft.kind" type="radio" :value="kind" class="sr-only" />
                {{ JOB_KIND_WORDS[kind] }}
              </label>
            </div>
          </fieldset>

          <label class="mt-5 block">
            <span class="mb-1 block">What is wanted, and by when</span>
            <input v-model="draft.wanted" class="field" maxlength="400" autocomplete="off" />
          </label>
          <label class="mt-4 block">
            <span class="mb-1 block">In the driver’s words</span>
            <input
              v-model="draft.title"
              class="field"
              maxlength="160"
              autocomplete="off"
              :placeholder="title"
            />
          </label>
        </div>
        <fieldset>
          <legend class="text-xl font-semibold">What the driver says</legend>
          <div class="mt-2 flex flex-wrap gap-2">
            <label
              v-for="complaint in COMPLAINTS"
              :key="complaint.id"
              class="quiet text-left has-checked:border-ink has-checked:bg-ink has-checked:text-ground has-focus-visible:outline-3 has-focus-visible:outline-amber"
            >
              <input v-model="draft.complaints" type="checkbox" :value="complaint.id" class="sr-only" />
              {{ complaint.label }}
            </label>
          </div>
        </fieldset>
        <div class="lg:col-span-2">
          <p v-if="problem && draft.vehicle" role="alert" class="mb-3 font-semibold text-rust">
            {{ problem }}
          </p>
          <button class="act min-h-14" :disabled="busy">Open the job</button>
        </div>
      </form>
    </main>
  </div>
</template>

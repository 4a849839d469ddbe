<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { isImplausible } from '~~/core/circuit'
import { STAGES, type Stage } from '~~/core/journal'
import { phaseFigures } from '~~/core/proof'
import type { Stack } from '~/components/job/PadLadder.vue'

const route = useRoute()
const id = String(route.params.id)
const open = provideJob(id)
const { job, vehicle, error, stage, state, installation, proof, stops, load } = open
const journalOpen = ref(false)

watch(
  () => route.params.stage,
  (given) => {
    stage.value = STAGES.find((known) => known === given) ?? 'find'
    localStorage.setItem(`mellow-stage-${id}`, stage.value)
  },
  { immediate: true },
)
useEventListener('keydown', (event: KeyboardEvent) => {
  if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
  const to: Stage | undefined = STAGES[Number(event.key) - 1]
  if (to) void navigateTo(`/jobs/${id}/${to}`)
})

/** As found alone in Find; beside it what is now, while bleeding and after. */
const stacks = computed((): Stack[] => {
  if (!proof.value || !installation.value) return []
  const { readings } = state.value
  const found: Stack = { name: 'as found', figures: proof.value.before, readings: readings.asFound }
  const later =
    stage.value === 'prove' || stage.value === 'record'
      ? readings.after
      : stage.value === 'bleed'
        ? readings.working
        : null
  if (!later || Object.keys(later).length === 0) return [found]
  const name = stage.value === 'bleed' ? 'now' : 'after'
  return [found, { name, figures: phaseFigures(installation.value, later), readings: later }]
})
const air = computed(() => {
  const found = stacks.value.at(-1)?.figures.air
  return !found || isImplausible(found) || found.low <= 0 ? null : found.air
})
const seen = computed(() => {
  const { asFound, working, after } = state.value.found
  return stage.value === 'find' ? asFound : { ...asFound, ...working, ...after }
})
</script>

<template>
  <div class="flex min-h-screen flex-col lg:h-screen">
    <AppHeader :title="vehicle?.name ?? 'Job'" :sub="job?.title">
      <template #nav>
        <button v-if="job" type="button" class="tap" @click="journalOpen = true">Journal</button>
        <NuxtLink v-if="vehicle" :to="`/vehicles/${vehicle.id}`" class="tap">Vehicle</NuxtLink>
      </template>
    </AppHeader>
    <TroubleBar />
    <LoadState :loading="!job" :error="error" @again="load" />
    <div
      v-if="job && installation && stacks.length"
      class="grid min-h-0 grow grid-cols-1 lg:grid-cols-[4.75rem_minmax(0,1fr)_14rem]"
    >
      <JobSpine :stage="stage" />
      <div class="flex min-h-0 min-w-0 flex-col">
        <div class="h-52 shrink-0 border-b border-hairline lg:h-[13.2rem]">
          <ReleaseLine :installation="installation" :found="seen" :air="air" />
        </div>
        <div v-if="stops.length" role="alert" class="border-b-2 border-rust px-6 py-2 text-rust">
          <p v-for="stop in stops" :key="stop.finding"><strong>Stop.</strong> {{ stop.words }}</p>
        </div>
        <main class="min-h-0 grow overflow-y-auto" tabindex="-1">
          <NuxtPage />
        </main>
        <SayLine />
      </div>
      <div class="h-[34rem] border-hairline lg:h-auto lg:border-l">
        <PadLadder :stacks="stacks" />
      </div>
    </div>
    <JobJournal v-if="job" v-model="journalOpen" />
  </div>
</template>

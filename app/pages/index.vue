<script setup lang="ts">
import { STAGES, startStage } from '~~/core/journal'
import type { BenchJob } from '~~/contract'

const route = useRoute()
const person = usePersonStore()
const {
  value: jobs,
  loading,
  error,
  load,
} = useLoaded(async () => {
  await person.load()
  return api<BenchJob[]>('/jobs')
})
const asking = computed(() => jobs.value !== null && (!person.current || 'who' in route.query))

/** Where the job was left, so that opening it goes on there. */
function stageOf(job: BenchJob) {
  const kept = localStorage.getItem(`mellow-stage-${job.id}`)
  return STAGES.find((stage) => stage === kept) ?? startStage(job.kind)
}
/** What would bring the job on, from what was filed. */
function nextMove({ outcome, freeTravelFound, cycles, freeTravelAfter }: BenchJob): string {
  if (outcome === 'pass') return 'Hand it over'
  if (outcome === 'stop') return 'Mend what stopped it'
  if (freeTravelAfter) return 'Finish the proof'
  if (cycles > 0) return 'Bleed on, then measure again'
  return freeTravelFound ? 'Find on, then bleed' : 'Measure free travel'
}
const OUTCOME_LOOK = { pass: 'text-patina', notYet: 'text-ink', stop: 'text-rust' } as const
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader title="Mellow Anchor" sub="the bench" />
    <TroubleBar />
    <main class="grow">
      <LoadState :loading="loading" :error="error" @again="load" />
      <WhoWorks v-if="asking" />
      <div v-else-if="jobs" class="px-6 py-5 lg:pl-23">
        <div class="flex flex-wrap items-center gap-3">
          <h2 class="grow text-xl">{{ jobs.length ? 'On the bench' : 'Nothing on the bench' }}</h2>
          <NuxtLink to="/vehicles/new" class="quiet">New vehicle</NuxtLink>
          <NuxtLink to="/jobs/new" class="act">New job</NuxtLink>
        </div>
        <p v-if="jobs.length === 0" class="mt-3 max-w-xl text-soft">
          A job needs a vehicle. Start with the vehicle: its kind, its name and three tape readings,
          under a minute.
        </p>
        <ol v-else class="mt-4 border-t border-hairline">
          <li v-for="job in jobs" :key="job.id" class="border-b border-hairline">
            <NuxtLink
              :to="`/jobs/${job.id}/${stageOf(job)}`"
              class="grid min-h-19 grid-cols-1 items-center gap-x-6 py-3 hover:bg-raised md:grid-cols-[minmax(0,1fr)_15rem_8rem_15rem] md:px-3"
            >
              <span class="min-w-0">
                <span class="block text-[1.1rem] font-semibold">{{ job.vehicleName }}</span>
                <span class="block text-soft">{{ JOB_KIND_WORDS[job.kind] }}: {{ job.title }}</span>
              </span>
              <span>{{ nextMove(job) }}</span>
              <span
                class="font-semibold"
                :class="job.outcome ? OUTCOME_LOOK[job.outcome] : 'text-soft'"
              >
                {{ job.outcome ? OUTCOME_WORDS[job.outcome] : 'no verdict yet' }}
              </span>
              <span class="text-soft">{{ when(job.lastAt) }}, {{ job.lastBy }}</span>
            </NuxtLink>
          </li>
        </ol>
      </div>
    </main>
  </div>
</template>

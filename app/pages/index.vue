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
const looks = useBenchLooks(jobs)
const asking = computed(() => jobs.value !== null && (!person.current || 'who' in route.query))

/** Where the job was left, so that opening it goes on there. */
function stageOf(job: BenchJob) {
  const kept = localStorage.getItem(`mellow-stage-${job.id}`)
  return STAGES.find((stage) => stage === kept) ?? startStage(job.kind)
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
              class="grid min-h-19 grid-cols-1 items-center gap-x-6 py-3 hover:bg-raised md:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)_7.5rem_13rem] md:px-3"
            >
              <span class="min-w-0">
                <span class="block text-[1.1rem] font-semibold">{{ job.vehicleName }}</span>
                <span class="block text-soft">{{ JOB_KIND_WORDS[job.kind] }}: {{ job.title }}</span>
              </span>
              <BenchMove :step="job.step" :look="looks.get(job.id)" />
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

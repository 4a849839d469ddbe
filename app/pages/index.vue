<script setup lang="ts">
import { JOB_FILTERS, type BenchJob, type JobFilter } from '~~/contract'
import { hasSecureContext } from '~/sync/tabs'
import { useRoute } from '#imports'
import { usePersonStore } from '~/stores/person'
import { useLoaded } from '~/asking/useLoaded'
import { useQueryText } from '~/frame/useQueryText'
import { useSearch, usePages } from '~/asking/usePages'
import { computed } from 'vue'
import { useBenchLooks } from '~/asking/useBenchLooks'
import { JOB_KIND_WORDS, OUTCOME_WORDS } from '~~/core/words'
import { when } from '~/units/format'
import { keptStage } from '~/job/kept-stage'
import AppHeader from '~/components/frame/AppHeader.vue'
import TroubleBar from '~/components/frame/TroubleBar.vue'
import LoadState from '~/components/frame/LoadState.vue'
import WhoWorks from '~/components/bench/WhoWorks.vue'
import SearchField from '~/components/frame/SearchField.vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'
import OnOff from '~/components/frame/OnOff.vue'
import AwaitedList from '~/components/bench/AwaitedList.vue'
import BenchAhead from '~/components/bench/BenchAhead.vue'
import PagedList from '~/components/frame/PagedList.vue'
import BenchMove from '~/components/bench/BenchMove.vue'

const route = useRoute()
const person = usePersonStore()
const {
  loading: knowing,
  error: unknown,
  load: meet,
  value: met,
} = useLoaded(async () => {
  await person.load()
  return true
})

const typed = useQueryText('search')
const search = useSearch(typed)
const shown = useQueryText('show')
const mine = useQueryText('mine')
const filter = computed<JobFilter | ''>({
  get: () => JOB_FILTERS.find((one) => one === shown.value) ?? '',
  set: (one) => (shown.value = one),
})
const FILTERS = [
  { id: '', name: 'On the bench' },
  { id: 'open', name: 'Open' },
  { id: 'stopped', name: 'Stopped' },
  { id: 'done', name: 'Done' },
  { id: 'closed', name: 'Closed' },
] as const
const asked = computed(() => {
  const own = mine.value && person.id ? `&person=${person.id}` : ''
  return `/jobs?limit=40&filter=${filter.value || 'bench'}${own}${search.value}`
})
const { items: jobs, next, loading, error, load, more } = usePages<BenchJob>(() => asked.value)
const looks = useBenchLooks(jobs)
const asking = computed(() => met.value && (!person.current || 'who' in route.query))
const narrowed = computed(() => search.value !== '' || filter.value !== '' || mine.value !== '')

const OUTCOME_LOOK = { pass: 'text-patina', notYet: 'text-ink', stop: 'text-rust' } as const
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader title="Mellow Anchor" sub="the bench" />
    <TroubleBar />
    <main class="grow">
      <LoadState v-if="!met" :loading="knowing" :error="unknown" @again="meet" />
      <WhoWorks v-else-if="asking" />
      <div v-else class="px-6 py-5 lg:pl-23">
        <div class="flex flex-wrap items-center gap-3">
          <h2 class="grow text-xl">
            {{ jobs?.length === 0 && !narrowed ? 'Nothing on the bench' : 'On the bench' }}
          </h2>
          <NuxtLink to="/vehicles/new" class="quiet">New vehicle</NuxtLink>
          <NuxtLink to="/jobs/new" class="act">New job</NuxtLink>
        </div>
        <div v-if="jobs?.length || narrowed" class="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
          <SearchField v-model="typed" label="Search by vehicle, plate, model or words of the job" />
          <ChoiceRow v-model="filter" :choices="FILTERS" label="Which jobs" />
          <OnOff :on="mine !== ''" @click="mine = mine ? '' : 'yes'">Mine</OnOff>
        </div>
        <AwaitedList v-if="!narrowed" />
        <BenchAhead v-if="!narrowed" />
        <PagedList
          :items="jobs"
          :more="next !== null"
          :loading="loading"
          :error="error"
          :empty="
            narrowed
              ? 'No job fits all of that. Take a word away, or show all.'
              : 'A job needs a vehicle. Start with the vehicle: its kind, its name and three tape readings, under a minute.'
          "
          @again="load"
          @more="more"
        >
          <ol class="mt-4 border-t border-hairline" aria-label="Jobs, the last changed first">
            <li v-for="job in jobs" :key="job.id" class="border-b border-hairline">
              <NuxtLink
                :to="`/jobs/${job.id}/${keptStage(job)}`"
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
        </PagedList>
        <p v-if="!hasSecureContext()" class="mt-6 max-w-3xl text-[0.95rem] text-soft">
          This page came over plain http from another machine. What you enter is kept and sent as
          always, but this browser allows no screen kept awake and no locks between its tabs. Serving
          https (README) gives them back.
        </p>
      </div>
    </main>
  </div>
</template>

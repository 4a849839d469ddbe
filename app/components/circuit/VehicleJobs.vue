<script setup lang="ts">
import type { BenchJob, PutOffTold } from '~~/contract'
import { useDesk } from '~/job/useDesk'
import { usePages } from '~/asking/usePages'
import { useLoaded } from '~/asking/useLoaded'
import { api } from '~/sync/api'
import { withUnits } from '~/units/units'
import { describe } from '~/units/describe'
import { JOB_KIND_WORDS } from '~~/core/words'
import { when } from '~/units/format'
import PagedList from '~/components/frame/PagedList.vue'

/** The jobs of this vehicle, and a way to open one. */
const { vehicleId } = useDesk()
const {
  items: jobs,
  next,
  loading,
  error,
  load,
  more,
} = usePages<BenchJob>(() => `/jobs?limit=40&vehicle=${vehicleId.value}`)
const { value: later } = useLoaded(() => api<PutOffTold[]>(`/vehicles/${vehicleId.value}/later`))
const due = ({ plan, mileage }: PutOffTold) =>
  mileage === null
    ? `${withUnits(plan.waitKm!, 'km')} after it was put off`
    : `at ${withUnits(mileage + plan.waitKm!, 'km')}`
</script>

<template>
  <section class="max-w-3xl px-6 py-4" aria-labelledby="jobs">
    <div class="flex items-center gap-3">
      <h2 id="jobs" class="grow text-xl">Jobs</h2>
      <NuxtLink :to="`/jobs/new?vehicle=${vehicleId}`" class="act">New job</NuxtLink>
    </div>
    <section
      v-if="later?.length"
      aria-labelledby="later"
      class="mt-3 border-l-4 border-amber pl-3"
      data-later
    >
      <h3 id="later" class="place-name">Put off on this vehicle</h3>
      <p v-for="one in later" :key="one.jobId">
        Due <strong>{{ due(one) }}</strong>: {{ describe({ kind: 'circuitPlan', payload: one.plan }) }}.
        <NuxtLink :to="`/jobs/${one.jobId}/choose`" class="underline">{{ one.title }}</NuxtLink>
      </p>
    </section>
    <PagedList
      :items="jobs"
      :more="next !== null"
      :loading="loading"
      :error="error"
      empty="None yet."
      @again="load"
      @more="more"
    >
      <ul class="mt-2 border-t border-hairline">
        <li v-for="job in jobs" :key="job.id" class="border-b border-hairline">
          <NuxtLink :to="`/jobs/${job.id}/find`" class="block py-3 hover:bg-raised">
            <span class="block font-semibold">{{ job.title }}</span>
            <span class="text-soft">{{ JOB_KIND_WORDS[job.kind] }}, {{ when(job.lastAt) }}</span>
          </NuxtLink>
        </li>
      </ul>
    </PagedList>
  </section>
</template>

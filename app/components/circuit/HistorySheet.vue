<script setup lang="ts">
import { faultKind, findingKind } from '~~/core/diagnosis'
import type { VehicleHistory } from '~~/core/history'
import { operationOf } from '~~/core/work'
import type { DueTold, Page } from '~~/contract'
import type { TrendDot } from './TrendChart.vue'
import { useDesk } from '~/job/useDesk'
import { useLoaded } from '~/asking/useLoaded'
import { api } from '~/sync/api'
import { unitsNow, asTyped, symbolOf, withUnits } from '~/units/units'
import { computed } from 'vue'
import { dueDay, isLate } from '~/lib/due-days'
import { OUTCOME_WORDS, countOf } from '~~/core/words'
import SaveFile from '~/components/frame/SaveFile.vue'
import LoadState from '~/components/frame/LoadState.vue'
import TrendChart from '~/components/circuit/TrendChart.vue'

/** The vehicle over the years: its figures, leaks that come back, what it is owed, and its jobs. */
const { vehicleId } = useDesk()
const { value, loading, error, load } = useLoaded(() =>
  api<VehicleHistory>(`/vehicles/${vehicleId.value}/history`),
)
const { value: due } = useLoaded(() =>
  api<Page<DueTold>>(`/due?vehicle=${vehicleId.value}&units=${unitsNow()}`),
)
const inUnit = (value: number, unit: 'mm' | 'mm³' | '°C') => Number(asTyped(value, unit))
const free = computed((): TrendDot[] =>
  (value.value?.freeTravel ?? []).map(({ at, value: mm, phase }) => ({
    at,
    value: inUnit(mm, 'mm'),
    full: phase === 'after',
  })),
)
const air = computed((): TrendDot[] =>
  (value.value?.air ?? []).map(({ at, value: mm3, low, high, phase }) => ({
    at,
    value: inUnit(mm3, 'mm³'),
    low: inUnit(low, 'mm³'),
    high: inUnit(high, 'mm³'),
    full: phase === 'after',
  })),
)
const boils = computed((): TrendDot[] =>
  (value.value?.fluid ?? []).flatMap(({ at, boils: one }) =>
    one
      ? [
          {
            at,
            value: inUnit(one.value, '°C'),
            low: inUnit(one.low, '°C'),
            high: inUnit(one.high, '°C'),
            full: one.measured,
          },
        ]
      : [],
  ),
)
const charts = computed(() => [
  {
    id: 'freeTravel',
    name: 'Free travel at the pad',
    dots: free.value,
    unit: symbolOf('mm'),
    digits: unitsNow() === 'inch' ? 2 : 0,
    key: 'Ring: as found. Dot: as left.',
  },
  {
    id: 'air',
    name: 'Air, by free travel',
    dots: air.value,
    unit: symbolOf('mm³'),
    digits: unitsNow() === 'inch' ? 3 : 2,
    key: 'Bars: 90 % range.',
  },
  {
    id: 'boils',
    name: 'Fluid boils at',
    dots: boils.value,
    unit: symbolOf('°C'),
    digits: 0,
    key: 'Ring: by its age. Dot: measured.',
  },
])
const MONTH = 30 * 24 * 3600 * 1000
/** All charts over the same years, with room at either end. */
const years = computed(() => {
  const at = charts.value.flatMap(({ dots }) => dots.map((dot) => Date.parse(dot.at)))
  return { from: Math.min(...at) - MONTH, to: Math.max(...at) + MONTH }
})
const ages = computed(() =>
  (value.value?.fluid ?? [])
    .flatMap(({ at, months }) =>
      months === null ? [] : [`${months < 1 ? 'fresh' : `${Math.round(months)} months`} (${day(at)})`],
    )
    .join(', '),
)
const fluid = computed(() => value.value?.fluid.findLast(({ changed }) => changed !== null) ?? null)
const empty = computed(() => value.value !== null && value.value.jobs.length === 0)
const day = (iso: string) =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const titleOf = (id: string) => value.value?.jobs.find((job) => job.id === id)?.title ?? ''
</script>

<template>
  <section class="px-6 py-4" aria-labelledby="history" data-history>
    <div class="flex flex-wrap items-center gap-3">
      <h2 id="history" class="grow text-xl">History</h2>
      <a :href="`/api/vehicles/${vehicleId}/measurements`" class="quiet">Measurements as CSV</a>
      <SaveFile class="quiet" :from="`/api/vehicles/${vehicleId}/file`" name="vehicle.json">
        Vehicle as a file
      </SaveFile>
      <NuxtLink :to="`/jobs/new?vehicle=${vehicleId}`" class="act">New job</NuxtLink>
    </div>
    <LoadState v-if="!value" :loading="loading" :error="error" @again="load" />
    <p v-else-if="empty" class="mt-3 text-soft" role="status">
      No job yet. What its jobs measure is drawn here over the years.
    </p>
    <template v-else>
      <div class="mt-3 grid grid-cols-1 gap-x-8 gap-y-4 xl:grid-cols-3">
        <section v-for="one in charts" :key="one.id" :aria-labelledby="`trend-${one.id}`">
          <h3 :id="`trend-${one.id}`" class="place-name">{{ one.name }}</h3>
          <p v-if="one.dots.length === 0" class="text-soft">Not read yet.</p>
          <template v-else>
            <TrendChart
              :dots="one.dots"
              :unit="one.unit"
              :digits="one.digits"
              :from="years.from"
              :to="years.to"
              :zero="one.id !== 'boils'"
              :label="`${one.name}: ${one.dots.map((dot) => `${day(dot.at)} ${dot.value.toFixed(one.digits)} ${one.unit}`).join('; ')}`"
            />
            <p class="text-[0.95rem] text-soft">{{ one.key }}</p>
          </template>
          <p v-if="one.id === 'boils' && ages" class="text-[0.95rem]" data-ages>
            Its age when a job was done: {{ ages }}.
          </p>
        </section>
      </div>
      <div class="mt-4 grid grid-cols-1 gap-x-8 gap-y-4 xl:grid-cols-2">
        <div>
          <section aria-labelledby="fluid-due">
            <h3 id="fluid-due" class="place-name">Owed to it</h3>
            <ul class="border-t border-hairline">
              <li
                v-for="one in due?.items ?? []"
                :key="`${one.jobId} ${one.id}`"
                class="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-hairline"
              >
                <strong :class="isLate(one.due) ? 'text-rust' : ''">{{ dueDay(one.due) }}</strong>
                <NuxtLink :to="`/jobs/${one.jobId}/record`" class="underline underline-offset-4">{{
                  one.words
                }}</NuxtLink>
                <span v-if="one.atKm !== null" class="text-soft"
                  >at {{ withUnits(one.atKm, 'km') }}</span
                >
              </li>
            </ul>
            <p v-if="due && due.items.length === 0" class="text-soft">Nothing.</p>
            <p v-if="!fluid" class="text-[0.95rem] text-soft">
              Nobody has said how old its fluid is: the next change cannot be reckoned.
            </p>
          </section>
          <section v-if="value.leaks.length" class="mt-3" aria-labelledby="leaks" data-leaks>
            <h3 id="leaks" class="place-name">Leaks seen</h3>
            <ul class="border-t border-hairline">
              <li
                v-for="leak in value.leaks"
                :key="leak.finding"
                class="border-b border-hairline py-1"
                :class="leak.again ? 'font-semibold' : ''"
              >
                {{ findingKind(leak.finding).label }}: {{ findingKind(leak.finding).present
                }}{{ leak.again ? '. Came back' : '' }}
                <span class="font-normal text-soft">{{
                  leak.seen.map(({ at }) => day(at)).join(', ')
                }}</span>
              </li>
            </ul>
          </section>
        </div>
        <section aria-labelledby="its-jobs">
          <h3 id="its-jobs" class="place-name">Its jobs</h3>
          <ol class="border-t border-hairline">
            <li v-for="job in value.jobs" :key="job.id" class="border-b border-hairline py-1">
              <NuxtLink
                :to="`/jobs/${job.id}/record`"
                class="flex min-h-11 flex-wrap items-center gap-x-3 hover:bg-raised"
              >
                <span class="font-semibold">{{ job.title }}</span>
                <span class="text-soft">{{ day(job.openedAt) }}</span>
                <span>{{ job.outcome ? OUTCOME_WORDS[job.outcome] : 'no verdict yet' }}</span>
              </NuxtLink>
              <p v-if="job.cameBackOf" class="font-semibold" data-comeback>
                Came back: “{{ titleOf(job.cameBackOf) }}” was proven before it.
              </p>
              <p v-if="job.did.length || job.causes.length" class="text-[0.95rem] text-soft">
                {{
                  [
                    ...job.did.map((id) => operationOf(id).label),
                    ...(job.cycles ? [`bled in ${countOf(job.cycles, 'cycle')}`] : []),
                    ...job.causes.map((id) => `it was: ${faultKind(id).label.toLowerCase()}`),
                  ].join('; ')
                }}
              </p>
            </li>
          </ol>
        </section>
      </div>
    </template>
  </section>
</template>

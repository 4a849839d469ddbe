<script setup lang="ts">
import type { CameBackTold, DueTold, Page } from '~~/contract'
import { useLoaded } from '~/asking/useLoaded'
import { api } from '~/sync/api'
import { unitsNow } from '~/units/units'
import { computed } from 'vue'
import { dueDay, isLate } from '~/lib/due-days'
import { when } from '~/units/format'

/** What is due, and what came back: short, with the way to all of it. */
const SOON = 14 * 24 * 3600 * 1000
const MOST = 3
const { value: due } = useLoaded(() => api<Page<DueTold>>(`/due?limit=12&units=${unitsNow()}`))
const { value: back } = useLoaded(() => api<CameBackTold[]>('/due/came-back'))
const soon = computed(() =>
  (due.value?.items ?? []).filter((one) => one.due !== null && Date.parse(one.due) < Date.now() + SOON),
)
const shown = computed(() => soon.value.slice(0, MOST))
const cameBack = computed(() => (back.value ?? []).slice(0, MOST))
</script>

<template>
  <div
    v-if="shown.length || cameBack.length"
    class="mt-3 grid grid-cols-1 gap-x-8 gap-y-2 lg:grid-cols-2"
    data-ahead
  >
    <section v-if="shown.length" aria-labelledby="due-soon">
      <h3 id="due-soon" class="place-name">Due</h3>
      <ul class="border-t border-hairline">
        <li v-for="one in shown" :key="`${one.jobId} ${one.id}`" class="border-b border-hairline">
          <NuxtLink
            :to="`/jobs/${one.jobId}/${one.kind === 'recheck' ? 'prove' : 'record'}`"
            class="flex min-h-11 flex-wrap items-center gap-x-3 hover:bg-raised"
          >
            <strong :class="isLate(one.due) ? 'text-rust' : ''">{{ dueDay(one.due) }}</strong>
            <span class="font-semibold">{{ one.vehicleName }}</span>
            <span class="text-soft">{{ one.words }}</span>
          </NuxtLink>
        </li>
      </ul>
      <NuxtLink to="/due" class="tap px-0 underline">{{
        soon.length > MOST ? `All that is due, ${soon.length} of them soon` : 'All that is due'
      }}</NuxtLink>
    </section>
    <section v-if="cameBack.length" aria-labelledby="came-back" data-came-back>
      <h3 id="came-back" class="place-name">Came back</h3>
      <ul class="border-t border-hairline">
        <li v-for="one in cameBack" :key="one.jobId" class="border-b border-hairline">
          <NuxtLink
            :to="`/jobs/${one.jobId}/find`"
            class="flex min-h-11 flex-wrap items-center gap-x-3 hover:bg-raised"
          >
            <span class="font-semibold">{{ one.vehicleName }}</span>
            <span>{{ one.title }}</span>
            <span class="text-soft"
              >proven {{ when(one.before.provenAt) }}: {{ one.before.title }}</span
            >
          </NuxtLink>
        </li>
      </ul>
    </section>
  </div>
</template>

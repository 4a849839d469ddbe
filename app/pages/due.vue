<script setup lang="ts">
import type { DueTold } from '~~/contract'
import { usePages } from '~/asking/usePages'
import { unitsNow, withUnits } from '~/units/units'
import { computed } from 'vue'
import { dueDay, isLate } from '~/lib/due-days'
import AppHeader from '~/components/frame/AppHeader.vue'
import TroubleBar from '~/components/frame/TroubleBar.vue'
import PagedList from '~/components/frame/PagedList.vue'

/** All that the shop's vehicles are owed, the soonest first, and as a calendar. */
const { items, next, loading, error, load, more } = usePages<DueTold>(
  () => `/due?limit=60&units=${unitsNow()}`,
)
const address = computed(() => `${window.location.origin}/api/due/calendar`)
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader title="Mellow Anchor" sub="what is due" />
    <TroubleBar />
    <main class="grow px-6 py-5 lg:pl-23">
      <div class="flex flex-wrap items-center gap-3">
        <h2 class="grow text-xl">What is due</h2>
        <a href="/api/due/calendar" class="quiet">As a calendar</a>
      </div>
      <p class="max-w-3xl text-[0.95rem] text-soft">
        Looks again, repairs put off, what was promised, and fluid by its maker’s schedule or after two
        years. A calendar can follow <span class="font-mono break-all">{{ address }}</span>
      </p>
      <PagedList
        :items="items"
        :more="next !== null"
        :loading="loading"
        :error="error"
        empty="Nothing is due. A proven job says when it is looked at again; fluid that was changed comes here by itself."
        @again="load"
        @more="more"
      >
        <ol class="mt-4 border-t border-hairline" aria-label="What is due, the soonest first">
          <li
            v-for="one in items"
            :key="`${one.jobId} ${one.id}`"
            class="border-b border-hairline"
            data-due
          >
            <NuxtLink
              :to="`/jobs/${one.jobId}/${one.kind === 'recheck' ? 'prove' : 'record'}`"
              class="grid min-h-14 grid-cols-1 items-center gap-x-6 py-1 hover:bg-raised md:grid-cols-[9rem_minmax(0,1fr)_minmax(0,1.4fr)] md:px-3"
            >
              <strong :class="isLate(one.due) ? 'text-rust' : ''"
                >{{ dueDay(one.due) }}{{ isLate(one.due) ? ', late' : '' }}</strong
              >
              <span class="min-w-0">
                <span class="block font-semibold">{{ one.vehicleName }}</span>
                <span class="block text-soft">{{ one.title }}</span>
              </span>
              <span
                >{{ one.words
                }}<template v-if="one.atKm !== null"
                  >, {{ one.due === null ? '' : 'or ' }}at {{ withUnits(one.atKm, 'km') }}</template
                ></span
              >
            </NuxtLink>
          </li>
        </ol>
      </PagedList>
    </main>
  </div>
</template>

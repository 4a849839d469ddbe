<script setup lang="ts">
import type { Vehicle } from '~~/contract'
import { useQueryText } from '~/frame/useQueryText'
import { useSearch, usePages } from '~/asking/usePages'
import AppHeader from '~/components/frame/AppHeader.vue'
import TroubleBar from '~/components/frame/TroubleBar.vue'
import SearchField from '~/components/frame/SearchField.vue'
import PagedList from '~/components/frame/PagedList.vue'

const typed = useQueryText('search')
const search = useSearch(typed)
const { items, next, loading, error, load, more } = usePages<Vehicle>(
  () => `/vehicles?limit=60${search.value}`,
)
</script>

<template>
  <div class="flex min-h-screen flex-col">
    <AppHeader title="Mellow Anchor" sub="vehicles" />
    <TroubleBar />
    <main class="grow px-6 py-5 lg:pl-23">
      <div class="flex flex-wrap items-center gap-3">
        <h2 class="text-xl">Vehicles</h2>
        <SearchField v-model="typed" label="Search by name, plate or model" />
        <NuxtLink to="/vehicles/new" class="act">New vehicle</NuxtLink>
      </div>
      <PagedList
        :items="items"
        :more="next !== null"
        :loading="loading"
        :error="error"
        :empty="
          search
            ? 'No vehicle has all of these words in its name, plate or model.'
            : 'No vehicles yet. A new one takes a kind, a name and three tape readings.'
        "
        @again="load"
        @more="more"
      >
        <ul class="mt-4 border-t border-hairline" aria-label="Vehicles">
          <li v-for="vehicle in items" :key="vehicle.id" class="border-b border-hairline">
            <NuxtLink
              :to="`/vehicles/${vehicle.id}`"
              class="grid min-h-14 grid-cols-[minmax(0,1fr)_auto] items-center gap-x-6 py-1 hover:bg-raised md:grid-cols-[minmax(0,1fr)_minmax(0,14rem)_9rem] md:px-3"
            >
              <span class="font-semibold">{{ vehicle.name }}</span>
              <span class="hidden text-soft md:block">{{ vehicle.model }}</span>
              <span class="text-right font-mono text-soft">{{ vehicle.plate }}</span>
            </NuxtLink>
          </li>
        </ul>
      </PagedList>
    </main>
  </div>
</template>

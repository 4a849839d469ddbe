<script setup lang="ts">
import { sheetOf, SHEETS } from './sheets'

/** The sheets of an open circuit, one at a time. */
const { path, subject } = useDesk()
const route = useRoute()
const jobs = computed(() => subject.type === 'vehicle' && route.params.sheet === 'jobs')
const sheet = computed(() => (jobs.value ? null : sheetOf(route.params.sheet)))
</script>

<template>
  <div>
    <nav
      aria-label="Sheets of the circuit"
      class="no-print sticky top-0 z-10 flex flex-wrap border-b border-hairline bg-ground px-4"
    >
      <NuxtLink
        v-for="one in SHEETS"
        :key="one.id"
        :to="`${path}/${one.id}`"
        class="tap"
        :class="one.id === sheet ? 'sheet-here font-semibold' : 'text-soft'"
        :aria-current="one.id === sheet ? 'page' : undefined"
        >{{ one.name }}</NuxtLink
      >
      <NuxtLink
        v-if="subject.type === 'vehicle'"
        :to="`${path}/jobs`"
        class="tap"
        :class="jobs ? 'sheet-here font-semibold' : 'text-soft'"
        :aria-current="jobs ? 'page' : undefined"
        >Jobs</NuxtLink
      >
    </nav>
    <VehicleJobs v-if="jobs" />
    <PartsSheet v-else-if="sheet === 'parts'" />
    <RouteSheet v-else-if="sheet === 'route'" />
    <CurveSheet v-else-if="sheet === 'curves'" />
    <WhatIfSheet v-else-if="sheet === 'whatif'" />
    <WearSheet v-else-if="sheet === 'wear'" />
    <GuessSheet v-else-if="sheet === 'guess'" />
    <KeepSheet v-else />
  </div>
</template>

<style scoped>
.sheet-here {
  box-shadow: inset 0 -4px var(--amber);
}
</style>

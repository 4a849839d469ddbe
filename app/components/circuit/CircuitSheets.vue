<script setup lang="ts">
import { sheetOf, SHEETS } from './sheets'

/** The sheets of an open circuit, one at a time. */
const { path, subject } = useDesk()
const route = useRoute()
const jobs = computed(() => subject.type === 'vehicle' && route.params.sheet === 'jobs')
const sheet = computed(() => (jobs.value ? null : sheetOf(route.params.sheet)))
const tabs = computed(() =>
  [...SHEETS, ...(subject.type === 'vehicle' ? [{ id: 'jobs', name: 'Jobs' }] : [])].map((one) => ({
    ...one,
    to: `${path}/${one.id}`,
  })),
)
</script>

<template>
  <div>
    <SheetTabs :tabs="tabs" :open="jobs ? 'jobs' : sheet" label="Sheets of the circuit" />
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

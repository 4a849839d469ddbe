<script setup lang="ts">
import { sheetOf, SHEETS } from '~/job/sheets'
import { useDesk } from '~/job/useDesk'
import { useRoute } from '#imports'
import { computed } from 'vue'
import SheetTabs from '~/components/frame/SheetTabs.vue'
import VehicleJobs from '~/components/circuit/VehicleJobs.vue'
import HistorySheet from '~/components/circuit/HistorySheet.vue'
import PartsSheet from '~/components/circuit/PartsSheet.vue'
import RouteSheet from '~/components/circuit/RouteSheet.vue'
import CurveSheet from '~/components/circuit/CurveSheet.vue'
import WhatIfSheet from '~/components/circuit/WhatIfSheet.vue'
import WearSheet from '~/components/circuit/WearSheet.vue'
import GuessSheet from '~/components/circuit/GuessSheet.vue'
import KeepSheet from '~/components/circuit/KeepSheet.vue'

/** The sheets of an open circuit, one at a time. */
const { path, subject } = useDesk()
const route = useRoute()
const OF_VEHICLE = [
  { id: 'jobs', name: 'Jobs' },
  { id: 'history', name: 'History' },
] as const
const own = computed(() =>
  subject.type === 'vehicle'
    ? (OF_VEHICLE.find(({ id }) => id === route.params.sheet)?.id ?? null)
    : null,
)
const sheet = computed(() => (own.value ? null : sheetOf(route.params.sheet)))
const tabs = computed(() =>
  [...SHEETS, ...(subject.type === 'vehicle' ? OF_VEHICLE : [])].map((one) => ({
    ...one,
    to: `${path}/${one.id}`,
  })),
)
</script>

<template>
  <div>
    <SheetTabs :tabs="tabs" :open="own ?? sheet" label="Sheets of the circuit" />
    <VehicleJobs v-if="own === 'jobs'" />
    <HistorySheet v-else-if="own === 'history'" />
    <PartsSheet v-else-if="sheet === 'parts'" />
    <RouteSheet v-else-if="sheet === 'route'" />
    <CurveSheet v-else-if="sheet === 'curves'" />
    <WhatIfSheet v-else-if="sheet === 'whatif'" />
    <WearSheet v-else-if="sheet === 'wear'" />
    <GuessSheet v-else-if="sheet === 'guess'" />
    <KeepSheet v-else />
  </div>
</template>

<script setup lang="ts">
import { type Measured, stackOf } from '~/job/stacks'
import { useEventListener } from '@vueuse/core'
import type { Vehicle } from '~~/contract'
import { archetypeById, assumedFigures } from '~~/core/installation'
import { installationFrom } from '~~/core/journal'
import { phaseFigures } from '~~/core/proof'
import { drawnOn, sheetOf } from '~/job/sheets'
import { sheetSight } from '~/job/in-sight'
import { useFollowing } from '~/job/useFollowing'
import { useOpened } from '~/job/useOpened'
import { provideDesk } from '~/job/useDesk'
import { useRoute } from '#imports'
import { useJournalStore } from '~/stores/journal'
import { usePersonStore } from '~/stores/person'
import { useLoaded } from '~/asking/useLoaded'
import { useFiling } from '~/job/useFiling'
import { computed, ref, defineAsyncComponent } from 'vue'
import { useRouting } from '~/job/useRouting'
import { isTyping } from '~/lib/keys'
import AppHeader from '~/components/frame/AppHeader.vue'
import TroubleBar from '~/components/frame/TroubleBar.vue'
import LoadState from '~/components/frame/LoadState.vue'
import CircuitLine from '~/components/circuit/CircuitLine.vue'
import PadLadder from '~/components/job/PadLadder.vue'

const VehicleNames = defineAsyncComponent(() => import('~/components/vehicle/VehicleNames.vue'))

/** A vehicle: its release circuit on the line and the ladder, its sheets and its jobs. */
const route = useRoute()
const id = String(route.params.id)
const subject = { type: 'vehicle', id } as const
const journal = useJournalStore()
const person = usePersonStore()
const opened = useOpened<Vehicle>('vehicle')
const vehicle = opened.value
const { loading, error, load } = useLoaded(async () => {
  await journal.restored
  await Promise.all([opened.load(id), person.load()])
})
useFollowing(
  () => (vehicle.value ? `/vehicles/${id}` : undefined),
  [{ subject: () => subject, look: opened.look }],
)
const filing = useFiling(subject, () => sheetSight(sheetOf(route.params.sheet)))
const kept = computed(() => installationFrom(filing.entries.value))
const routing = useRouting(kept, filing.file)
const measured = computed((): Measured => {
  const draft = routing.draft.value
  const installation = draft && draft.circuit !== kept.value?.circuit ? draft : kept.value
  return installation ? [stackOf('asItIs', phaseFigures(installation, {}))] : []
})
const { stacks } = provideDesk({
  subject,
  path: `/vehicles/${id}`,
  name: computed(() => vehicle.value?.name ?? 'Vehicle'),
  vehicleId: computed(() => id),
  model: computed(() => vehicle.value?.model ?? null),
  kept,
  routing,
  filing,
  measured,
  plan: computed(() => null),
  readings: computed(() => ({})),
  vehicleEntries: filing.entries,
})
/** Its name, plate and model are being put right. */
const naming = ref(false)
const kind = computed(() => archetypeById(kept.value?.archetype ?? '')?.name ?? '')
const guessed = computed(() => (kept.value ? assumedFigures(kept.value).length : 0))

useEventListener('keydown', (event: KeyboardEvent) => {
  if (isTyping(event) || event.key.toLowerCase() !== 'z' || !(event.ctrlKey || event.metaKey)) return
  event.preventDefault()
  void (event.shiftKey ? filing.redo() : filing.undo())
})
</script>

<template>
  <div class="flex min-h-screen flex-col lg:h-screen">
    <AppHeader
      :title="vehicle?.name ?? 'Vehicle'"
      :sub="
        [vehicle?.plate, vehicle?.model, kind, `${guessed} figures assumed`].filter(Boolean).join(' · ')
      "
    >
      <template #nav>
        <NuxtLink to="/vehicles" class="tap">Vehicles</NuxtLink>
        <button v-if="vehicle" type="button" class="tap" @click="naming = true">Name</button>
        <NuxtLink :to="`/jobs/new?vehicle=${id}`" class="tap">New job</NuxtLink>
      </template>
    </AppHeader>
    <TroubleBar />
    <VehicleNames v-if="vehicle && naming" v-model="naming" :vehicle="vehicle" @renamed="load" />
    <LoadState :loading="loading" :error="error" @again="load" />
    <div
      v-if="vehicle && kept"
      class="grid min-h-0 grow grid-cols-1 lg:grid-cols-[minmax(0,1fr)_14rem]"
    >
      <div class="flex min-h-0 min-w-0 flex-col">
        <CircuitLine
          v-if="route.params.sheet !== 'history'"
          class="shrink-0 border-b border-hairline"
          :class="drawnOn(route.params.sheet) ? 'h-80' : 'h-66'"
          sheet
        />
        <main class="min-h-0 grow overflow-y-auto" tabindex="-1"><NuxtPage /></main>
      </div>
      <div class="h-[34rem] border-hairline lg:h-auto lg:border-l">
        <PadLadder v-if="stacks.length" :stacks="stacks" />
      </div>
    </div>
  </div>
</template>

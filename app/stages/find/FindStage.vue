<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { FINDINGS, fits, NOISE_PLACES, PLACES, READINGS, type Place } from '~~/core/diagnosis'
import { startStage } from '~~/core/journal'
import { useJob, useJobFigures } from '~/job/useJob'
import { useDiagnosis } from '~/job/useDiagnosis'
import { onMounted, onBeforeUnmount, computed } from 'vue'
import { useRoute, navigateTo } from '#imports'
import HereBefore from '~/stages/find/HereBefore.vue'
import OwedBefore from '~/components/job/OwedBefore.vue'
import PlaceFindings from '~/stages/find/PlaceFindings.vue'
import DriverSays from '~/stages/find/DriverSays.vue'
import NoiseHunt from '~/stages/find/NoiseHunt.vue'
import PlaceCaution from '~/stages/find/PlaceCaution.vue'
import ReadingField from '~/components/job/ReadingField.vue'
import AirFigure from '~/components/job/AirFigure.vue'
import FindAdvice from '~/stages/find/FindAdvice.vue'
import NextLook from '~/stages/find/NextLook.vue'
import ModelNotes from '~/components/photo/ModelNotes.vue'
import ModelPhotos from '~/components/photo/ModelPhotos.vue'
import SuspectList from '~/stages/find/SuspectList.vue'
import ConditionRow from '~/stages/find/ConditionRow.vue'
import GuidePanel from '~/stages/find/GuidePanel.vue'

/** What is complained of, seen and measured, by place; and what it adds up to, with the best next look. */
const { id, job, vehicle, state } = useJob()
const { proof, installation } = useJobFigures()
const { told, waiting, problem, watched } = useDiagnosis()
onMounted(() => (watched.value = true))
onBeforeUnmount(() => (watched.value = false))

type TabId = 'glance' | 'says' | Place | 'noise' | 'measured'
const route = useRoute()
const complained = computed(() => state.value.complaints.length > 0)
const tab = computed<TabId>({
  get: () => {
    const asked = route.query.at as TabId | undefined
    if (asked && tabs.value.some((one) => one.id === asked)) return asked
    return complained.value ? 'engineBay' : 'glance'
  },
  set: (at) => void navigateTo({ query: { at } }, { replace: true }),
})
const here = computed(() =>
  FINDINGS.filter(
    (one) => !one.proveOnly && (!installation.value || fits(one.only, installation.value)),
  ),
)
const looked = (ids: readonly { id: keyof (typeof state.value.found)['asFound'] }[]) =>
  ids.filter(({ id: one }) => {
    const said = state.value.found.asFound[one]?.payload.state
    return said !== undefined && said !== 'notLooked'
  }).length
const tabs = computed(() => {
  const list: { id: TabId; label: string; count: string }[] = [
    { id: 'says', label: 'Driver', count: String(state.value.complaints.length || '') },
  ]
  const glance = here.value.filter((one) => one.glance)
  if (!complained.value)
    list.unshift({
      id: 'glance',
      label: 'Quick check',
      count: `${looked(glance)}/${glance.length}`,
    })
  for (const place of PLACES) {
    const own = here.value.filter((one) => one.place === place.id)
    list.push({ id: place.id, label: PLACE_TABS[place.id], count: `${looked(own)}/${own.length}` })
  }
  const heard = NOISE_PLACES.map(({ finding }) => ({ id: finding }))
  list.push({ id: 'noise', label: 'Noise', count: String(looked(heard) || '') })
  const read = Object.keys(state.value.readings.asFound).length
  list.push({ id: 'measured', label: 'Measured', count: `${read}/${readings.value.length}` })
  return list
})
const PLACE_TABS: Record<Place, string> = {
  engineBay: 'Engine bay',
  footwell: 'Footwell',
  underneath: 'Underneath',
  road: 'Pedal, road',
}
const cautionAt = (id: Place) => PLACES.find((place) => place.id === id)!.caution
const readings = computed(() =>
  READINGS.filter(
    ({ name }) => name !== 'rodStroke' || installation.value?.circuit.slave.type === 'external',
  ),
)
const glanceMinutes = computed(() =>
  here.value.filter((one) => one.glance).reduce((sum, { minutes }) => sum + minutes, 0),
)
const onward = computed(() => (job.value ? startStage(job.value.kind) : 'choose'))
</script>

<template>
  <HereBefore />
  <OwedBefore class="border-b border-hairline px-6 py-1" />
  <div class="grid gap-x-8 lg:grid-cols-[minmax(0,0.95fr)_minmax(0,1fr)]">
    <div class="order-2 border-hairline px-6 py-3 lg:order-none lg:border-r">
      <TabGroup
        :selected-index="tabs.findIndex((one) => one.id === tab)"
        manual
        @change="(i) => (tab = tabs[i]!.id)"
      >
        <TabList
          class="grid grid-cols-2 gap-x-3 border-b border-hairline sm:grid-cols-3 lg:grid-cols-2 xl:grid-cols-3"
          aria-label="Where to look"
        >
          <Tab
            v-for="one in tabs"
            :key="one.id"
            class="flex min-h-11 items-center justify-between gap-1 border-b-4 text-left text-[0.95rem] leading-tight whitespace-nowrap"
            :class="[
              tab === one.id ? 'border-amber font-semibold' : 'border-transparent',
              one.id === 'glance' ? 'col-span-full' : '',
            ]"
          >
            {{ one.label }}<span class="text-[0.9rem] font-normal text-soft">{{ one.count }}</span>
          </Tab>
        </TabList>
        <TabPanels>
          <TabPanel v-for="one in tabs" :key="one.id">
            <template v-if="one.id === 'glance'">
              <p class="py-2">
                No complaint. {{ glanceMinutes }} min while one is there, so that nothing comes back
                unseen; or
                <NuxtLink :to="`/jobs/${id}/${onward === 'find' ? 'choose' : onward}`" class="underline"
                  >skip Find</NuxtLink
                >.
              </p>
              <PlaceFindings
                :show="(finding) => finding.glance === true"
                caution="Gloves and glasses. Go underneath only on rated stands, wheels chocked. Nobody at the pedal while hands are at rod or fork."
              />
            </template>
            <DriverSays v-else-if="one.id === 'says'" />
            <NoiseHunt v-else-if="one.id === 'noise'" />
            <template v-else-if="one.id === 'measured'">
              <PlaceCaution>
                Go underneath only on rated stands, wheels chocked. Nobody at the pedal while hands are
                at rod or fork, but for the one called stroke that measures it.
              </PlaceCaution>
              <ReadingField
                v-for="reading in readings"
                :key="reading.name"
                :reading="reading.name"
                phase="asFound"
              />
              <AirFigure
                v-if="proof"
                class="mt-3"
                :figures="proof.before"
                heading="Air in the circuit"
              />
              <NuxtLink
                :to="`/jobs/${id}/circuit/guess`"
                class="mt-1 inline-flex min-h-11 items-center underline"
              >
                What the assumed figures do to this
              </NuxtLink>
            </template>
            <PlaceFindings
              v-else
              :show="(finding) => finding.place === one.id"
              :caution="cautionAt(one.id)"
            />
          </TabPanel>
        </TabPanels>
      </TabGroup>
    </div>
    <div class="px-6 py-3 lg:pl-0" :aria-busy="waiting">
      <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
      <p v-else-if="!told" class="text-soft" role="status">Working out what it adds up to…</p>
      <template v-if="told">
        <FindAdvice />
        <NextLook class="mt-3" />
        <ModelNotes class="mt-3" />
        <ModelPhotos :model="vehicle?.model ?? null" />
        <SuspectList class="mt-2" />
        <ConditionRow class="mt-2" />
        <GuidePanel class="mt-3" />
        <p class="mt-3 text-[0.9rem] text-soft">
          Chances are judgement put into figures, moved by what this shop has found. They advise; the
          maker’s data, local codes and whoever signs decide. Four or more faults at once are not
          considered: {{ (100 * told.leftOut).toFixed(1) }} % of vehicles.
        </p>
      </template>
    </div>
  </div>
</template>

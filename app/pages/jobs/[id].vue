<script setup lang="ts">
import { type Measured, stackOf, pedalReadings } from '~/job/stacks'
import type { LadderStacks } from '~/job/drawn'
import { PanelRightClose, PanelRightOpen, PanelTopClose } from '~/icons'
import { useEventListener, useMediaQuery, useStorage } from '@vueuse/core'
import { isImplausible } from '~~/core/circuit'
import { STAGES, type Stage } from '~~/core/journal'
import { drawnOn, sheetOf } from '~/job/sheets'
import { provideDesk } from '~/job/useDesk'
import { STAGE_FACES } from '~/stages'
import { sheetSight } from '~/job/in-sight'
import { useRoute, navigateTo } from '#imports'
import { computed, ref, watch } from 'vue'
import { provideJob } from '~/job/useJob'
import { provideDiagnosis } from '~/job/useDiagnosis'
import { providePlan } from '~/job/usePlan'
import { useFolded } from '~/frame/useFolded'
import { isTyping } from '~/lib/keys'
import { millimetres } from '~/units/format'
import AppHeader from '~/components/frame/AppHeader.vue'
import PresenceButton from '~/components/job/PresenceButton.vue'
import TroubleBar from '~/components/frame/TroubleBar.vue'
import LoadState from '~/components/frame/LoadState.vue'
import JobSpine from '~/stages/JobSpine.vue'
import LineStrip from '~/components/line/LineStrip.vue'
import CircuitLine from '~/components/circuit/CircuitLine.vue'
import PresenceBar from '~/components/job/PresenceBar.vue'
import ClosedBar from '~/components/job/ClosedBar.vue'
import StopBar from '~/components/job/StopBar.vue'
import LedgerStrip from '~/components/job/LedgerStrip.vue'
import SayLine from '~/components/job/SayLine.vue'
import PadLadder from '~/components/job/PadLadder.vue'
import JobJournal from '~/components/job/JobJournal.vue'

const route = useRoute()
const id = String(route.params.id)
/** A sheet of the circuit is open instead of a stage. */
const onSheet = computed(() => route.path.startsWith(`/jobs/${id}/circuit`))
/** Nothing but the sheet that is printed. */
const onPrint = computed(() =>
  ['print', 'customer', 'verdict'].some((paper) => route.path === `/jobs/${id}/${paper}`),
)
/** Calls stand on the whole screen. */
const onCalls = computed(() => route.path === `/jobs/${id}/bleed/calls`)
const { job: open, figures: meaning } = provideJob(id, () =>
  onSheet.value ? sheetSight(sheetOf(route.params.sheet)) : null,
)
const { job, vehicle, error, stage, state, load } = open
const { installation, figures } = meaning
const { told, watched } = provideDiagnosis(open, meaning)
providePlan(open, meaning)
const wants = computed(() => STAGE_FACES[stage.value].frame)
const journalOpen = ref(false)
const companyOpen = ref(false)
/** A page that draws the line itself has a name of its own. */
const lineAt = computed(() =>
  stage.value === 'bleed' && route.params.sheet === 'inside' ? 'inside' : stage.value,
)
const { folded: lineFolded, toggle: foldLine } = useFolded('line', lineAt)
const { folded: ladderFolded, toggle: foldLadder } = useFolded('ladder', stage)
/** Below this the ladder takes more than its share. */
const narrow = useMediaQuery('(min-width: 1024px) and (max-width: 1099px)')
const ladderAside = computed(() => narrow.value && ladderFolded.value && !onSheet.value)
/** Where the job was left, so that the bench goes on there. */
const keptStage = useStorage(`mellow-stage-${id}`, '')

/** Fewer suspects, and only likely ones, can be read on the line. */
const SHOWN_FROM = 0.15
const MOST_SHOWN = 3

watch(
  () => route.params.stage,
  (given) => {
    // A sheet of the circuit belongs to the stage from which it was opened.
    if (given === undefined) return
    stage.value = STAGES.find((known) => known === given) ?? 'find'
    keptStage.value = stage.value
  },
  { immediate: true },
)
useEventListener('keydown', (event: KeyboardEvent) => {
  if (onCalls.value || isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'c') void navigateTo(`/jobs/${id}/circuit/parts`)
  if (event.key === 'l' && !onSheet.value) foldLine()
  if (event.key === 'p' && narrow.value && !onSheet.value) foldLadder()
  const to: Stage | undefined = STAGES[Number(event.key) - 1]
  if (to) void navigateTo(`/jobs/${id}/${to}`)
})

/** As found; beside it what the stage is about, or on a sheet what the work came to. */
const measured = computed((): Measured => {
  const { asFound } = figures
  if (!asFound.value) return []
  const { readings } = state.value
  const found = stackOf('asFound', asFound.value, readings.asFound)
  const beside =
    wants.value.beside ?? (onSheet.value ? ({ phase: 'after', name: 'after' } as const) : null)
  if (!beside || Object.keys(readings[beside.phase]).length === 0) return [found]
  const name = onSheet.value ? 'after' : beside.name
  return [found, stackOf(name, figures[beside.phase].value!, readings[beside.phase])]
})
const desk = provideDesk({
  subject: open.subject,
  path: `/jobs/${id}/circuit`,
  name: computed(() => vehicle.value?.name ?? 'Job'),
  vehicleId: computed(() => vehicle.value?.id ?? ''),
  model: computed(() => vehicle.value?.model ?? null),
  kept: meaning.kept,
  routing: meaning.routing,
  filing: open,
  measured,
  plan: computed(() => state.value.circuitPlan?.payload.changes ?? null),
  readings: computed(() => pedalReadings(state.value.readings.asFound)),
  vehicleEntries: open.vehicleEntries,
})
/** What a page compares goes before what was measured; it ends with its page. */
watch(
  () => route.path,
  () => (desk.compared.value = []),
)
/** On the stages the plan stands beside what was measured only once it is filed. */
const stacks = computed((): LadderStacks | readonly [] => {
  const compared = desk.compared.value
  if (compared.length > 0) return compared as LadderStacks
  return onSheet.value || state.value.circuitPlan?.payload.changes.length
    ? desk.stacks.value
    : measured.value
})
const air = computed(() => {
  const found = measured.value.at(-1)?.figures.air
  return !found || isImplausible(found) || found.low <= 0 ? null : found.air
})
/** Suspects are shown on the line while one looks for them. */
const suspects = computed(() =>
  watched.value && wants.value.suspects
    ? (told.value?.suspects ?? []).filter(({ chance }) => chance >= SHOWN_FROM).slice(0, MOST_SHOWN)
    : [],
)
const seen = computed(() => {
  const { asFound, working, after } = state.value.found
  return wants.value.found === 'asFound' ? asFound : { ...asFound, ...working, ...after }
})
</script>

<template>
  <div class="flex min-h-screen flex-col lg:h-screen">
    <AppHeader v-if="!onCalls" :title="vehicle?.name ?? 'Job'" :sub="job?.title">
      <template #nav>
        <PresenceButton v-if="job" v-model="companyOpen" />
        <button v-if="job" type="button" class="tap" @click="journalOpen = true">Journal</button>
        <NuxtLink
          v-if="job"
          :to="`/jobs/${id}/circuit/parts`"
          class="tap"
          :class="{ 'font-semibold underline underline-offset-4': onSheet }"
          :aria-current="onSheet ? 'page' : undefined"
          >Circuit</NuxtLink
        >
        <NuxtLink v-if="vehicle" :to="`/vehicles/${vehicle.id}`" class="tap">Vehicle</NuxtLink>
        <NuxtLink v-if="job" :to="`/jobs/${id}/print`" class="tap">Print</NuxtLink>
      </template>
    </AppHeader>
    <TroubleBar v-if="!onCalls" />
    <LoadState :loading="!job" :error="error" @again="load" />
    <main v-if="onCalls && job && installation" class="grow"><NuxtPage /></main>
    <main v-else-if="onPrint && job && installation" class="grow"><NuxtPage /></main>
    <div
      v-else-if="job && installation && stacks.length"
      class="grid min-h-0 grow grid-cols-1 lg:grid-rows-[minmax(0,1fr)]"
      :class="
        ladderAside
          ? 'lg:grid-cols-[4.75rem_minmax(0,1fr)_3.5rem]'
          : 'lg:grid-cols-[4.75rem_minmax(0,1fr)_14rem]'
      "
    >
      <JobSpine :stage="onSheet ? null : stage" />
      <div class="flex min-h-0 min-w-0 flex-col">
        <LineStrip
          v-if="lineFolded && !onSheet"
          class="shrink-0 border-b border-hairline"
          :found="seen"
          :suspects="suspects"
          :air="air"
          @unfold="foldLine"
          @pick="navigateTo(`/jobs/${id}/circuit/parts`)"
        />
        <CircuitLine
          v-else
          class="relative shrink-0 border-b border-hairline"
          :class="
            onSheet && drawnOn(route.params.sheet) ? 'h-76' : onSheet ? 'h-66' : 'h-56 lg:h-[14.2rem]'
          "
          :found="seen"
          :suspects="suspects"
          :air="air"
          :sheet="onSheet"
        >
          <button
            v-if="!onSheet"
            type="button"
            class="tap no-print absolute top-0 right-0 z-10"
            aria-label="Fold the line"
            title="l"
            aria-expanded="true"
            @click="foldLine"
          >
            <PanelTopClose :size="20" aria-hidden="true" />
          </button>
        </CircuitLine>
        <PresenceBar v-model="companyOpen" />
        <ClosedBar />
        <StopBar />
        <LedgerStrip />
        <main class="min-h-0 grow overflow-y-auto" tabindex="-1">
          <NuxtPage />
        </main>
        <SayLine />
      </div>
      <div class="relative h-[34rem] border-hairline lg:h-auto lg:border-l">
        <button
          v-if="narrow && !onSheet"
          type="button"
          class="tap no-print absolute top-0 right-0 z-10"
          :aria-label="ladderAside ? 'Show the ladder' : 'Fold the ladder'"
          :aria-expanded="!ladderAside"
          title="p"
          @click="foldLadder"
        >
          <component
            :is="ladderAside ? PanelRightOpen : PanelRightClose"
            :size="20"
            aria-hidden="true"
          />
        </button>
        <p v-if="ladderAside" class="pt-14 text-center leading-tight" data-ladder-aside>
          <span class="block text-[0.95rem] text-soft">reserve</span>
          <strong class="block">{{ millimetres(stacks.at(-1)!.figures.reserve.value) }}</strong>
        </p>
        <PadLadder v-else-if="stacks.length" :stacks="stacks" />
      </div>
    </div>
    <JobJournal v-if="job" v-model="journalOpen" />
  </div>
</template>

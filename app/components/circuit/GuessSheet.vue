<script setup lang="ts">
import { readingKind } from '~~/core/diagnosis'
import { TAPE_READINGS, type TapeReading } from '~~/core/estimate'
import { assumedFigures, installationField } from '~~/core/installation'
import type { CoreUnit } from '~~/core/quantity'
import { useHeavy } from '~/asking/heavy'
import { useDesk } from '~/job/useDesk'
import { reactive, toRef, ref, computed } from 'vue'
import { useRetyping, typedWithin, withUnits, unitsNow, boundsIn, symbolOf } from '~/units/units'
import { useGoodPedal } from '~/job/useGoodPedal'
import { when } from '~/units/format'
import HeavyButton from '~/components/circuit/HeavyButton.vue'
import RangeTable from '~/components/circuit/RangeTable.vue'

/** What nobody knows: what a few tape readings say all the same, how much of it is guess, and what to read next. */
const { subject, vehicleId, kept, readings, vehicleEntries, filing } = useDesk()
/** Readings taken for this question alone, where no job holds them; and whether the pedal is known good. */
const own = reactive<Record<TapeReading, string>>({ freeTravel: '', takeUpHeight: '', rodStroke: '' })
for (const name of TAPE_READINGS) useRetyping(toRef(own, name), () => 'mm')
const knownGood = ref(false)
const external = computed(() => kept.value?.circuit.slave.type === 'external')
const asked = computed(() => TAPE_READINGS.filter((name) => name !== 'rodStroke' || external.value))
const goodPedal = useGoodPedal(vehicleId, vehicleEntries)
const calibration = goodPedal.held
const typedReadings = computed(() => {
  const list: Partial<Record<TapeReading, number>> = {}
  for (const name of asked.value) {
    const value = typedWithin(own[name], 'mm', readingKind(name))
    if (value !== null) list[name] = value
  }
  return list
})
const bad = computed(() =>
  asked.value.find((name) => own[name].trim() !== '' && typedReadings.value[name] === undefined),
)
const used = computed(() => ({ ...readings.value, ...typedReadings.value }))
const count = computed(() => asked.value.filter((name) => used.value[name] !== undefined).length)
const known = computed(() =>
  kept.value
    ? {
        installation: kept.value,
        readings: used.value,
        ...(knownGood.value && { knownGood: true }),
        ...(calibration.value && !knownGood.value && { calibration: calibration.value.payload }),
      }
    : null,
)
/** What is known changes while it is weighed: weighed anew. */
const {
  progress,
  answer,
  problem,
  isFresh: fresh,
  ask: weigh,
  stop,
} = useHeavy('estimate', () => (bad.value ? null : known.value), { byHand: true, keeps: true })
/** Null while there is none, and where the readings cannot be of this kind of vehicle. */
const result = computed(() => (answer.value && 'air' in answer.value ? answer.value : null))
const implausible = computed(() =>
  answer.value && 'implausible' in answer.value ? answer.value.implausible : null,
)
async function keepCalibration() {
  filing.problem.value = await goodPedal.keep(used.value)
}
const ROWS: {
  name: 'air' | 'reserve' | 'padForce' | 'pedalTravelAtRelease'
  label: string
  unit: CoreUnit
}[] = [
  { name: 'air', label: 'Trapped air', unit: 'mm³' },
  { name: 'reserve', label: 'Reserve', unit: 'mm' },
  { name: 'padForce', label: 'Largest pad force', unit: 'N' },
  { name: 'pedalTravelAtRelease', label: 'Pad travel to free the disc', unit: 'mm' },
]
const EXTRA: Record<string, string> = { load: 'the cover’s load', expansion: 'the hoses’ swell' }
const nameOf = (name: string) =>
  TAPE_READINGS.some((one) => one === name)
    ? readingKind(name as TapeReading).label.toLowerCase()
    : (installationField(name)?.label.toLowerCase() ?? EXTRA[name] ?? name)
const howOf = (name: string) =>
  TAPE_READINGS.some((one) => one === name)
    ? readingKind(name as TapeReading).how
    : (installationField(name)?.how ?? '')
const percent = (share: number) => Math.round(100 * share)
</script>

<template>
  <div v-if="kept" class="grid gap-x-8 px-6 py-4 lg:grid-cols-[minmax(0,0.85fr)_minmax(0,1fr)]">
    <section aria-label="What is known">
      <p>
        {{ assumedFigures(kept).length }} figures of this vehicle are assumed. Circuits that could be
        this one are drawn from its kind and weighed by what was read.
      </p>
      <div
        v-for="name in asked"
        :key="name"
        class="flex items-center gap-3 border-b border-hairline py-1"
      >
        <label class="grow" :for="`guess-${name}`">{{ readingKind(name).label }}</label>
        <strong v-if="readings[name] !== undefined" class="text-right">{{
          withUnits(readings[name]!, 'mm', unitsNow() === 'inch' ? 2 : readings[name]! % 1 ? 1 : 0)
        }}</strong>
        <input
          :id="`guess-${name}`"
          v-model="own[name]"
          class="field w-24"
          inputmode="decimal"
          autocomplete="off"
          :placeholder="readings[name] === undefined ? symbolOf('mm') : 'instead'"
          :aria-invalid="bad === name"
        />
      </div>
      <p v-if="bad" role="alert" class="font-semibold text-rust">
        {{ readingKind(bad).label }}: {{ boundsIn(readingKind(bad), 'mm') }}. What you typed is still
        here.
      </p>
      <label class="flex min-h-11 items-center gap-3 border-b border-hairline">
        <input v-model="knownGood" type="checkbox" class="size-6 accent-amber" />
        This pedal is known to be good
      </label>
      <p class="mt-3 flex flex-wrap items-center gap-3">
        <HeavyButton
          :progress="progress"
          label="Weigh the readings"
          doing="Circuits weighed"
          :disabled="!!bad"
          @start="weigh"
          @stop="stop"
        />
        <button
          v-if="knownGood && subject.type === 'vehicle'"
          type="button"
          class="quiet"
          :disabled="count === 0 || !!bad"
          @click="keepCalibration"
        >
          Keep as this vehicle’s good pedal
        </button>
      </p>
      <p class="mt-3 text-soft">
        <template v-if="calibration"
          >Good pedal of {{ when(calibration.at) }} is weighed in:
          {{
            asked
              .filter((name) => calibration!.payload[name] !== undefined)
              .map((name) => `${nameOf(name)} ${withUnits(calibration!.payload[name]!, 'mm')}`)
              .join(', ')
          }}.</template
        >
        <template v-else
          >No good pedal of this vehicle is known yet. Measured once when all is well, it tells what no
          later reading can.</template
        >
      </p>
      <p v-if="filing.problem.value" role="alert" class="mt-2 font-semibold text-rust">
        {{ filing.problem.value }}
      </p>
    </section>
    <section aria-label="What it says" aria-live="polite">
      <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
      <p v-else-if="implausible && fresh" role="alert" class="font-semibold text-rust">
        {{ implausible }}
      </p>
      <template v-if="result">
        <p v-if="!fresh" class="text-soft">Something has changed since: weigh again.</p>
        <RangeTable
          class="text-[1.1rem]"
          :class="{ 'opacity-60': !fresh }"
          :rows="ROWS.map((row) => ({ ...row, range: result![row.name] }))"
          of="guess"
        />
        <p class="mt-3" data-figure="guess">
          The disc comes free in {{ percent(result.releases) }} of 100 such vehicles.
          <strong>{{ percent(result.guess.share) }} %</strong> of the doubt about the air comes from
          assumed figures<template v-if="result.guess.from.length"
            >, most of all
            {{
              result.guess.from
                .slice(0, 3)
                .map((one) => nameOf(one.name))
                .join(', ')
            }}</template
          >.
        </p>
        <h3 class="mt-4 text-[1.1rem]">What to read next</h3>
        <ol class="mt-1 border-t border-hairline">
          <li
            v-for="(one, i) in result.next.slice(0, 4)"
            :key="one.name"
            class="border-b border-hairline py-1.5"
            data-next
          >
            <span class="flex gap-3">
              <span class="grow" :class="{ 'font-semibold': i === 0 }">{{ nameOf(one.name) }}</span>
              <span class="text-right">air to ±{{ withUnits(one.width / 2, 'mm³') }}</span>
            </span>
            <span v-if="i === 0" class="block text-[0.95rem] text-soft">{{ howOf(one.name) }}</span>
          </li>
        </ol>
      </template>
      <p v-else-if="!answer && progress === null" class="text-soft">
        Nothing is weighed yet.
        {{
          count === 0
            ? 'Without readings the answer is only a guess.'
            : `${count} readings stand ready.`
        }}
      </p>
    </section>
  </div>
</template>

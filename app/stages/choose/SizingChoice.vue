<script setup lang="ts">
import type { Line } from '~~/core/circuit'
import { latestReading } from '~~/core/journal'
import type { PhaseFigures } from '~~/core/proof'
import {
  BEDDING_KM,
  HURRIED_FOOT,
  LEG_TAKES,
  paceOf,
  planOf,
  tradeWords,
  withParts,
  type SizingOption,
} from '~~/core/sizing'

import type { ShelfCylinders } from './useShelfCylinders'
import { useJob } from '~/job/useJob'
import { computed } from 'vue'
import {
  formatNow,
  useTypedText,
  typedWithin,
  symbolOf,
  boundsIn,
  withUnits,
  inUnits,
} from '~/units/units'
import { money } from '~/lib/delivery-words'
import { newtons } from '~/units/format'

/** One option: what it gives and takes in a sentence, how fast it is, and the plan that it becomes, now or later. */
const props = defineProps<{
  option: SizingOption
  present: SizingOption
  label: string
  lines: readonly Line[] | null
  base: PhaseFigures
  layoutName: string | null
  shelf: ShelfCylinders
}>()
const { id, state, file, problem } = useJob()
const words = computed(() => tradeWords(props.option, props.present, formatNow()))
const circuit = computed(() =>
  withParts(props.base.circuit, props.option, props.lines ?? props.base.circuit.lines),
)
const changes = computed(() => planOf(props.base.installation, props.option, props.lines))

/** Parts of the shelf with these bores. */
const onShelf = computed(() =>
  [
    props.shelf.partOf('masterCylinder', props.option.master.bore),
    props.shelf.partOf('slaveCylinder', props.option.slave.bore),
  ].filter((part) => part !== null),
)
const HOLE = { min: 0.2, max: 5 }
const hole = useTypedText(`mellow-restrictor-${id}`, () => 'mm')
const restrictor = computed(() => typedWithin(hole.value, 'mm', HOLE))
const holeWrong = computed(() => hole.value.trim() !== '' && restrictor.value === null)
const pace = computed(() => paceOf(circuit.value, { restrictor: restrictor.value }))
const free = computed(() => paceOf(circuit.value))
const time = (value: number | null) =>
  value === null
    ? 'not by itself'
    : value < LEG_TAKES / 3
      ? 'faster than a leg'
      : `${value.toFixed(2)} s`

const km = useTypedText(`mellow-wait-${id}`, () => 'km')
const KM = { min: 1, max: 100_000 }
const wait = computed(() => (km.value.trim() === '' ? BEDDING_KM : typedWithin(km.value, 'km', KM)))
const mileage = computed(() => latestReading(state.value, 'mileage'))
const plan = computed(() => state.value.circuitPlan?.payload ?? null)
const isKept = computed(() => JSON.stringify(plan.value?.changes) === JSON.stringify(changes.value))
const keep = (waitKm?: number) =>
  file('circuitPlan', {
    changes: changes.value,
    why: words.value,
    ...(waitKm !== undefined && { waitKm }),
  })
const serious = computed(() => !['fits', 'waitForBedding'].includes(props.option.advice))
</script>

<template>
  <section :aria-label="`Chosen: ${label}`" data-choice>
    <h2 class="text-[1.15rem]">
      {{ label }}<span v-if="layoutName" class="font-normal">, {{ layoutName.toLowerCase() }}</span>
    </h2>
    <p class="mt-1 border-l-4 pl-3" :class="serious ? 'border-rust' : 'border-amber'" data-trade>
      {{ words }}
    </p>
    <p v-if="onShelf.length" class="mt-1 text-[0.95rem]" data-on-shelf>
      On the shelf:
      <template v-for="(part, i) in onShelf" :key="part.id"
        ><template v-if="i > 0">; </template>{{ part.name }}, {{ money(part.price, part.currency) }},
        {{ part.stock ? `${part.stock} there` : 'none there just now' }}</template
      >.
    </p>
    <p v-if="option.roomLeft === null" class="mt-1 text-[0.95rem] text-soft">
      Room for wear is not known: push the piston home with the bleeder open and measure it, or take the
      new part’s own depth.
    </p>
    <div class="mt-2 flex flex-wrap items-center gap-2">
      <button
        type="button"
        class="act"
        :disabled="changes.length === 0 || (isKept && plan?.waitKm === undefined)"
        @click="keep()"
      >
        Keep as the plan
      </button>
      <button
        type="button"
        class="quiet"
        :disabled="changes.length === 0 || wait === null"
        @click="keep(wait!)"
      >
        Put off until bedded in
      </button>
      <label class="flex items-center gap-2 text-[0.95rem]">
        after
        <input
          v-model="km"
          class="field w-24"
          inputmode="numeric"
          :placeholder="inUnits(BEDDING_KM, 'km')"
          :aria-label="`Put off by, ${symbolOf('km')}`"
          :aria-invalid="wait === null"
        />
        {{ symbolOf('km') }}
      </label>
    </div>
    <p v-if="wait === null" role="alert" class="font-semibold text-rust">
      Put off by {{ boundsIn(KM, 'km') }}. What you typed is still here.
    </p>
    <p v-if="isKept && plan" role="status" class="mt-1" data-kept>
      <template v-if="plan.waitKm === undefined">This is the plan.</template>
      <template v-else
        >Put off: due
        <strong>{{
          mileage === null
            ? `${withUnits(plan.waitKm, 'km')} after the disc was fitted`
            : `at ${withUnits(mileage + plan.waitKm, 'km')} on the clock`
        }}</strong>. It stands under Record.
        <span v-if="mileage === null" class="text-soft"
          >Say the mileage on the line below to have the figure.</span
        >
      </template>
    </p>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    <details class="mt-1">
      <summary class="min-h-11 py-2">
        How fast the fluid gets through: free {{ time(pace.release) }}, clamped again
        {{ time(pace.back) }}
      </summary>
      <dl class="mt-2 grid grid-cols-[minmax(0,1fr)_auto_auto] gap-x-4 text-[0.95rem]">
        <dt class="text-soft">Fluid alone, {{ newtons(HURRIED_FOOT) }} on the pad</dt>
        <dd class="text-soft">free</dd>
        <dd class="text-soft">clamped again</dd>
        <dt>
          {{
            restrictor === null
              ? 'Without a restrictor'
              : `Restrictor ${withUnits(restrictor, 'mm', 2)}`
          }}
        </dt>
        <dd class="text-right" data-pace="release">{{ time(pace.release) }}</dd>
        <dd class="text-right" data-pace="back">{{ time(pace.back) }}</dd>
        <template v-if="restrictor !== null">
          <dt>Restrictor removed</dt>
          <dd class="text-right">{{ time(free.release) }}</dd>
          <dd class="text-right">{{ time(free.back) }}</dd>
        </template>
      </dl>
      <p v-if="restrictor !== null" class="text-[0.95rem]">
        Removed, it shifts quicker and takes up harsher: the clutch bites as fast as the foot lifts.
      </p>
      <label class="flex items-center gap-2 py-1 text-[0.95rem]">
        <span class="grow"
          >Restrictor in master, line or slave: bore of its hole, {{ symbolOf('mm') }}</span
        >
        <input
          v-model="hole"
          class="field w-20"
          inputmode="decimal"
          placeholder="none"
          :aria-invalid="holeWrong"
        />
      </label>
      <p v-if="holeWrong" role="alert" class="font-semibold text-rust">
        Restrictor: {{ boundsIn(HOLE, 'mm') }}. What you typed is still here.
      </p>
      <p class="text-[0.95rem] text-soft">
        An estimate at 20 °C by the bores of line and hole; the leg takes about {{ LEG_TAKES }} s of its
        own.
      </p>
    </details>
  </section>
</template>

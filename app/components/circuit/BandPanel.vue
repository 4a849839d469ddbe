<script setup lang="ts">
import { MEASURING_ERROR, TERMS, type MeasuringErrors } from '~~/core/circuit'
import type { PhaseFigures } from '~~/core/proof'
import type { CoreUnit } from '~~/core/quantity'
import { useHeavy } from '~/asking/heavy'
import { BAND_DRAWS, type BandFigure } from '~~/core/whatif'
import { useDesk } from '~/job/useDesk'
import { reactive, computed } from 'vue'
import { readWithin } from '~/lib/number'
import HeavyButton from '~/components/circuit/HeavyButton.vue'
import RangeTable from '~/components/circuit/RangeTable.vue'

/** How far the budget may be out: ten thousand circuits drawn within the stated errors, off the drawing thread. */
const props = defineProps<{ figures: PhaseFigures }>()
const { readings } = useDesk()
const errors = reactive<Record<keyof MeasuringErrors, string>>(
  Object.fromEntries(
    Object.entries(MEASURING_ERROR).map(([name, sigma]) => [name, String(sigma)]),
  ) as Record<keyof MeasuringErrors, string>,
)
const ERROR_WORDS: Record<keyof MeasuringErrors, { label: string; unit: '' | 'mm' }> = {
  tape: { label: 'Tape at the pad', unit: 'mm' },
  clearance: { label: 'Pushrod clearance', unit: 'mm' },
  portClosure: { label: 'Port closure', unit: 'mm' },
  slop: { label: 'Slop', unit: 'mm' },
  touchForce: { label: 'Finger’s force, share', unit: '' },
  load: { label: 'Cover’s load, share', unit: '' },
  expansion: { label: 'Hose expansion, share', unit: '' },
  forkRatio: { label: 'Fork ratio, share', unit: '' },
}
const read = computed(() => {
  const list = Object.entries(errors).map(
    ([name, text]) => [name, readWithin(text, { min: 0, max: 20 })] as const,
  )
  return list.some(([, sigma]) => sigma === null)
    ? null
    : (Object.fromEntries(list) as unknown as MeasuringErrors)
})
/** Figures that change while circuits are drawn from the old ones: drawn anew. */
const {
  progress,
  answer: result,
  took,
  problem,
  ask: draw,
  stop,
} = useHeavy(
  'band',
  () => {
    if (!read.value) return null
    const { installation, circuit } = props.figures
    const options = { errors: read.value, freeTravel: readings.value.freeTravel, seed: 1 }
    return { installation: { ...installation, circuit }, options }
  },
  { byHand: true, keeps: true },
)
const FIGURES: { name: BandFigure; label: string; unit: CoreUnit }[] = [
  { name: 'reserve', label: 'reserve', unit: 'mm' },
  { name: 'trappedAir', label: 'trapped air', unit: 'mm³' },
  ...TERMS.map((term) => ({ name: term.name, label: term.label, unit: 'mm' as const })),
]
const rows = computed(() =>
  result.value
    ? FIGURES.map((figure) => ({ ...figure, range: result.value!.figures[figure.name] })).filter(
        ({ range, name }) => name === 'reserve' || range.high - range.low > 0.01,
      )
    : [],
)
const percent = (share: number) => `${Math.round(100 * share)} in 100`
</script>

<template>
  <section aria-labelledby="band">
    <h2 id="band" class="text-[1.1rem]">How far out this may be</h2>
    <details class="mt-1">
      <summary class="min-h-11 text-soft">
        Measuring errors allowed for, one standard deviation each
      </summary>
      <div class="grid grid-cols-2 gap-2">
        <label
          v-for="(words, name) in ERROR_WORDS"
          :key="name"
          class="flex items-center gap-2 text-[0.95rem]"
        >
          <span class="grow">{{ words.label }}{{ words.unit && `, ${words.unit}` }}</span>
          <input v-model="errors[name]" class="field w-20" inputmode="decimal" />
        </label>
      </div>
      <p v-if="!read" role="alert" class="font-semibold text-rust">
        Each error is a number from 0 to 20.
      </p>
    </details>
    <p class="mt-2 flex items-center gap-3">
      <HeavyButton
        :progress="progress"
        :label="`Draw ${BAND_DRAWS.toLocaleString('en-GB')} circuits`"
        doing="Circuits drawn"
        :disabled="!read"
        @start="draw"
        @stop="stop"
      />
    </p>
    <p v-if="problem" role="alert" class="mt-1 font-semibold text-rust">{{ problem }}</p>
    <template v-if="result">
      <p class="mt-2" data-figure="band">
        The disc comes free in {{ percent(result.releases) }}, and the wanted reserve is left in
        {{ percent(result.keepsReserve) }}.
      </p>
      <RangeTable class="mt-1" :rows="rows" of="band" />
      <p class="mt-1 text-[0.9rem] text-soft">
        {{ result.draws.toLocaleString('en-GB') }} circuits in {{ (took / 1000).toFixed(1) }} s;
        {{ result.varied.length }} figures varied.
      </p>
    </template>
  </section>
</template>

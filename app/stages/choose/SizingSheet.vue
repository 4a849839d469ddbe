<script setup lang="ts">
import type { LadderStack } from '~/job/drawn'
import { InputError } from '~~/core/circuit'
import { assumedFigures } from '~~/core/installation'
import { plannedFigures } from '~~/core/proof'
import { planOf, type SizingOption } from '~~/core/sizing'
import { useSizing } from './useSizing'
import { defineAsyncComponent, ref, watch, computed, watchEffect } from 'vue'
import { useDesk } from '~/job/useDesk'
import { inUnits, unitsNow } from '~/units/units'
import { millilitres, millimetres } from '~/units/format'
import SizingCandidates from '~/stages/choose/SizingCandidates.vue'
import SizingChoice from '~/stages/choose/SizingChoice.vue'
import SizingTable from '~/stages/choose/SizingTable.vue'

/** Every combination of the candidates: force against what is left, which ones no other beats, and what each would mean. */
const SizingChart = defineAsyncComponent(() => import('./SizingChart.vue'))
const desk = useDesk()
const sizing = useSizing()
const { sized, base, chosenLayouts, progress, question, problem, tooMany, stopped, took } = sizing
const picked = ref<number | null>(null)
const comparedAt = ref<number[]>([])
/** What the brush holds; null for all. */
const brushed = ref<ReadonlySet<number> | null>(null)
const MOST_COMPARED = 3

watch(sized, () => {
  picked.value = null
  comparedAt.value = []
  brushed.value = null
})
const options = computed(() => sized.value?.options ?? [])
const present = computed(() => sized.value?.present ?? null)
const isPresent = ({ master, slave, ratio, lines }: SizingOption) => {
  const own = present.value
  const near = (a?: number, b?: number) =>
    a === b || (a !== undefined && b !== undefined && Math.abs(a - b) < 0.06)
  return (
    !!own &&
    lines === null &&
    ratio === own.ratio &&
    near(master.bore, own.master.bore) &&
    near(slave.bore, own.slave.bore) &&
    near(slave.outer, own.slave.outer)
  )
}
/** Where nobody picked: the lightest that suits and that nothing beats, other than what is there. */
const shownAt = computed(() => {
  if (picked.value !== null) return picked.value
  const suits = options.value
    .map((option, at) => ({ option, at }))
    .filter(({ option }) => option.front && option.advice === 'fits' && !isPresent(option))
    .sort((a, b) => a.option.padForcePeak - b.option.padForcePeak)
  return suits[0]?.at ?? (options.value.length > 0 ? 0 : null)
})
const shown = computed(() => (shownAt.value === null ? null : options.value[shownAt.value]!))

/** Figures of the circuit that nobody measured. */
const guessed = computed(() => (base.value ? assumedFigures(base.value.installation).length : 0))
const linesOf = ({ lines }: SizingOption) =>
  lines === null ? null : (chosenLayouts.value[lines]?.lines ?? null)
function compare(at: number) {
  const now = comparedAt.value
  comparedAt.value = now.includes(at)
    ? now.filter((one) => one !== at)
    : [...now, at].slice(-MOST_COMPARED)
}
const stackOfOption = (option: SizingOption, label: string): LadderStack | null => {
  if (!base.value) return null
  try {
    const changes = planOf(base.value.installation, option, linesOf(option))
    return { id: label, label, figures: plannedFigures(base.value, changes) }
  } catch (error) {
    // Parts that make no circuit have no place on the ladder; the table says what is wrong with them.
    if (error instanceof InputError) return null
    throw error
  }
}
watchEffect(() => {
  desk.compared.value = comparedAt.value.flatMap((at) => {
    const option = options.value[at]
    const stack = option && stackOfOption(option, optionLabel(option))
    return stack ? [stack] : []
  })
})
function optionLabel({ master, slave }: SizingOption): string {
  const mm = (value: number) => inUnits(value, 'mm', unitsNow() === 'inch' ? 3 : 2)
  const stroke = (value?: number) => (value === undefined ? '' : `×${mm(value)}`)
  const other = slave.bore === undefined ? `${mm(slave.outer!)}/${mm(slave.inner!)}` : mm(slave.bore)
  return `${mm(master.bore)}${stroke(master.stroke)} : ${other}${stroke(slave.stroke)}`
}
</script>

<template>
  <div v-if="base" class="grid grid-cols-1 gap-x-8 px-6 py-3 xl:grid-cols-2">
    <div>
      <SizingCandidates :sizing="sizing" />
      <p v-if="problem" role="alert" class="mt-2 font-semibold text-rust">{{ problem }}</p>
      <p v-else-if="tooMany" role="alert" class="mt-2 font-semibold text-rust">
        These are {{ question?.choices.length }} combinations; 4000 are the most. Take some out.
      </p>
      <p v-else class="mt-2 flex min-h-11 flex-wrap items-center gap-3 text-[0.95rem] text-soft">
        <template v-if="progress !== null">
          <progress class="w-40" :value="progress" max="1" aria-label="Sizing" />
          <button type="button" class="quiet" @click="sizing.stop">Stop</button>
        </template>
        <template v-else-if="stopped">
          Stopped.
          <button type="button" class="quiet" @click="sizing.ask">Size again</button>
        </template>
        <span v-else-if="sized" role="status" data-sized
          >{{ options.length }} combinations in {{ (took / 1000).toFixed(2) }} s, each without and with
          {{ millilitres(sizing.limits.value.air) }} of air, on the bedded disc and on a new one, which
          needs {{ millimetres(sizing.limits.value.bedding) }} more at the bearing (judgement).
          <template v-if="guessed"
            >{{ guessed }} figures of this circuit are assumed: what one option gains over another holds
            better than any figure by itself.</template
          ></span
        >
        <span v-else>Nothing to size: choose a master and a slave.</span>
      </p>
      <SizingChart
        v-if="present && options.length"
        :options="options"
        :present="present"
        :picked="shownAt"
        :wanted="sizing.limits.value.wantedReserve"
        @pick="picked = $event"
        @brush="brushed = $event"
      />
    </div>
    <div>
      <SizingChoice
        v-if="shown && present"
        :option="shown"
        :shelf="sizing.shelf"
        :present="present"
        :label="optionLabel(shown)"
        :lines="linesOf(shown)"
        :base="base"
        :layout-name="shown.lines === null ? null : (chosenLayouts[shown.lines]?.name ?? null)"
      />
    </div>
    <SizingTable
      v-if="present && options.length"
      class="mt-3 xl:col-span-2"
      :options="options"
      :present="present"
      :layouts="chosenLayouts"
      :picked="shownAt"
      :compared="comparedAt"
      :only="brushed"
      :label="optionLabel"
      @pick="picked = $event"
      @compare="compare"
      @all="brushed = null"
    />
  </div>
</template>

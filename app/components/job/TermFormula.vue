<script setup lang="ts">
import type { LadderStack } from '~/job/drawn'
import type { Term } from '~~/core/circuit'
import { displayUnit, type CoreUnit } from '~~/core/quantity'
import { padFigure } from './pad-ladder'
import { computed } from 'vue'
import { unitsNow, symbolOf, withUnits } from '~/units/units'

/** How one term of the travel budget is worked out: what it is, its formula, and the figures that go in. */
const props = defineProps<{ term: Term; figures: LadderStack['figures'] }>()
const emit = defineEmits<{ close: [] }>()

const size = computed(() => {
  const value = props.figures.solution.budget[props.term.name]
  return `${padFigure(value, unitsNow())} ${symbolOf('mm')}`
})
const inputs = computed(() => props.term.inputs(props.figures.circuit, props.figures.solution))
const isAssumed = (fields: string[]) =>
  fields.some((field) => props.figures.installation.assumed.includes(field))
/** Decimals by size: three figures or so. */
function digits(value: number, of: CoreUnit): number {
  const size = Math.abs(value / displayUnit(of, unitsNow()).size)
  return size < 1 ? 3 : size < 100 ? 2 : 0
}
</script>

<template>
  <div
    class="border border-ink bg-ground p-4"
    role="region"
    :aria-label="`How ${term.label} is worked out`"
    @keydown.esc="emit('close')"
  >
    <h3 class="text-lg">{{ term.label }}, {{ size }}</h3>
    <p class="mt-1">{{ term.about }}</p>
    <p class="mt-2 font-mono text-[0.9rem]">{{ term.formula }}</p>
    <dl class="mt-2">
      <div v-for="[label, value, unit, fields] in inputs" :key="label" class="flex justify-between">
        <dt class="text-soft">{{ label }}<template v-if="isAssumed(fields)">, assumed</template></dt>
        <dd>{{ withUnits(value, unit, digits(value, unit)) }}</dd>
      </div>
    </dl>
    <button type="button" class="quiet mt-3" @click="emit('close')">Close</button>
  </div>
</template>

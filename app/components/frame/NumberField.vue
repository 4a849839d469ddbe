<script setup lang="ts">
import type { CoreUnit } from '~~/core/quantity'
import { ref, useId, computed } from 'vue'
import { typedValue, typedWithin, boundsIn, symbolOf } from '~/units/units'

/** A number with its unit, read as 4.5 or 4,5; what is wrong is said below it and what was typed stays. */
const text = defineModel<string>({ required: true })
const props = defineProps<{
  label: string
  unit: CoreUnit
  min: number
  max: number
  how?: string
  /** Nothing typed is no mistake. */
  optional?: boolean
  /** Say what is wrong even before it was left. */
  strict?: boolean
}>()
const left = ref(false)
const id = useId()
const problem = computed(() => {
  if (text.value.trim() === '') return props.optional ? '' : `Give ${props.label.toLowerCase()}`
  if (typedValue(text.value, props.unit) === null) return `“${text.value}” is no number`
  return typedWithin(text.value, props.unit, props) === null
    ? `It must be ${boundsIn(props, props.unit)}`
    : ''
})
const said = computed(() => (left.value || props.strict ? problem.value : ''))
</script>

<template>
  <div>
    <label :for="id" class="mb-1 block">{{ label }}</label>
    <span class="relative block">
      <input
        :id="id"
        v-model="text"
        class="field pr-14 text-[1.1rem]"
        inputmode="decimal"
        autocomplete="off"
        :aria-invalid="said !== ''"
        :aria-describedby="`${id}-how`"
        @blur="left = true"
      />
      <span class="pointer-events-none absolute inset-y-0 right-3 flex items-center text-soft">{{
        symbolOf(unit)
      }}</span>
    </span>
    <span :id="`${id}-how`" class="block text-[0.9rem]">
      <span v-if="said" role="alert" class="font-semibold text-rust">{{ said }}. </span>
      <span v-if="how" class="text-soft">{{ how }}</span>
    </span>
  </div>
</template>

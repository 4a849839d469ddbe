<script setup lang="ts">
import type { CoreUnit } from '~~/core/quantity'
import { useId, computed } from 'vue'
import { inUnits, withUnits } from '~/units/units'

/** A figure that can be moved in thought: by sliding, by keys, or typed; and put back. */
const value = defineModel<number>({ required: true })
const props = defineProps<{
  label: string
  unit: CoreUnit
  min: number
  max: number
  step: number
  /** What it is without the change. */
  was: number
  changed: boolean
}>()
defineEmits<{ back: [] }>()
const id = useId()
/** A slider that starts outside its usual span reaches that far. */
const low = computed(() => Math.min(props.min, props.was))
const high = computed(() => Math.max(props.max, props.was))
</script>

<template>
  <div class="border-b border-hairline pt-2">
    <div class="flex items-baseline gap-3">
      <label :for="id" class="grow">{{ label }}</label>
      <button
        v-if="changed"
        type="button"
        class="-my-2.5 min-h-11 text-soft underline"
        :aria-label="`${label}: put back to ${withUnits(was, unit)}`"
        @click="$emit('back')"
      >
        was {{ inUnits(was, unit) }}
      </button>
      <output :for="id" class="text-right" :class="changed ? 'font-semibold text-amber' : ''">{{
        withUnits(value, unit)
      }}</output>
    </div>
    <input
      :id="id"
      type="range"
      class="min-h-11 w-full accent-amber"
      :min="low"
      :max="high"
      :step="step"
      :value="value"
      :aria-valuetext="withUnits(value, unit)"
      @input="value = Number(($event.target as HTMLInputElement).value)"
    />
  </div>
</template>

<script setup lang="ts">
import type { CoreUnit } from '~~/core/quantity'

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
  <div
    class="grid grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-x-3 border-b border-hairline py-1"
  >
    <label :for="id">{{ label }}</label>
    <output :for="id" class="text-right" :class="changed ? 'font-semibold text-amber' : ''">{{
      withUnits(value, unit)
    }}</output>
    <button
      type="button"
      class="min-h-11 min-w-20 text-right text-soft underline disabled:no-underline disabled:opacity-60"
      :disabled="!changed"
      :aria-label="`${label}: put back`"
      @click="$emit('back')"
    >
      {{ changed ? `was ${inUnits(was, unit)}` : '' }}
    </button>
    <input
      :id="id"
      type="range"
      class="col-span-3 min-h-11 w-full accent-amber"
      :min="low"
      :max="high"
      :step="step"
      :value="value"
      :aria-valuetext="withUnits(value, unit)"
      @input="value = Number(($event.target as HTMLInputElement).value)"
    />
  </div>
</template>

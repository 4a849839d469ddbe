<script setup lang="ts">
import { installationField, rangeOf, valueAt } from '~~/core/installation'
import { useDesk } from '~/job/useDesk'
import { ref, computed } from 'vue'
import { useTypedText, typedWithin, boundsIn, unitsNow, withUnits, symbolOf } from '~/units/units'

/** One figure of the installation: its value or its assumed range, where it is measured, and a field that takes a reading. */
const props = defineProps<{ path: string }>()
const { subject, kept, filing } = useDesk()
const tried = ref(false)
const opened = ref(false)

const field = computed(() => installationField(props.path)!)
const value = computed(() => (kept.value ? valueAt(kept.value, props.path) : null))
const assumed = computed(() => kept.value?.assumed.includes(props.path) ?? false)
const range = computed(() => (kept.value ? rangeOf(kept.value, props.path) : undefined))
const text = useTypedText(`mellow-part-${subject.id}-${props.path}`, () => field.value.unit)

const problem = computed(() => {
  if (text.value.trim() === '') return ''
  return typedWithin(text.value, field.value.unit, field.value) === null
    ? `Give a number from ${boundsIn(field.value, field.value.unit)}`
    : ''
})
const left = ref('')

async function measure() {
  tried.value = true
  left.value = ''
  const read = typedWithin(text.value, field.value.unit, field.value)
  if (read === null || problem.value) return
  if (!(await filing.file('parameter', { field: props.path, value: read }))) return
  if (value.value !== read) {
    left.value = 'This does not go together with the rest of the circuit, and is left out'
    return
  }
  text.value = ''
  tried.value = false
}
const digits = (figure: number) =>
  unitsNow() === 'inch' || figure % 1 !== 0 ? undefined : field.value.unit === 'mm' ? 0 : undefined
</script>

<template>
  <form class="border-b border-hairline py-1" @submit.prevent="measure">
    <div class="flex flex-wrap items-center gap-x-3">
      <button
        type="button"
        class="min-h-11 min-w-40 flex-1 text-left leading-tight hover:underline"
        :aria-expanded="opened"
        @click="opened = !opened"
      >
        {{ field.label }}
      </button>
      <span v-if="assumed" class="text-right text-soft" :data-assumed="path">
        {{ value === null ? 'not known' : withUnits(value, field.unit, digits(value)) }}, assumed
        <span v-if="range" class="block text-[0.9rem]">{{
          boundsIn({ min: range.low, max: range.high }, field.unit)
        }}</span>
      </span>
      <strong v-else-if="value !== null" class="text-right" :data-measured="path">{{
        withUnits(value, field.unit)
      }}</strong>
      <span v-else class="text-soft" :data-none="path">none</span>
      <span class="flex gap-1">
        <input
          v-model="text"
          class="field w-24"
          inputmode="decimal"
          autocomplete="off"
          :aria-label="`${field.label}, measured`"
          :aria-invalid="tried && problem !== ''"
          :placeholder="symbolOf(field.unit)"
          @blur="tried = true"
        />
        <button class="quiet" :disabled="text.trim() === ''">Measured</button>
      </span>
    </div>
    <p v-if="(tried && problem) || left" role="alert" class="pb-1 font-semibold text-rust">
      {{ problem || left }}. What you typed is still here.
    </p>
    <p v-if="opened" class="pb-2 text-[0.95rem] text-soft">
      {{ field.how }}
      <template v-if="range"
        >Usually {{ boundsIn({ min: range.low, max: range.high }, field.unit) }}:
        {{ range.reason }}</template
      >
    </p>
  </form>
</template>

<script setup lang="ts">
import { JUDGED_WORDS, type Judged, type RowValue } from '~~/core/side-by-side'
import type { OpenComparison } from './useComparison'
import { computed, ref } from 'vue'
import { asTyped, typedWithin, boundsIn, symbolOf } from '~/units/units'
import KeptInput from '~/components/frame/KeptInput.vue'

/** One row of old against new: both sides, how it is judged, and which change it needs. */
const props = defineProps<{ row: OpenComparison['rows']['value'][number]; needed: boolean }>()
const emit = defineEmits<{
  side: [side: 'old' | 'new', value: RowValue | null]
  judge: [judged: Judged]
}>()
const kind = computed(() => props.row.kind)
const problem = ref('')
const SIDES = ['old', 'new'] as const
const shown = (side: 'old' | 'new'): string => {
  const value = props.row.sides[side]
  if (value === null) return ''
  if (kind.value.type === 'figure' && typeof value === 'number')
    return kind.value.unit === 'mm' ? asTyped(value, 'mm') : String(value)
  return String(value)
}
function typed(side: 'old' | 'new', text: string) {
  problem.value = ''
  if (text.trim() === '') return emit('side', side, null)
  const row = kind.value
  if (row.type !== 'figure') return emit('side', side, text.trim().slice(0, 80))
  const value = typedWithin(text, row.unit, row)
  if (value === null)
    problem.value = `${row.label}: ${boundsIn(row, row.unit)}. What you typed is still here`
  else emit('side', side, value)
}
function picked(side: 'old' | 'new', text: string) {
  emit('side', side, text === '' ? null : kind.value.type === 'yesNo' ? text === 'true' : text)
}
const SIGNS: Record<Judged, string> = { same: '✓', change: '◐', wontFit: '✕', notKnown: '?' }
const COLOURS: Record<Judged, string> = {
  same: '',
  change: 'text-amber',
  wontFit: 'text-rust',
  notKnown: 'text-soft',
}
const options = computed(() =>
  kind.value.type === 'yesNo'
    ? [
        { id: 'true', name: 'yes' },
        { id: 'false', name: 'no' },
      ]
    : kind.value.type === 'choice'
      ? kind.value.values
      : [],
)
const SHORT: Record<Judged, string> = {
  same: 'same',
  change: 'change',
  wontFit: 'will not fit',
  notKnown: 'not known',
}
const JUDGEMENTS = ['same', 'change', 'wontFit', 'notKnown'] as const
</script>

<template>
  <div
    class="grid grid-cols-2 items-center gap-x-3 gap-y-1 border-b border-hairline py-1 md:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)_minmax(0,1fr)_minmax(0,1.7fr)]"
    :data-row="kind.id"
    :data-judged="row.judged"
  >
    <p class="col-span-2 leading-tight md:col-span-1">
      <span :class="{ 'font-semibold': needed }">{{ kind.label }}</span>
      <span v-if="kind.type === 'figure' && kind.unit === 'mm'" class="text-soft"
        >, {{ symbolOf(kind.unit) }}</span
      >
      <span v-if="needed" class="text-[0.9rem] text-soft"> (needed)</span>
      <span class="block text-[0.9rem] text-soft">{{ kind.how }}</span>
    </p>
    <template v-for="side in SIDES" :key="side">
      <span v-if="side === 'old' && kind.newOnly" class="text-center text-soft" aria-hidden="true"
        >·</span
      >
      <select
        v-else-if="options.length"
        class="field px-2"
        :aria-label="`${kind.label}, ${side === 'old' ? 'old part' : 'new part'}`"
        :value="shown(side)"
        @change="picked(side, ($event.target as HTMLSelectElement).value)"
      >
        <option value="">not looked at</option>
        <option v-for="one in options" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select>
      <KeptInput
        v-else
        class="field px-2"
        :inputmode="kind.type === 'figure' ? 'decimal' : 'text'"
        maxlength="80"
        :aria-label="`${kind.label}, ${side === 'old' ? 'old part' : 'new part'}`"
        :placeholder="side === 'old' ? 'old' : 'new'"
        :aria-invalid="problem !== ''"
        :value="shown(side)"
        @change="typed(side, $event)"
      />
    </template>
    <div
      class="col-span-2 flex flex-wrap items-center justify-end gap-x-2 gap-y-1 leading-tight md:col-span-1"
    >
      <span
        class="w-5 shrink-0 text-center text-[1.15rem] font-bold"
        :class="COLOURS[row.judged]"
        aria-hidden="true"
        >{{ SIGNS[row.judged] }}</span
      >
      <span
        class="min-w-0 grow basis-32"
        :class="row.judged === 'wontFit' ? 'font-semibold text-rust' : ''"
      >
        {{ row.change ?? '' }}
        <span v-if="row.own" class="block text-[0.9rem] text-soft">
          judged so by hand; by the figures: {{ JUDGED_WORDS[row.proposed.judged] }}
        </span>
      </span>
      <select
        class="min-h-11 w-30 shrink-0 rounded-sm border border-edge bg-ground px-2"
        :aria-label="`${kind.label}: judge it`"
        :value="row.judged"
        @change="emit('judge', ($event.target as HTMLSelectElement).value as Judged)"
      >
        <option v-for="one in JUDGEMENTS" :key="one" :value="one">{{ SHORT[one] }}</option>
      </select>
    </div>
    <p v-if="problem" role="alert" class="col-span-full font-semibold text-rust">{{ problem }}.</p>
  </div>
</template>

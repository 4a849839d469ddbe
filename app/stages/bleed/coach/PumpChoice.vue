<script setup lang="ts">
import { OPENINGS, PUMP_CHOICES } from '~~/core/bleed'
import type { Pumps } from '~~/core/coach'
import { useHeavy } from '~/asking/heavy'
import { useBleeding } from '~/job/useBleeding'
import { computed } from 'vue'
import { withUnits } from '~/units/units'

/** How often it is pumped before each opening, and what the model says that costs. */
const props = defineProps<{ pumps?: Pumps }>()
const emit = defineEmits<{ choose: [pumps: Pumps] }>()
const { drawsFrom } = useBleeding()
const tried = useHeavy('pumps', () => drawsFrom.value, { lane: 'beside' })
const CHOICES: readonly { id: string; name: string; pumps: Pumps }[] = [
  ...PUMP_CHOICES.map((count) => ({ id: String(count), name: `${count} strokes`, pumps: count })),
  { id: 'firm', name: 'until firm', pumps: 'firm' },
  { id: '10 s', name: 'for 10 s', pumps: { seconds: 10 } },
]
const chosen = computed(() =>
  props.pumps === undefined ? '4' : typeof props.pumps === 'object' ? '10 s' : String(props.pumps),
)
const choose = (id: string) => emit('choose', CHOICES.find((one) => one.id === id)!.pumps)
const words = computed(() => {
  const list = (tried.answer.value ?? []).map(
    ({ pumps: count, left, minutes }) =>
      `${count} strokes each leave ${withUnits(1000 * left, 'mm³')} in ${Math.max(1, Math.round(minutes))} min`,
  )
  return list.length > 0 ? `${OPENINGS} openings, by the model: ${list.join('; ')}.` : ''
})
</script>

<template>
  <label class="flex basis-full flex-wrap items-center gap-2 pb-1">
    Pump before each opening
    <select
      class="field w-auto"
      :value="chosen"
      @change="choose(($event.target as HTMLSelectElement).value)"
    >
      <option v-for="one in CHOICES" :key="one.id" :value="one.id">{{ one.name }}</option>
    </select>
    <span v-if="words" class="text-[0.95rem] text-soft" data-pumps>{{ words }}</span>
  </label>
</template>

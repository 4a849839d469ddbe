<script setup lang="ts">
import type { NewPart } from '~~/core/journal'
import type { Rebuilt } from '~~/core/rebuild'
import { useJob, useJobFigures } from '~/job/useJob'
import { computed, ref } from 'vue'
import { readWithin } from '~/lib/number'
import { describe } from '~/units/describe'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'

/** A new cylinder gone over on the bench before it goes in. */
const props = defineProps<{ cylinder: Rebuilt }>()
const { state, file, withdraw } = useJob()
const { kept } = useJobFigures()
const part = computed((): NewPart['part'] =>
  props.cylinder === 'slave' && kept.value?.circuit.slave.type === 'concentric'
    ? 'concentric'
    : props.cylinder,
)
const held = computed(() => state.value.newParts[part.value])
const plugs = ref('')
const screw = ref<NonNullable<NewPart['screw']> | ''>('')
const spring = ref<NonNullable<NewPart['spring']> | ''>('')
const compared = ref<NonNullable<NewPart['compared']> | ''>('')
const BOUNDS = { min: 0, max: 20 }
const count = computed(() => readWithin(plugs.value, BOUNDS))
const wrong = computed(
  () => plugs.value.trim() !== '' && (count.value === null || !Number.isInteger(count.value)),
)
const empty = computed(
  () => plugs.value.trim() === '' && screw.value === '' && spring.value === '' && compared.value === '',
)
const SCREWS = [
  { id: 'freed', name: 'screw freed' },
  { id: 'seized', name: 'screw seized' },
  { id: 'none', name: 'no screw' },
] as const
const SPRINGS = [
  { id: 'felt', name: 'spring felt' },
  { id: 'notFelt', name: 'no spring felt' },
] as const
const COMPARED = [
  { id: 'alike', name: 'like the old one' },
  { id: 'differs', name: 'unlike it' },
] as const
async function keep() {
  if (wrong.value || empty.value) return
  const before = held.value?.payload
  const said: NewPart = {
    ...before,
    part: part.value,
    ...(count.value !== null && { plugs: count.value }),
    ...(screw.value && { screw: screw.value }),
    ...(spring.value && { spring: spring.value }),
    ...(compared.value && { compared: compared.value }),
  }
  if (await file('newPart', said)) {
    plugs.value = ''
    screw.value = ''
    spring.value = ''
    compared.value = ''
  }
}
/** What is wrong with it as it was told. */
const trouble = computed(() => {
  const { screw: turned, spring: pushed, compared: beside } = held.value?.payload ?? {}
  return [
    turned === 'seized' && 'A screw that is seized on the bench is freed there, or the part goes back.',
    pushed === 'notFelt' && 'No spring behind the rod: look whether it is all there before it goes in.',
    beside === 'differs' && 'What does not match is not forced: see Old and new under Choose.',
  ].filter((one): one is string => one !== false)
})
</script>

<template>
  <form aria-label="New part on the bench" data-new-part @submit.prevent="keep">
    <h2 class="text-[1.1rem]">
      The new {{ part === 'concentric' ? 'concentric slave' : part }}, before it goes in
    </h2>
    <div class="flex flex-wrap items-center gap-x-3 py-1">
      <label class="flex items-center gap-2"
        >Delivery plugs and caps off
        <input
          v-model="plugs"
          class="field w-20"
          inputmode="numeric"
          :aria-invalid="wrong"
          autocomplete="off"
      /></label>
      <span v-if="wrong" role="alert" class="font-semibold text-rust">A whole number, 0 to 20.</span>
    </div>
    <ChoiceRow
      :model-value="screw"
      class="py-1"
      label="Bleed screw of the new one"
      :choices="SCREWS"
      @update:model-value="(one) => (screw = one as typeof screw)"
    />
    <ChoiceRow
      :model-value="spring"
      class="py-1"
      label="Rod pushed"
      :choices="SPRINGS"
      @update:model-value="(one) => (spring = one as typeof spring)"
    />
    <ChoiceRow
      :model-value="compared"
      class="py-1"
      label="Beside the old one, both in the same state"
      :choices="COMPARED"
      @update:model-value="(one) => (compared = one as typeof compared)"
    />
    <p class="text-[0.95rem] text-soft">
      Laid beside the old one with both rods out, or both in. Primed or bench-bled here, where the plan
      has it; Bleed counts the strokes.
    </p>
    <button class="act mt-1" :disabled="empty || wrong">Keep this</button>
    <p v-if="held" class="mt-2 flex items-center gap-2 border-t border-hairline pt-1" data-new-held>
      <span class="grow">{{ describe({ kind: 'newPart', payload: held.payload }) }}</span>
      <button
        type="button"
        class="tap underline underline-offset-4"
        aria-label="Take back: new part on the bench"
        @click="withdraw(held.id)"
      >
        take back
      </button>
    </p>
    <p v-for="one in trouble" :key="one" role="status" class="font-semibold text-rust">{{ one }}</p>
  </form>
</template>

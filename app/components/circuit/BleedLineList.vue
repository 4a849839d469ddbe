<script setup lang="ts">
import { MOST_PIECES, type BleedLinePiece } from '~~/core/installation'
import { useDesk } from '~/job/useDesk'
import { computed, ref } from 'vue'
import { typedWithin, boundsIn, symbolOf, asTyped } from '~/units/units'
import KeptInput from '~/components/frame/KeptInput.vue'

/** A line between slave and bleed screw, where the screw does not sit on the slave itself. */
const { kept, filing } = useDesk()
const pieces = computed(() => kept.value?.slave.bleedLine ?? [])
const set = (bleedLine: BleedLinePiece[]) =>
  kept.value &&
  filing.file('installation', { ...kept.value, slave: { ...kept.value.slave, bleedLine } })
const FIELDS = [
  { name: 'length', label: 'long', min: 10, max: 20_000 },
  { name: 'innerDiameter', label: 'bore', min: 0.5, max: 30 },
  { name: 'rise', label: 'far end higher by', min: -2000, max: 2000 },
] as const
const wrong = ref('')
function change(i: number, row: (typeof FIELDS)[number], text: string) {
  const value = typedWithin(text, 'mm', row)
  wrong.value = value === null ? `Bleed line, ${row.label}: ${boundsIn(row, 'mm')}` : ''
  if (value !== null)
    void set(pieces.value.map((one, k) => (k === i ? { ...one, [row.name]: value } : one)))
}
</script>

<template>
  <section aria-labelledby="bleed-line" class="mt-3">
    <h3 id="bleed-line" class="place-name">Line to the bleed screw</h3>
    <p v-if="pieces.length === 0" class="text-soft">None: the screw sits on the slave.</p>
    <p
      v-for="(piece, i) in pieces"
      :key="i"
      class="flex flex-wrap items-center gap-2 border-b border-hairline py-0.5"
    >
      <label v-for="row in FIELDS" :key="row.name" class="flex items-center gap-1"
        >{{ row.label }}
        <KeptInput
          class="field w-20"
          inputmode="decimal"
          :value="asTyped(piece[row.name], 'mm')"
          @change="change(i, row, $event)"
      /></label>
      <span class="grow">{{ symbolOf('mm') }}</span>
      <button type="button" class="quiet" @click="set(pieces.filter((_, k) => k !== i))">Remove</button>
    </p>
    <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}.</p>
    <button
      type="button"
      class="tap underline"
      :disabled="pieces.length >= MOST_PIECES"
      @click="set([...pieces, { length: 150, innerDiameter: 3.2, rise: 60 }])"
    >
      Add a piece
    </button>
  </section>
</template>

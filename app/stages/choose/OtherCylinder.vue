<script setup lang="ts">
import { ref, computed } from 'vue'
import { useRetyping, typedWithin, boundsIn } from '~/units/units'
/** A cylinder of another bore, with its stroke where that differs from the present one’s. */
const props = defineProps<{ part: 'master' | 'slave' }>()
const emit = defineEmits<{ add: [cylinder: { bore: number; stroke?: number }] }>()
const BORE = { min: 5, max: 100 }
const STROKE = { min: 5, max: 150 }
const bore = ref('')
const stroke = ref('')
useRetyping(bore, () => 'mm')
useRetyping(stroke, () => 'mm')
const wrong = ref('')
function add() {
  const wide = typedWithin(bore.value, 'mm', BORE)
  const long = stroke.value.trim() === '' ? undefined : typedWithin(stroke.value, 'mm', STROKE)
  wrong.value =
    wide === null
      ? `A bore is ${boundsIn(BORE, 'mm')}`
      : long === null
        ? `A stroke is ${boundsIn(STROKE, 'mm')}`
        : ''
  if (wide === null || long === null) return
  emit('add', { bore: wide, ...(long !== undefined && { stroke: long }) })
  bore.value = stroke.value = ''
}
const name = computed(() => `Another ${props.part}`)
</script>

<template>
  <form class="flex flex-wrap items-center gap-1" @submit.prevent="add">
    <span>{{ name }}</span>
    <input
      v-model="bore"
      class="field w-20"
      inputmode="decimal"
      :aria-label="`${name}, bore`"
      placeholder="bore"
    />
    <input
      v-model="stroke"
      class="field w-24"
      inputmode="decimal"
      :aria-label="`${name}, stroke`"
      placeholder="stroke"
    />
    <button class="quiet" :disabled="bore.trim() === ''" :aria-label="`Add this ${part}`">+</button>
    <span v-if="wrong" role="alert" class="w-full font-semibold text-rust">
      {{ wrong }}. What you typed is still here.
    </span>
  </form>
</template>

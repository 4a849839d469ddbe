<script setup lang="ts">
import { Delete } from '~/icons'
import { ref, computed } from 'vue'
import { useRetyping, unitsNow, typedValue, symbolOf, withUnits } from '~/units/units'

/** Two tapes and their difference, typed on keys that a knuckle can hit. */
const props = defineProps<{ tapes: readonly [before: string, after: string, way: 1 | -1 | 0] }>()
const emit = defineEmits<{ sum: [millimetres: number] }>()
const before = ref('')
const after = ref('')
useRetyping(before, () => 'mm')
useRetyping(after, () => 'mm')
const texts = [before, after] as const
const at = ref<0 | 1>(0)

const keys = computed(() => [
  ...'123456789',
  ...(unitsNow() === 'inch' ? ['/', '0', '.', ' '] : ['.', '0']),
])
const NAMES: Record<string, string> = { '/': 'slash', '.': 'point', ' ': 'space' }
const figures = computed(() => texts.map(({ value }) => typedValue(value, 'mm')))
const difference = computed(() => {
  const [first, last] = figures.value
  if (first === null || last === null || first === undefined || last === undefined) return null
  const way = props.tapes[2]
  return way === 0 ? Math.abs(last - first) : way * (last - first)
})
function press(key: string) {
  const text = texts[at.value]
  if (text.value.length < 9) text.value += key
}
function back() {
  const text = texts[at.value]
  text.value = text.value.slice(0, -1)
}
</script>

<template>
  <div class="py-2" data-tape-sum>
    <div class="grid grid-cols-2 gap-2">
      <label
        v-for="side in [0, 1] as const"
        :key="side"
        class="flex flex-col justify-between border-2 px-2 py-1"
        :class="at === side ? 'border-ink' : 'border-hairline'"
      >
        <span class="block text-[0.95rem] leading-tight">{{ tapes[side] }}</span>
        <span class="flex items-center gap-1">
          <input
            v-model="texts[side].value"
            class="min-h-11 w-full min-w-0 bg-transparent text-[1.3rem] font-semibold"
            inputmode="decimal"
            autocomplete="off"
            :aria-label="`${tapes[side]}, ${symbolOf('mm')}`"
            @focus="at = side"
          />
          {{ symbolOf('mm') }}
        </span>
      </label>
    </div>
    <div class="mt-2 grid grid-cols-6 gap-1" role="group" aria-label="Keys">
      <button
        v-for="key in keys"
        :key="key"
        type="button"
        class="quiet min-h-13 text-[1.15rem]"
        :aria-label="NAMES[key] ?? key"
        @click="press(key)"
      >
        {{ key === ' ' ? '␣' : key }}
      </button>
      <button type="button" class="quiet min-h-13" aria-label="Take the last key back" @click="back">
        <Delete :size="22" aria-hidden="true" />
      </button>
      <button type="button" class="quiet col-span-2 min-h-13" @click="at = at === 0 ? 1 : 0">
        {{ at === 0 ? 'Next' : 'Back' }}
      </button>
    </div>
    <p class="mt-2 flex flex-wrap items-center gap-3" role="status">
      <span v-if="difference !== null" class="text-[1.15rem]"
        >Difference <strong data-figure="difference">{{ withUnits(difference, 'mm') }}</strong></span
      >
      <span v-else class="text-soft">Both tapes give the difference.</span>
      <button
        type="button"
        class="act"
        :disabled="difference === null"
        @click="emit('sum', difference!)"
      >
        Use it
      </button>
    </p>
  </div>
</template>

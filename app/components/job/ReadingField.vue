<script setup lang="ts">
import type { Phase } from '~~/core/journal'
import { readingKind, type ReadingName } from '~~/core/diagnosis'
import { Ruler, Timer } from '~/icons'
import { HELD_FOR, numberIn } from '~~/core/quantity'
import { useJob } from '~/job/useJob'
import { useId, ref, computed } from 'vue'
import {
  useTypedText,
  inUnits,
  unitsNow,
  typedValue,
  typedWithin,
  boundsIn,
  symbolOf,
} from '~/units/units'
import { useExpected } from '~/job/useExpected'
import { readWithin } from '~/lib/number'
import { seconds } from '~/units/describe'
import LateEntries from '~/components/job/LateEntries.vue'
import StopWatch from '~/components/job/StopWatch.vue'
import TapeSum from '~/components/job/TapeSum.vue'

/** One reading: its last value, and a field that files a new one. What is typed stays until it is filed. */
const props = defineProps<{ reading: ReadingName; phase: Phase; before?: number | null }>()
const emit = defineEmits<{ filed: [] }>()
const { id: job, state, file } = useJob()
const id = useId()
const kind = readingKind(props.reading)
const text = useTypedText(`mellow-read-${job}-${props.phase}-${props.reading}`, () => kind.unit)
/** No more digits than a tape or a watch shows. */
const short = (value: number) =>
  inUnits(value, kind.unit, kind.unit === 'mm' && unitsNow() === 'inch' ? 2 : value % 1 ? 1 : 0)
const time = ref(String(kind.over ?? ''))
const tried = ref(false)
const opened = ref(false)
/** What is measured with, on the page. */
const instrument = ref<'watch' | 'tape' | null>(null)
const timed = kind.over !== undefined || kind.unit === 's'
const use = (one: 'watch' | 'tape') => (instrument.value = instrument.value === one ? null : one)
const expected = useExpected(props.reading)
/** A hold’s time goes beside its figure, a time that is the reading itself is the figure. */
function stopped(measured: number) {
  if (kind.over === undefined) text.value = String(measured)
  else time.value = String(Math.max(1, Math.round(measured)))
}
function summed(difference: number) {
  const decimals = unitsNow() === 'inch' ? 3 : 1
  text.value = String(Number(inUnits(difference, 'mm', decimals).replace('−', '-')))
  instrument.value = null
}

const held = computed(() => state.value.readings[props.phase][props.reading])
const problem = computed(() => {
  if (text.value.trim() === '') return ''
  if (typedValue(text.value, kind.unit) === null) return `“${text.value}” is no number`
  if (typedWithin(text.value, kind.unit, kind) === null) return boundsIn(kind, kind.unit)
  if (kind.over && readWithin(time.value, HELD_FOR) === null) return 'Seconds: 1 to 604 800'
  return ''
})

async function submit() {
  tried.value = true
  const value = typedWithin(text.value, kind.unit, kind)
  if (value === null || problem.value) return
  const duration = kind.over ? numberIn(time.value)! : undefined
  const payload = { reading: props.reading, value, phase: props.phase, ...(duration && { duration }) }
  if (await file('measurement', payload)) {
    text.value = ''
    tried.value = false
    emit('filed')
  }
}
</script>

<template>
  <form class="border-b border-hairline py-1" @submit.prevent="submit">
    <div class="flex flex-wrap items-center gap-x-2">
      <button
        type="button"
        class="min-h-11 grow text-left leading-tight hover:underline"
        :aria-expanded="opened"
        @click="opened = !opened"
      >
        {{ kind.label }}
      </button>
      <span v-if="before !== undefined && before !== null" class="text-soft"
        ><span class="sr-only">before:</span> {{ short(before) }} →</span
      >
      <output v-if="held" class="font-semibold" :for="id" :data-reading="reading">
        {{ short(held.payload.value) }} {{ symbolOf(kind.unit)
        }}<template v-if="held.payload.duration"> in {{ seconds(held.payload.duration) }}</template>
        <span v-if="!held.sent" class="font-normal text-soft">, waiting</span>
      </output>
      <span class="flex items-center gap-1">
        <input
          :id="id"
          v-model="text"
          class="field w-20"
          inputmode="decimal"
          autocomplete="off"
          :aria-label="`${kind.label}, ${symbolOf(kind.unit)}`"
          :aria-invalid="problem !== '' && tried"
          :placeholder="held ? '' : symbolOf(kind.unit)"
          @blur="tried = true"
        />
        <template v-if="kind.over">
          <span class="text-soft">in</span>
          <input
            v-model="time"
            class="field w-16"
            inputmode="numeric"
            autocomplete="off"
            :aria-label="`${kind.label}, seconds`"
          />
          <span class="text-soft">s</span>
        </template>
        <button
          v-if="timed"
          type="button"
          class="tap px-0"
          :aria-label="`Stopwatch: ${kind.label}`"
          title="Stopwatch"
          :aria-expanded="instrument === 'watch'"
          @click="use('watch')"
        >
          <Timer :size="22" aria-hidden="true" />
        </button>
        <button
          v-if="kind.tapes"
          type="button"
          class="tap px-0"
          :aria-label="`Before and after: ${kind.label}`"
          title="Before, after, difference"
          :aria-expanded="instrument === 'tape'"
          @click="use('tape')"
        >
          <Ruler :size="22" aria-hidden="true" />
        </button>
        <button class="quiet" :disabled="text.trim() === ''">File</button>
      </span>
    </div>
    <LateEntries v-if="held?.late" :late="held.late" kind="measurement" />
    <p v-if="expected" class="text-[0.9rem] text-soft" data-expected>{{ expected }}</p>
    <StopWatch
      v-if="instrument === 'watch'"
      :label="kind.label"
      :usual="kind.over"
      @stopped="stopped"
    />
    <TapeSum v-if="instrument === 'tape' && kind.tapes" :tapes="kind.tapes" @sum="summed" />
    <p v-if="problem && tried" role="alert" class="pb-1 font-semibold text-rust">
      {{ problem }}. What you typed is still here.
    </p>
    <p v-if="opened" class="pb-2 text-[0.95rem] text-soft">{{ kind.how }}</p>
  </form>
</template>

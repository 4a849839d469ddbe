<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { pushrodTurns } from '~~/core/circuit'
import { ADJUSTED, ADJUSTED_NAMES, latestReading, type Adjusted } from '~~/core/journal'
import { LIMITS } from '~~/core/proof'
import { numberIn } from '~~/core/quantity'
import { useJob, useJobFigures } from '~/job/useJob'
import { computed, ref } from 'vue'
import { useTypedText, typedWithin, boundsIn, asTyped, withUnits } from '~/units/units'
import { readWithin } from '~/lib/number'
import { millimetres, when } from '~/units/format'
import { describe } from '~/units/describe'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'
import NumberField from '~/components/frame/NumberField.vue'
import ReadingField from '~/components/job/ReadingField.vue'
import FindingRow from '~/components/job/FindingRow.vue'

/** What is set by turning it: the rod by its thread, the switch by counted threads, stop and height by a rule. */
const { id: jobId, state, file, withdraw } = useJob()
const { kept } = useJobFigures()
const clearance = computed(() => latestReading(state.value, 'rodClearance'))
const pitch = computed(() => kept.value?.rodThreadPitch ?? null)
const what = useSessionStorage<Adjusted>(`mellow-adjust-${jobId}`, 'rod')
const kind = computed(() => ADJUSTED[what.value])
const ruled = computed(() => kind.value.unit === 'mm')
const unit = () => (ruled.value ? ('mm' as const) : ('' as const))
const from = useTypedText(`mellow-from-${jobId}`, unit)
const to = useTypedText(`mellow-to-${jobId}`, unit)
const turns = ref('')
const WHATS = ADJUSTED_NAMES.map((id) => ({ id, name: ADJUSTED[id].label }))
/** mm between rod and piston that leaves the port open and gives little away. */
const WANTED = 0.5

const figures = computed(() => ({
  from: typedWithin(from.value, unit(), kind.value),
  to: typedWithin(to.value, unit(), kind.value),
}))
const worked = computed(() => {
  const { from: a, to: b } = figures.value
  if (what.value !== 'rod' || a === null || b === null || !pitch.value) return null
  return pushrodTurns(a, b, pitch.value)
})
const TURNS = { min: -60, max: 60 }
const typedTurns = computed(() => readWithin(turns.value, TURNS))
const wrong = computed(() => {
  const bounds = boundsIn(kind.value, unit())
  if (from.value.trim() && figures.value.from === null) return `From: ${bounds}`
  if (to.value.trim() && figures.value.to === null) return `To: ${bounds}`
  return turns.value.trim() && typedTurns.value === null ? 'Turns: −60 to 60' : ''
})
const ready = computed(
  () => figures.value.from !== null && figures.value.to !== null && wrong.value === '',
)
function useWanted() {
  if (clearance.value !== null) from.value = asTyped(clearance.value, 'mm')
  to.value = asTyped(WANTED, 'mm')
}
async function keep() {
  const { from: a, to: b } = figures.value
  if (a === null || b === null || wrong.value) return
  const told = typedTurns.value ?? (worked.value === null ? null : Math.round(worked.value * 100) / 100)
  const done = await file('adjust', {
    what: what.value,
    from: a,
    to: b,
    ...(told !== null && { turns: told }),
  })
  if (done) {
    from.value = ''
    to.value = ''
    turns.value = ''
  }
}
const turnsWords = (count: number) => {
  const figure = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 2 }).format(Math.abs(count))
  return `${figure} ${numberIn(figure) === 1 ? 'turn' : 'turns'}`
}
const rods = computed(() => state.value.adjusted.filter(({ payload }) => payload.what === 'rod').length)
</script>

<template>
  <div class="grid grid-cols-1 gap-x-8 px-6 py-4 lg:grid-cols-2" data-adjust>
    <form class="flex flex-col gap-2" aria-labelledby="adjust" @submit.prevent="keep">
      <h2 id="adjust" class="text-[1.1rem]">Set it, and write down from where to where</h2>
      <ChoiceRow v-model="what" label="What is set" :choices="WHATS" />
      <div class="grid grid-cols-1 gap-2 sm:grid-cols-3">
        <template v-if="ruled">
          <NumberField v-model="from" label="From" unit="mm" optional :min="kind.min" :max="kind.max" />
          <NumberField v-model="to" label="To" unit="mm" optional :min="kind.min" :max="kind.max" />
        </template>
        <template v-else>
          <label class="block"
            >From, threads<input v-model="from" class="field mt-1" inputmode="decimal"
          /></label>
          <label class="block"
            >To, threads<input v-model="to" class="field mt-1" inputmode="decimal"
          /></label>
        </template>
        <label class="block"
          >Turns it took
          <input
            v-model="turns"
            class="field mt-1"
            inputmode="decimal"
            autocomplete="off"
            :placeholder="worked === null ? '' : String(Math.round(worked * 100) / 100)"
        /></label>
      </div>
      <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}.</p>
      <p v-if="worked !== null" class="text-[1.15rem]" data-turns>
        <strong>{{ turnsWords(worked) }} {{ worked >= 0 ? 'shorter' : 'longer' }}</strong
        >, at {{ withUnits(pitch!, 'mm', 2) }} a turn.
      </p>
      <div class="flex flex-wrap gap-2">
        <button class="act" :disabled="!ready">Keep</button>
        <button v-if="what === 'rod'" type="button" class="quiet" @click="useWanted">
          Towards {{ millimetres(WANTED) }} of clearance
        </button>
      </div>
      <p v-if="what === 'rod'" class="text-[0.95rem] text-soft">
        {{ millimetres(LIMITS.rodClearance.low) }} to {{ millimetres(LIMITS.rodClearance.high) }}: the
        rod floats, and the port opens. The pin slides in without load when its length is right. Set
        floating for the bleed, and finally after it{{ rods === 1 ? '; it was set once so far' : '' }}.
      </p>
    </form>
    <div class="mt-4 lg:mt-0">
      <h2 class="text-[1.1rem]">Set on this job</h2>
      <ul v-if="state.adjusted.length">
        <li
          v-for="one in state.adjusted"
          :key="one.id"
          class="flex min-h-12 items-center gap-2 border-b border-hairline"
          :data-adjusted="one.payload.what"
        >
          <span class="grow leading-tight"
            >{{ describe({ kind: 'adjust', payload: one.payload }) }}
            <span class="block text-[0.9rem] text-soft">{{ when(one.at) }}</span></span
          >
          <button
            type="button"
            class="tap underline underline-offset-4"
            :aria-label="`Take back: ${ADJUSTED[one.payload.what].label}`"
            @click="withdraw(one.id)"
          >
            take back
          </button>
        </li>
      </ul>
      <p v-else class="text-soft">Nothing yet.</p>
      <h2 class="mt-4 text-[1.1rem]">Cross-check</h2>
      <p class="text-soft">
        With the pedal up the slave goes back by hand, the pedal moves free and returns, and its seat
        was felt by the spring.
      </p>
      <ReadingField reading="rodClearance" phase="working" />
      <FindingRow finding="pushBackStiff" phase="working" />
      <FindingRow finding="rodTight" phase="working" />
      <p class="mt-3 border-l-4 border-amber pl-3 text-[0.95rem]">
        Expect a start in gear after work on the switch: brake on, out of gear. The maker’s data gives
        heights and clearances, and comes first.
      </p>
    </div>
  </div>
</template>

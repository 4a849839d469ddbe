<script setup lang="ts">
import { WORKSHOP_VOLUME } from '~~/core/quantity'
import { drewBy, METHOD_ROWS, type MethodRow } from '~~/core/bleed'
import { strokeVolume } from '~~/core/circuit'
import { leftIn, levelOfLog } from '~~/core/coach'
import {
  BLEED_PHASES,
  CAME_OUT,
  METHODS,
  WITHOUT_STROKES,
  type BleedPhase,
  type CameOut,
  type Method,
} from '~~/core/journal'
import { useJob, useJobFigures } from '~/job/useJob'
import { useBleedSetting } from '~/job/useBleedSetting'
import { ref, computed, watch } from 'vue'
import {
  useRetyping,
  withUnits,
  typedWithin,
  boundsIn,
  typedValue,
  symbolOf,
  inUnits,
  unitsNow,
} from '~/units/units'
import { useBleeding } from '~/job/useBleeding'
import { readWithin } from '~/lib/number'
import { BLEED_PHASE_WORDS, CAME_OUT_WORDS } from '~~/core/words'
import BleedFluid from '~/stages/bleed/BleedFluid.vue'
import OnOff from '~/components/frame/OnOff.vue'
import CameOutTube from '~/stages/bleed/CameOutTube.vue'
import BetweenCycles from '~/stages/bleed/BetweenCycles.vue'
import AdviceBox from '~/stages/bleed/AdviceBox.vue'
import AirLeft from '~/stages/bleed/AirLeft.vue'
import AirFigure from '~/components/job/AirFigure.vue'
import ReadingField from '~/components/job/ReadingField.vue'
import StageProofTable from '~/stages/bleed/coach/StageProofTable.vue'
import BleedLogList from '~/stages/bleed/BleedLogList.vue'

/** Cycles with what came out, strokes since the last top-up, and how free travel goes. */
const { id, state, file } = useJob()
const { installation, figures } = useJobFigures()
const setting = useBleedSetting(id, state)
const bottle = ref('')
const colour = ref<'dark' | 'fresh' | ''>('')
const amount = ref('')
useRetyping(bottle, () => 'mm³')
useRetyping(amount, () => 'mm³')
const VOLUME = WORKSHOP_VOLUME

const bleed = computed(() => state.value.bleed)
const now = computed(() =>
  state.value.readings.working.freeTravel ? figures.working.value : figures.asFound.value,
)
/** What is left in the reservoir, by the function that the coach asks too. */
const bleeding = useBleeding()
watch(
  () => setting.value.method,
  (method) => (bleeding.shown.value = method),
  { immediate: true },
)
const tank = computed(() => {
  if (!installation.value) return null
  const stroke = strokeVolume(installation.value.circuit) / 1000
  const usable = installation.value.reservoir.usable / 1000
  const level = levelOfLog(bleed.value, bleeding.drawTable.value, stroke, usable)
  const { method, strokes } = setting.value
  const one = drewBy({ method, strokes, cameOut: 'notSeen' }, bleeding.drawTable.value, stroke, usable)
  const { low, middle } = leftIn(level)
  const cycles = one.high > 0 ? Math.floor(low / one.high) : null
  return { low, middle, usable, cycles, share: usable > 0 ? low / usable : 0 }
})
const CYCLE_WORDS: Partial<Record<MethodRow['draws'], string>> = {
  opening: 'openings',
  minute: 'minutes',
}
const leftWords = computed(() => {
  const now = tank.value
  if (!now) return ''
  const { method, strokes } = setting.value
  if (now.cycles === null) return withUnits(1000 * now.low, 'mm³', 0)
  const { draws } = METHOD_ROWS[method]
  if (strokeless.value && draws !== 'minute') return withUnits(1000 * now.low, 'mm³', 0)
  const what = CYCLE_WORDS[draws] ?? 'strokes'
  return `${now.cycles * (what === 'strokes' ? strokes : 1)} ${what}`
})
const isLow = computed(() => tank.value !== null && tank.value.cycles === 0)
const strokeless = computed(() => WITHOUT_STROKES.has(setting.value.method))
const course = computed(() => [
  ...(state.value.readings.asFound.freeTravel ? [state.value.readings.asFound.freeTravel] : []),
  ...state.value.course.filter(({ payload }) => payload.reading === 'freeTravel'),
])
const bottleProblem = computed(() =>
  bottle.value.trim() && typedWithin(bottle.value, 'mm³', VOLUME) === null
    ? `In the bottle: ${boundsIn(VOLUME, 'mm³')}`
    : '',
)
const SECONDS = { min: 1, max: 86_400 }
const took = ref('')
const tookProblem = computed(() =>
  took.value.trim() && readWithin(took.value, SECONDS) === null ? 'It took: 1 to 86400 s' : '',
)
const amountProblem = computed(() =>
  amount.value.trim() && typedWithin(amount.value, 'mm³', VOLUME) === null
    ? `Topped up: ${boundsIn(VOLUME, 'mm³')}`
    : '',
)

/** A wet glove taps twice: a second tap this soon is the first one again, ms. No cycle is done in that time. */
const TWICE = 250
let lastTap: { at: number; cameOut: CameOut | 'notSeen' | null } = { at: -Infinity, cameOut: null }
async function cycle(cameOut: CameOut | 'notSeen', event?: Event) {
  const at = event?.timeStamp ?? Infinity
  const again = cameOut === lastTap.cameOut && at - lastTap.at < TWICE
  lastTap = { at, cameOut }
  if (bottleProblem.value || tookProblem.value || again) return
  const volume = typedValue(bottle.value, 'mm³')
  const { method, strokes, phase } = setting.value
  const seconds = strokeless.value && took.value.trim() ? readWithin(took.value, SECONDS) : null
  const done = await file('bleedCycle', {
    method,
    ...(!strokeless.value && { strokes }),
    cameOut,
    ...(colour.value && { colour: colour.value }),
    ...(volume !== null && { bottle: volume }),
    ...(seconds !== null && { seconds }),
    ...(phase && { phase }),
  })
  if (done) bottle.value = took.value = ''
}
async function topUp() {
  if (amountProblem.value) return
  const volume = typedValue(amount.value, 'mm³')
  if (await file('topUp', volume === null ? {} : { volume })) amount.value = ''
}
const setPhase = (phase: BleedPhase) => {
  const { phase: before, ...rest } = setting.value
  setting.value = before === phase ? rest : { ...rest, phase }
}
const step = (by: number) => {
  setting.value = { ...setting.value, strokes: Math.min(200, Math.max(1, setting.value.strokes + by)) }
}
</script>

<template>
  <div class="grid gap-x-8 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,0.85fr)]">
    <div class="border-hairline px-6 py-4 lg:border-r">
      <BleedFluid class="mb-2" />
      <div class="flex flex-wrap items-end gap-4">
        <label class="grow">
          <span class="mb-1 block">Method</span>
          <select
            :value="setting.method"
            class="field"
            @change="
              setting = { ...setting, method: ($event.target as HTMLSelectElement).value as Method }
            "
          >
            <option v-for="method in METHODS" :key="method" :value="method">
              {{ METHOD_ROWS[method].name }}
            </option>
          </select>
        </label>
        <div v-if="!strokeless" role="group" aria-label="Strokes in this cycle">
          <span class="mb-1 block">Strokes in this cycle</span>
          <span class="flex items-center">
            <button type="button" class="quiet text-xl" aria-label="One stroke fewer" @click="step(-1)">
              −
            </button>
            <output class="min-w-14 text-center text-xl font-semibold">{{ setting.strokes }}</output>
            <button type="button" class="quiet text-xl" aria-label="One stroke more" @click="step(1)">
              +
            </button>
          </span>
        </div>
      </div>
      <p class="mt-1 text-[0.95rem] text-soft">{{ METHOD_ROWS[setting.method].hint }}</p>
      <div role="group" aria-label="Part of the bleed" class="mt-2 flex flex-wrap gap-2">
        <OnOff
          v-for="one in BLEED_PHASES"
          :key="one"
          :on="setting.phase === one"
          @click="setPhase(one)"
          >{{ BLEED_PHASE_WORDS[one] }}</OnOff
        >
      </div>

      <h2 class="mt-4 text-[1.1rem]">What came out?</h2>
      <div class="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-5">
        <button
          v-for="cameOut in CAME_OUT"
          :key="cameOut"
          type="button"
          class="tap min-h-20 flex-col border-2 border-ink text-[1.05rem] font-semibold hover:bg-raised"
          @click="cycle(cameOut, $event)"
        >
          <CameOutTube :came-out="cameOut" class="h-5" />
          {{ CAME_OUT_WORDS[cameOut] }}
        </button>
      </div>
      <button type="button" class="tap underline underline-offset-4" @click="cycle('notSeen', $event)">
        Nobody looked
      </button>
      <div class="mt-1 flex flex-wrap items-center gap-3">
        <label class="flex items-center gap-2"
          >In the bottle
          <input v-model="bottle" class="field w-20" inputmode="decimal" autocomplete="off" />
          {{ symbolOf('mm³') }}</label
        >
        <label v-if="strokeless" class="flex items-center gap-2"
          >It took
          <input v-model="took" class="field w-20" inputmode="decimal" autocomplete="off" /> s</label
        >
        <div role="radiogroup" aria-label="Colour" class="flex gap-2">
          <label
            v-for="one in ['dark', 'fresh'] as const"
            :key="one"
            class="quiet has-checked:border-ink has-checked:bg-ink has-checked:text-ground has-focus-visible:outline-3 has-focus-visible:outline-amber"
          >
            <input
              v-model="colour"
              type="radio"
              :value="one"
              class="sr-only"
              @click="colour === one && (colour = '')"
            />{{ one }}
          </label>
        </div>
      </div>
      <p v-if="tookProblem" role="alert" class="font-semibold text-rust">{{ tookProblem }}</p>
      <p v-if="bottleProblem" role="alert" class="font-semibold text-rust">{{ bottleProblem }}</p>

      <BetweenCycles />

      <section class="mt-5 border-t border-hairline pt-3" aria-label="Reservoir">
        <div class="flex flex-wrap items-center gap-3">
          <p class="grow text-[1.1rem]">
            <template v-if="strokeless && bleed.strokesSinceTopUp === 0"
              ><strong>{{ withUnits(bleed.bottleSinceTopUp, 'mm³') }}</strong> in the bottle since the
              last top-up</template
            ><template v-else
              ><strong data-figure="since">{{ bleed.strokesSinceTopUp }}</strong> strokes since the last
              top-up</template
            ><strong v-if="isLow" class="text-rust">: fill it now</strong
            ><span v-else-if="leftWords" class="text-soft" data-figure="leftForSure"
              >, {{ leftWords }} left for sure</span
            >
          </p>
          <label class="flex items-center gap-2">
            <input
              v-model="amount"
              class="field w-20"
              inputmode="decimal"
              autocomplete="off"
              :aria-label="`Topped up, ${symbolOf('mm³')}`"
            />
            {{ symbolOf('mm³') }}
          </label>
          <button type="button" class="act" @click="topUp">Topped up</button>
        </div>
        <p v-if="amountProblem" role="alert" class="font-semibold text-rust">{{ amountProblem }}</p>
        <div v-if="tank" class="mt-2 h-4 border border-edge" aria-hidden="true">
          <div class="h-full bg-fluid" :style="{ width: `${100 * tank.share}%` }" />
        </div>
        <p class="mt-2 border-l-4 border-amber pl-3 text-[0.95rem]">
          Never down to the port: one gulp of air and the work starts again.
          <template v-if="installation?.reservoir.sharedWithBrakes">
            This reservoir feeds the brakes too: never below the brake mark.</template
          >
          Used fluid goes to licensed collection.
        </p>
      </section>
    </div>

    <div class="px-6 py-4 lg:pl-0">
      <AdviceBox class="mb-3" />
      <AirLeft />
      <AirFigure v-if="now" :figures="now" heading="Air now" />
      <section class="mt-4" aria-label="Free travel while bleeding">
        <p class="flex flex-wrap items-baseline gap-x-2 text-[1.05rem]">
          <span class="place-name">Free travel</span>
          <template v-for="(held, i) in course" :key="held.id"
            ><span v-if="i" class="text-soft">→</span
            ><strong>{{
              inUnits(held.payload.value, 'mm', unitsNow() === 'inch' ? 2 : 0)
            }}</strong></template
          >
          <span v-if="course.length" class="text-soft">{{ symbolOf('mm') }}</span>
        </p>
        <ReadingField reading="freeTravel" phase="working" />
      </section>
      <StageProofTable class="mt-4" />
      <BleedLogList />
    </div>
  </div>
</template>

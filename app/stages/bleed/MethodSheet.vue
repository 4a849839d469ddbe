<script setup lang="ts">
import { isImplausible } from '~~/core/circuit'
import { sequenceWords, targetWords, type RankedEntry } from '~~/core/bleed'
import { CHANGE_WORDS, stepWords } from './way-words'
import { useBleeding } from '~/job/useBleeding'
import { useJobFigures, useJob } from '~/job/useJob'
import { computed, onMounted, onUnmounted, ref } from 'vue'
import { formatNow, withUnits } from '~/units/units'
import BleedSetup from '~/stages/bleed/BleedSetup.vue'
import RuledOutList from '~/stages/bleed/RuledOutList.vue'
import FillingNote from '~/stages/bleed/FillingNote.vue'
import MethodDetail from '~/stages/bleed/MethodDetail.vue'
import ShopBleeds from '~/stages/bleed/ShopBleeds.vue'

/** Which method, which sequence: ranked over what is not known for sure, the quickest that gets there first. */
const {
  asked,
  asIf,
  dry,
  entry,
  keyOf,
  looked,
  measured,
  now,
  open,
  out,
  picked,
  ranking,
  rankProblem,
  stop,
  target,
} = useBleeding()
const { routing, figures } = useJobFigures()
const { state } = useJob()
const format = computed(() => formatNow())
/** The circuit's own spread, which no chance below takes in. */
const found = computed(() => {
  const phase = state.value.readings.working.freeTravel ? figures.working : figures.asFound
  const air = phase.value?.air
  return air && !isImplausible(air) ? air : null
})
onMounted(() => {
  looked.value = true
  // The line may be dragged here to see what that would do.
  routing.trial.value = true
})
onUnmounted(() => {
  looked.value = false
  routing.letGo()
  routing.trial.value = false
})
const FIRST = 8
const all = ref(false)
const shown = computed(() => (all.value ? open.value : open.value.slice(0, FIRST)))
const longest = computed(() => Math.max(1, ...shown.value.map(({ minutes }) => minutes.high)))
const left = (minutes: number) => `${(100 * minutes) / longest.value}%`
const gets = (one: RankedEntry) => one.chance >= 0.5
const tenths = (one: RankedEntry) => Math.round(10 * one.chance)
const chosen = computed(() => state.value.bleed.setup?.payload.steps ?? [])
const enough = computed(() => now.value !== null && now.value.total.high <= target.value.value)
const minutesOf = ({ minutes: { low, high } }: RankedEntry): string => {
  const [a, b] = [low.toFixed(0), high.toFixed(0)]
  return a === b ? `${a} min` : `${a}–${b} min`
}
const note = (one: RankedEntry): string => {
  if (one.cannotReach.length > 0) return `leaves air in the ${one.cannotReach.join(' and in the ')}`
  const clear = one.lineClearAt === null ? '' : `line clear at cycle ${one.lineClearAt}`
  const tops =
    one.topUps.middle > 0
      ? `${one.topUps.middle} ${one.topUps.middle === 1 ? 'top-up' : 'top-ups'}`
      : ''
  return [clear, tops].filter(Boolean).join(', ')
}
</script>

<template>
  <div class="grid grid-cols-1 gap-x-8 px-6 py-3 xl:grid-cols-[minmax(0,1.1fr)_minmax(0,0.9fr)]">
    <div>
      <p v-if="asked" class="text-[1.05rem]" data-target>
        {{ targetWords(asked.target, format) }}
        <span v-if="found" class="text-soft" data-found-air
          >By free travel {{ format.volume(found.air) }} is in it ({{
            format.volume(Math.max(0, found.low))
          }}
          to {{ format.volume(found.high) }}, by what is known of this circuit).</span
        >
        <span v-if="!dry && !measured" class="text-soft"
          >Nobody has measured free travel: it is ranked as if 3 ml were in it.</span
        >
      </p>
      <p v-if="enough" class="border-l-4 border-patina pl-3">
        By all that was logged no more than that is left. Measure free travel before you bleed on.
      </p>
      <BleedSetup />
      <p v-if="asIf" class="mt-2 border-l-4 border-amber pl-3">
        Ranked as if: <strong>{{ CHANGE_WORDS[asIf].name }}</strong>
        <button type="button" class="tap underline underline-offset-4" @click="asIf = null">
          as it is
        </button>
      </p>
      <p v-if="routing.draft.value" class="mt-2 border-l-4 border-amber pl-3" data-trial>
        Ranked with the line as it is drawn just now.
        <button type="button" class="tap underline underline-offset-4" @click="routing.keep(true)">
          keep it so
        </button>
        <button type="button" class="tap underline underline-offset-4" @click="routing.letGo">
          as it lies
        </button>
      </p>
      <section class="mt-2" aria-label="Ways to bleed it" data-ranking>
        <h2 class="flex items-baseline gap-3">
          <span class="place-name grow">{{
            dry ? 'Ways to fill and bleed it' : 'Ways to bleed it'
          }}</span>
          <span v-if="ranking !== null" class="flex items-center gap-2 text-[0.95rem] text-soft">
            <progress :value="ranking" max="1" class="w-24" aria-label="Ranking" />
            <button type="button" class="tap underline" @click="stop">Stop</button>
          </span>
        </h2>
        <p v-if="rankProblem" role="alert" class="font-semibold text-rust">{{ rankProblem }}</p>
        <p v-else-if="open.length === 0 && ranking === null" class="py-2">
          No way is left with what is at hand. See below what each would need.
        </p>
        <ol class="border-t border-ink">
          <li v-for="(one, i) in shown" :key="keyOf(one)" class="border-b border-hairline">
            <button
              type="button"
              class="grid min-h-14 w-full grid-cols-[minmax(0,1fr)_6.5rem] items-center gap-x-3 py-1 text-left hover:bg-raised"
              :class="entry && keyOf(one) === keyOf(entry) ? 'border-l-4 border-l-amber pl-2' : ''"
              :aria-pressed="!!entry && keyOf(one) === keyOf(entry)"
              :data-way="keyOf(one)"
              @click="picked = keyOf(one)"
            >
              <span class="leading-tight" :class="gets(one) ? '' : 'text-soft'">
                <span :class="i === 0 && gets(one) ? 'font-semibold' : ''">{{
                  sequenceWords(one)
                }}</span>
                <span class="block text-[0.9rem] text-soft">{{ note(one) }}</span>
              </span>
              <span class="text-right leading-tight">
                <span class="whitespace-nowrap"
                  ><strong>{{ tenths(one) }}</strong> of 10</span
                >
                <span class="block text-[0.9rem] whitespace-nowrap text-soft">{{
                  gets(one)
                    ? minutesOf(one)
                    : `${withUnits(1000 * one.residual.total.middle, 'mm³')} stays`
                }}</span>
              </span>
              <span class="relative col-span-2 mt-1 h-1.5 bg-hairline" aria-hidden="true">
                <span
                  v-if="gets(one)"
                  class="absolute inset-y-0 bg-fluid"
                  :style="{ left: 0, width: left(one.minutes.low) }"
                /><span
                  v-if="gets(one)"
                  class="absolute inset-y-0 bg-amber"
                  :style="{
                    left: left(one.minutes.low),
                    width: `max(3px, ${left(one.minutes.high - one.minutes.low)})`,
                  }"
                />
              </span>
            </button>
          </li>
        </ol>
        <button
          v-if="open.length > FIRST"
          type="button"
          class="tap underline"
          :aria-expanded="all"
          @click="all = !all"
        >
          {{ all ? 'Fewer' : `All ${open.length}` }}
        </button>
      </section>
      <RuledOutList v-if="out.length" />
    </div>
    <div class="mt-3 xl:mt-0">
      <p v-if="chosen.length" class="mb-2 border-l-4 border-ink pl-3">
        Chosen:
        {{
          chosen
            .map(({ method, cycles }) => `${stepWords(method)}${cycles > 1 ? ` × ${cycles}` : ''}`)
            .join(', then ')
        }}
      </p>
      <FillingNote v-if="dry && entry" :entry="entry" />
      <MethodDetail v-if="entry" :key="keyOf(entry)" :entry="entry" />
      <ShopBleeds />
    </div>
  </div>
</template>

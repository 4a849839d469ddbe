<script setup lang="ts">
import { TRICK_ROWS } from '~~/core/bleed'
import { PEDAL_SAYS, TRICKS, type PedalSays, type Trick } from '~~/core/journal'
import { useJob } from '~/job/useJob'
import { ref, computed } from 'vue'
import { useRetyping, typedWithin, boundsIn, typedValue, symbolOf } from '~/units/units'
import { PEDAL_SAYS_WORDS } from '~~/core/words'

/** Between cycles: what the pedal says, and tricks for air that no cycle reaches, each with its caution. */
const { file } = useJob()
const free = ref('')
useRetyping(free, () => 'mm')
const degrees = ref('10')
const minutes = ref('')
const trick = ref<Trick | null>(null)
const BOUNDS = { min: 0, max: 400 }
const freeProblem = computed(() =>
  free.value.trim() && typedWithin(free.value, 'mm', BOUNDS) === null
    ? `Free travel: ${boundsIn(BOUNDS, 'mm')}`
    : '',
)
const figure = computed(() => trick.value && TRICK_ROWS[trick.value].said.figure)
async function says(one: PedalSays) {
  if (freeProblem.value) return
  const mm = one === 'free' ? typedValue(free.value, 'mm') : null
  if (await file('pedalSays', { says: one, ...(mm !== null && { mm }) })) free.value = ''
}
async function done() {
  if (!trick.value) return
  const tilt = Number(degrees.value)
  const long = Number(minutes.value)
  const payload = {
    trick: trick.value,
    ...(figure.value === 'degrees' && tilt >= 0 && tilt <= 45 && { degrees: tilt }),
    ...(figure.value === 'duration' && minutes.value.trim() && long > 0 && { minutes: long }),
  }
  if (await file('trick', payload)) trick.value = null
}
</script>

<template>
  <section class="mt-4 border-t border-hairline pt-3" aria-label="At the pedal">
    <h2 class="text-[1.05rem]">What does the pedal say?</h2>
    <div class="mt-1 flex flex-wrap items-center gap-2">
      <button
        v-for="one in PEDAL_SAYS.filter((says) => says !== 'free')"
        :key="one"
        type="button"
        class="quiet"
        @click="says(one)"
      >
        {{ PEDAL_SAYS_WORDS[one] }}
      </button>
      <form class="flex items-center gap-2" @submit.prevent="says('free')">
        <label class="flex items-center gap-2"
          ><input v-model="free" class="field w-16" inputmode="decimal" autocomplete="off" />
          {{ symbolOf('mm') }} free</label
        >
        <button class="quiet" :disabled="!free.trim() || !!freeProblem">called over</button>
      </form>
    </div>
    <p v-if="freeProblem" role="alert" class="font-semibold text-rust">{{ freeProblem }}</p>
    <details class="mt-2" :open="trick !== null">
      <summary class="min-h-11 py-2">Tricks for air that no cycle reaches</summary>
      <div class="flex flex-wrap gap-2">
        <button
          v-for="one in TRICKS"
          :key="one"
          type="button"
          class="quiet"
          :aria-pressed="trick === one"
          :class="trick === one ? 'border-ink! bg-ink text-ground' : ''"
          @click="trick = trick === one ? null : one"
        >
          {{ TRICK_ROWS[one].name }}
        </button>
      </div>
      <form v-if="trick" class="mt-2 flex flex-wrap items-center gap-3" @submit.prevent="done">
        <p
          v-if="TRICK_ROWS[trick].caution"
          class="basis-full border-l-4 border-amber pl-3"
          data-caution
        >
          {{ TRICK_ROWS[trick].caution }} The maker’s data comes first.
        </p>
        <label v-if="figure === 'degrees'" class="flex items-center gap-2"
          ><input v-model="degrees" class="field w-16" inputmode="decimal" autocomplete="off" />
          degrees</label
        >
        <label v-if="figure === 'duration'" class="flex items-center gap-2"
          ><input v-model="minutes" class="field w-20" inputmode="decimal" autocomplete="off" />
          minutes</label
        >
        <button class="act">Done: {{ TRICK_ROWS[trick].name.toLowerCase() }}</button>
      </form>
    </details>
  </section>
</template>

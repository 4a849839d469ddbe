<script setup lang="ts">
import { CAME_OUT, PEDAL_SAYS, type CameOut, type PedalSays } from '~~/core/journal'
import { WORKSHOP_VOLUME } from '~~/core/quantity'
import { useCoach } from './useCoach'
import { computed, ref } from 'vue'
import { useRetyping, typedWithin, boundsIn, symbolOf } from '~/units/units'
import { CAME_OUT_WORDS, PEDAL_SAYS_WORDS } from '~~/core/words'
import CameOutTube from '~/stages/bleed/CameOutTube.vue'

/** One touch each: what came out of the last cycle, and what the pedal says. */
const { state, roles, touch } = useCoach()
const atScrew = computed(() => roles.value.includes('bleeder'))
const atPedal = computed(() => roles.value.includes('pedal'))
const last = computed(() => state.value?.last ?? null)
const cycle = computed(() => {
  const filed = state.value?.filed
  return filed ? Number(filed.split('.')[1]) + 1 : null
})
const bottle = ref('')
const travel = ref('')
useRetyping(bottle, () => 'mm³')
useRetyping(travel, () => 'mm')
const TRAVEL = { min: 0, max: 400 }
const problem = computed(() => {
  if (bottle.value.trim() && typedWithin(bottle.value, 'mm³', WORKSHOP_VOLUME) === null)
    return `In the bottle: ${boundsIn(WORKSHOP_VOLUME, 'mm³')}`
  if (travel.value.trim() && typedWithin(travel.value, 'mm', TRAVEL) === null)
    return `Free travel: ${boundsIn(TRAVEL, 'mm')}`
  return ''
})
/** Firmer, down to the floor and the like by one touch; free travel by its figure. */
const SAYS = PEDAL_SAYS.filter((one): one is Exclude<PedalSays, 'free'> => one !== 'free')
const lastSays = ref<PedalSays | null>(null)

const release = (event: MouseEvent) => {
  if (event.detail > 0) (event.currentTarget as HTMLElement).blur()
}
function came(cameOut: CameOut, event: MouseEvent) {
  touch({ touch: 'cameOut', cameOut })
  release(event)
}
function shade(colour: 'dark' | 'fresh', event: MouseEvent) {
  touch({ touch: 'cameOut', colour })
  release(event)
}
function pour() {
  const volume = typedWithin(bottle.value, 'mm³', WORKSHOP_VOLUME)
  if (volume === null) return
  touch({ touch: 'cameOut', bottle: volume })
  bottle.value = ''
}
function says(one: PedalSays, event?: MouseEvent) {
  const mm = one === 'free' ? typedWithin(travel.value, 'mm', TRAVEL) : null
  if (one === 'free' && mm === null) return
  touch({ touch: 'says', says: one, ...(mm !== null && { mm }) }, 'pedal')
  lastSays.value = one
  if (one === 'free') travel.value = ''
  if (event) release(event)
}
</script>

<template>
  <div class="border-t border-hairline">
    <section v-if="atScrew" aria-label="What came out?">
      <div class="grid grid-cols-5" role="group" :aria-label="`What came out of cycle ${cycle ?? ''}`">
        <button
          v-for="(one, i) in CAME_OUT"
          :key="one"
          type="button"
          class="flex min-h-20 flex-col items-start justify-between gap-1 border-r border-hairline px-2 py-2 text-left text-base leading-tight font-semibold disabled:opacity-45 sm:px-4 sm:text-lg"
          :class="last?.cameOut === one && cycle !== null ? 'bg-ink text-ground' : ''"
          :aria-pressed="last?.cameOut === one && cycle !== null"
          :disabled="cycle === null"
          :aria-keyshortcuts="String(i + 1)"
          @click="came(one, $event)"
        >
          {{ CAME_OUT_WORDS[one].replace(' bubbles', '') }}
          <CameOutTube :came-out="one" class="h-4 sm:h-5" />
        </button>
      </div>
      <div class="flex flex-wrap items-center gap-x-2 gap-y-1 border-t border-hairline px-3 py-1">
        <span class="text-[0.95rem] text-soft">{{
          cycle === null ? 'After a cycle' : `Of cycle ${cycle}`
        }}</span>
        <button
          v-for="one in ['dark', 'fresh'] as const"
          :key="one"
          type="button"
          class="quiet"
          :class="{ 'bg-ink text-ground': last?.colour === one && cycle !== null }"
          :aria-pressed="last?.colour === one && cycle !== null"
          :disabled="cycle === null"
          @click="shade(one, $event)"
        >
          {{ one }}
        </button>
        <form class="flex items-center gap-1" @submit.prevent="pour">
          <input
            v-model="bottle"
            class="field w-16"
            inputmode="decimal"
            autocomplete="off"
            :disabled="cycle === null"
            :aria-label="`In the bottle, ${symbolOf('mm³')}`"
          />
          {{ symbolOf('mm³') }}
          <button class="quiet" :disabled="cycle === null">Say</button>
        </form>
      </div>
    </section>
    <section v-if="atPedal" aria-label="What does the pedal say?" class="border-t border-hairline">
      <div class="grid grid-cols-2" :class="atScrew ? 'sm:grid-cols-[repeat(4,auto)_auto]' : ''">
        <button
          v-for="one in SAYS"
          :key="one"
          type="button"
          class="min-h-12 border-r border-b border-hairline text-left leading-tight font-semibold first-letter:uppercase"
          :class="[
            lastSays === one ? 'bg-ink text-ground' : '',
            atScrew ? 'px-4 sm:px-2 xl:px-4' : 'px-4 text-lg',
          ]"
          @click="says(one, $event)"
        >
          {{ PEDAL_SAYS_WORDS[one] }}
        </button>
        <form
          class="col-span-2 flex items-center gap-1 px-3 py-1 sm:col-span-1"
          @submit.prevent="says('free')"
        >
          <label class="flex items-center gap-2"
            >Free
            <input v-model="travel" class="field w-16" inputmode="decimal" autocomplete="off" />
            {{ symbolOf('mm') }}</label
          >
          <button class="quiet">Say</button>
        </form>
      </div>
    </section>
    <p v-if="problem" role="alert" class="px-4 py-1 font-semibold text-rust">{{ problem }}</p>
  </div>
</template>

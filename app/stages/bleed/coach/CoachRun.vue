<script setup lang="ts">
import { useEventListener, useFullscreen, useStorage } from '@vueuse/core'
import { CAME_OUT } from '~~/core/journal'
import { CallQueue, type Loudness } from './call-queue'
import { clockOff, clockWords } from '~/sync/clock'
import { coachedWords } from './coached'
import { keyWords, useFootSwitch } from './foot-switch'
import { goesWords, isLow } from './level-words'
import { useAwake } from './useAwake'
import { useCoach } from './useCoach'
import { useCoachScreen } from './useCoachScreen'
import { deviceOutputs } from './voice'
import { useJob } from '~/job/useJob'
import { ref, watch, onMounted, nextTick, computed } from 'vue'
import { isTyping } from '~/lib/keys'
import { BLEED_PHASE_WORDS } from '~~/core/words'
import { navigateTo } from '#imports'
import PutBackBar from '~/components/frame/PutBackBar.vue'
import CoachPlaces from '~/stages/bleed/coach/CoachPlaces.vue'
import CoachCall from '~/stages/bleed/coach/CoachCall.vue'
import CoachMeasure from '~/stages/bleed/coach/CoachMeasure.vue'
import CoachDone from '~/stages/bleed/coach/CoachDone.vue'
import CoachSaid from '~/stages/bleed/coach/CoachSaid.vue'
import CoachSide from '~/stages/bleed/coach/CoachSide.vue'
import CoachMore from '~/stages/bleed/coach/CoachMore.vue'

/** The whole screen while a bleed is called: the call, the reservoir, what came out. */
const { id, vehicle } = useJob()
const coach = useCoach()
const { told, state, part, level, move, roles, leads, silent, onItsWay, touch, device } = coach
const { cutOff, leadGone } = coach
const { shown, remains, strip, isBoth, nameOf } = useCoachScreen(coach)
const foot = useFootSwitch()
const awake = useAwake()
const { isFullscreen, toggle: turnFullscreen } = useFullscreen()
const more = ref(false)

// Heard: every call that changes, and the reservoir before it runs low.
const isHeard = useStorage('mellow-coach-heard', true)
const loudness = useStorage<Loudness>('mellow-coach-loudness', 1)
const queue = new CallQueue(deviceOutputs())
queue.loudness = loudness.value
watch(
  () => (shown.value ? `${state.value?.calledAt} ${shown.value.state}` : ''),
  () => {
    if (!shown.value || !isHeard.value) return
    const { state: is, word } = shown.value
    const warns = is === 'held' || is === 'paused' || is === 'unheard' || is === 'unusual'
    queue.say(word, is === 'waits' ? 'other' : warns ? 'warning' : 'mine')
  },
)
watch(
  () =>
    level.value && state.value && !state.value.held && isLow(level.value.goes)
      ? goesWords(level.value.goes)
      : '',
  (now, before) => {
    if (isHeard.value && now && now !== before) queue.say(`${now} left`, 'warning')
  },
)
function louder() {
  if (!isHeard.value) isHeard.value = true
  else loudness.value = queue.louder()
}
function hush() {
  isHeard.value = false
  queue.hush()
}
const LOUD_WORDS = ['quiet', 'usual', 'loud'] as const

function answer() {
  void awake.keep()
  const to = shown.value?.answer
  if (to) touch(to.touch, to.role)
}
const pause = () => touch(state.value?.paused ? { touch: 'resume' } : { touch: 'pause' })
const KEYS: Record<string, () => void> = {
  u: () => touch({ touch: 'undo' }),
  p: pause,
  Escape: pause,
  r: () => queue.repeat(),
  l: louder,
  t: () => touch({ touch: 'toppedUp' }),
  n: () => touch({ touch: 'nextPart' }),
}
useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || isTyping(event)) return
  const on = (event.target as HTMLElement | null)?.closest('button, a, select')
  const { key } = event
  // A key that works the control with the focus is that control’s.
  if (on && key !== foot.own.value && (key === ' ' || key === 'Enter')) return
  const cameOut = CAME_OUT[Number(key) - 1]
  if (key !== foot.own.value && cameOut) touch({ touch: 'cameOut', cameOut })
  else if (foot.answers(key)) answer()
  else if (foot.saysAgain(key)) queue.repeat()
  else if (KEYS[key]) KEYS[key]()
  else return
  event.preventDefault()
})
/** Whoever works by keys goes on from the call: its own touch has the focus. */
const root = ref<HTMLElement>()
const toCall = () => root.value?.querySelector<HTMLElement>('[data-answer]')?.focus()
onMounted(() => {
  void awake.keep()
  toCall()
})
watch(
  () => shown.value?.state,
  async (_, before) => {
    if (before !== 'asks' && before !== 'held' && before !== 'unusual') return
    await nextTick()
    toCall()
  },
)

const hint = computed(() =>
  foot.own.value ? `${keyWords(foot.own.value)}, or touch here` : 'space, foot switch, or touch here',
)
const line = computed(() => {
  const now = part.value
  if (!now) return ''
  return `${now.phase ? `${BLEED_PHASE_WORDS[now.phase]}: ` : ''}${coachedWords(now.method)}`
})
const others = computed(() => {
  if (isBoth.value) return 'alone'
  return (['pedal', 'bleeder'] as const)
    .filter((role) => !roles.value.includes(role))
    .map((role) => `${role === 'pedal' ? 'pedal' : 'screw'}: ${nameOf(role)}`)
    .join(', ')
})
const leave = () => navigateTo(`/jobs/${id}/bleed`)
function putAway() {
  coach.end()
  void leave()
}
</script>

<template>
  <div
    ref="root"
    data-look="lamp"
    class="flex min-h-dvh flex-col bg-ground text-ink min-[900px]:h-dvh"
    data-coach
    :data-n="state?.n"
    :data-state="shown?.state"
    :data-call="move?.call"
    :data-role="move?.role"
    :data-device="device"
    :data-run="told?.run"
    :data-awake-by="awake.by.value ?? ''"
  >
    <header
      class="flex min-h-11 flex-wrap items-center gap-x-4 sm:min-h-14 border-b border-hairline px-5 sm:px-8"
    >
      <h1 class="text-base sm:text-lg">{{ vehicle?.name ?? 'Bleed' }}</h1>
      <p class="hidden grow text-soft sm:block" data-part>{{ line }}</p>
      <p class="ml-auto text-soft sm:ml-0" data-others>{{ others }}</p>
      <button
        v-if="told && !leads && !silent"
        type="button"
        class="tap hidden underline underline-offset-4 lg:inline-flex"
        @click="coach.ask('lead')"
      >
        Lead here
      </button>
      <button type="button" class="tap underline underline-offset-4" @click="leave">Leave</button>
    </header>
    <PutBackBar />
    <p
      v-if="leadGone"
      role="alert"
      class="flex flex-wrap items-center gap-3 border-b border-rust px-5 py-1 sm:px-8"
      data-lead-gone
    >
      <span class="grow"
        >The page that led this bleed was closed. It goes on from here: what is open is closed
        first.</span
      >
      <button type="button" class="act" @click="coach.takeLead()">Go on from here</button>
    </p>
    <p
      v-else-if="silent"
      role="alert"
      class="flex flex-wrap items-center gap-3 border-b border-rust px-5 py-1 sm:px-8"
      data-silent
    >
      <span class="grow">Nothing has come from the device that leads for ten seconds.</span>
      <button type="button" class="act" @click="coach.takeLead()">Go on from here</button>
    </p>
    <p
      v-if="cutOff"
      role="alert"
      class="flex flex-wrap items-center gap-3 border-b border-rust px-5 py-1 sm:px-8"
      data-cut-off
    >
      <span class="grow"
        >This device reaches nobody. Go on alone only where nobody follows another device any
        more.</span
      >
      <button type="button" class="act" @click="coach.goOnAlone()">Go on alone here</button>
    </p>
    <CoachPlaces />
    <p v-if="clockOff" role="status" class="border-b border-hairline px-5 py-1 sm:px-8" data-clock>
      {{ clockWords(clockOff) }}
    </p>
    <p v-if="!state || !shown" class="p-8 text-lg">
      No bleed is being called.
      <NuxtLink :to="`/jobs/${id}/bleed/coach`" class="underline underline-offset-4"
        >Set one up</NuxtLink
      >
    </p>
    <div v-else class="halves min-h-0 grow">
      <div class="flex min-h-0 flex-col">
        <CoachCall
          :shown="shown"
          :remains="remains"
          :strip="strip"
          :on-its-way="onItsWay"
          :hint="hint"
          @answer="answer"
        />
        <CoachMeasure />
        <CoachDone v-if="shown.state === 'done'" @put-away="putAway" />
        <CoachSaid v-if="shown.state !== 'done'" />
      </div>
      <CoachSide
        :more="more"
        :heard="isHeard ? LOUD_WORDS[loudness] : 'silent'"
        @pause="pause"
        @again="queue.repeat()"
        @louder="louder"
        @more="more = !more"
      />
    </div>
    <CoachMore
      v-if="more && state"
      :full-screen="isFullscreen"
      @close="more = false"
      @hush="hush"
      @full-screen="turnFullscreen"
      @put-away="putAway"
    />
  </div>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto auto;
}
@media (min-width: 900px) {
  .halves {
    grid-template-columns: minmax(0, 57%) minmax(0, 43%);
    grid-template-rows: minmax(0, 1fr);
  }
}
</style>

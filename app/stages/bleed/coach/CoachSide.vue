<script setup lang="ts">
import { goesWords } from './level-words'
import { useCoach } from './useCoach'
import { useBleeding } from '~/job/useBleeding'
import { computed } from 'vue'
import { withUnits } from '~/units/units'
import CoachLevel from '~/stages/bleed/coach/CoachLevel.vue'
import CoachSigns from '~/stages/bleed/coach/CoachSigns.vue'

/** A third of the screen that stops everything, with how far it is and the reservoir in it; below it what one does seldom. */
defineProps<{ more: boolean; heard: string }>()
defineEmits<{ pause: []; again: []; louder: []; more: [] }>()
const { state, part, level, roles, move, touch } = useCoach()
const { now, target } = useBleeding()
const left = computed(() => {
  if (!now.value) return ''
  const { low, high } = now.value.total
  return `${withUnits(1000 * low, 'mm³')} to ${withUnits(1000 * high, 'mm³')}`
})
const meant = computed(() => state.value?.cycles[state.value.part] ?? 1)
const isWalked = computed(() => (state.value?.walks ?? 0) > 0)
/** What a finger or a mouse has pressed lets go of the keys; what a key has pressed keeps them. */
const release = ({ detail, target }: MouseEvent) => {
  if (detail > 0) (target as HTMLElement).closest('button')?.blur()
}
</script>

<template>
  <div
    v-if="state"
    class="flex min-h-0 flex-col border-hairline max-[899px]:border-t min-[900px]:border-l"
    @click="release"
  >
    <button
      type="button"
      class="flex min-h-[33.5dvh] w-full grow flex-col gap-1 px-5 py-3 text-left min-[900px]:min-h-0 sm:px-8"
      :class="state.paused ? 'bg-raised' : ''"
      :aria-label="
        !state.paused
          ? 'Stop: what is open is closed first'
          : move
            ? 'Stopped: close first, then go on'
            : 'Go on'
      "
      :aria-pressed="state.paused"
      aria-keyshortcuts="p"
      data-pause
      @click="$emit('pause')"
    >
      <span
        v-if="part && !state.done && state.stretch !== 'ready'"
        class="flex flex-wrap items-baseline gap-x-3"
      >
        <span class="text-lg text-soft">Cycle</span>
        <strong class="text-4xl leading-none sm:text-5xl" data-figure="cycle">{{
          Math.min(meant, state.cycle + 1)
        }}</strong>
        <span class="text-lg text-soft">of {{ meant }}</span>
        <span v-if="isWalked" class="ml-auto text-lg text-soft"
          >walks <strong class="text-ink" data-figure="walks">{{ state.walks }}</strong></span
        >
      </span>
      <CoachLevel class="max-h-56 min-h-0 shrink max-[899px]:hidden" />
      <span v-if="level" class="text-lg min-[900px]:hidden"
        ><strong>{{ goesWords(level.goes) }}</strong>
        <span class="text-soft"> left for sure</span></span
      >
      <span v-if="left" class="text-lg" data-left
        ><span class="text-soft">Air left, reckoned: </span
        ><strong class="whitespace-nowrap">{{ left }}</strong
        ><span class="text-soft"
          >;
          <span class="whitespace-nowrap"
            >up to {{ withUnits(1000 * target.value, 'mm³') }} may stay</span
          ></span
        ></span
      >
      <span class="mt-auto flex items-baseline gap-3 pt-2">
        <strong class="text-2xl">{{
          !state.paused ? 'Stop' : move ? 'Stopped: close first' : 'Go on'
        }}</strong>
        <span v-if="!state.paused || !move" class="text-soft">p, or touch here</span>
      </span>
    </button>
    <CoachSigns v-if="!state.done && roles.includes('bleeder')" />
    <div class="grid grid-cols-5 border-t border-hairline" role="group" aria-label="More controls">
      <button
        type="button"
        class="min-h-12 px-1 text-[0.95rem] leading-tight disabled:opacity-50"
        :disabled="state.past.length === 0"
        aria-keyshortcuts="u"
        @click="touch({ touch: 'undo' })"
      >
        Undo
      </button>
      <button
        type="button"
        class="min-h-12 px-1 text-[0.95rem] leading-tight disabled:opacity-50"
        aria-keyshortcuts="r"
        @click="$emit('again')"
      >
        Again
      </button>
      <button
        type="button"
        class="min-h-12 px-1 text-[0.95rem] leading-tight disabled:opacity-50"
        aria-keyshortcuts="l"
        @click="$emit('louder')"
      >
        Louder <span class="block text-[0.9rem] text-soft">{{ heard }}</span>
      </button>
      <button
        type="button"
        class="min-h-12 px-1 text-[0.95rem] leading-tight disabled:opacity-50"
        aria-keyshortcuts="t"
        @click="touch({ touch: 'toppedUp' })"
      >
        Filled
      </button>
      <button
        type="button"
        class="min-h-12 px-1 text-[0.95rem] leading-tight disabled:opacity-50"
        :aria-expanded="more"
        @click="$emit('more')"
      >
        More
      </button>
    </div>
  </div>
</template>

<script setup lang="ts">
import type { Shown } from '~~/core/coach'
import { computed } from 'vue'

/** The call, readable at two metres; all of it is the touch that answers. */
const props = defineProps<{
  shown: Shown
  remains: number | null
  strip: readonly { word: string; on: boolean }[]
  /** The touch is on its way to the device that leads. */
  onItsWay: boolean
  hint: string
}>()
const emit = defineEmits<{ answer: [] }>()
/** As wide as it may be, so that a short word is large. */
const widest = computed(() => `${Math.round(138 / Math.max(4, props.shown.word.length))}cqw`)
function touch(event: MouseEvent) {
  if (props.shown.answer) emit('answer')
  // What was touched keeps no focus: the next press of a key is no second touch of it.
  if (event.detail > 0) (event.currentTarget as HTMLElement).blur()
}
</script>

<template>
  <div class="call flex min-h-0 grow flex-col">
    <button
      type="button"
      class="flex min-h-0 w-full grow flex-col items-start px-5 pt-3 pb-4 text-left sm:px-8"
      :class="shown.answer ? '' : 'cursor-default'"
      :aria-disabled="shown.answer === null"
      :aria-label="
        shown.answer
          ? `${shown.word}. ${shown.ask} Answer: ${shown.answer.words}`
          : `${shown.word}. ${shown.ask}`
      "
      data-answer
      @click="touch"
    >
      <span class="text-lg text-soft" data-at>{{ shown.at }}</span>
      <span
        class="word"
        :class="{
          'text-soft': shown.state === 'waits',
          'text-rust': shown.state === 'held' || shown.state === 'paused',
        }"
        :style="{ '--widest': widest }"
        data-word
        >{{ shown.word }}</span
      >
      <span class="mt-1 mb-2 text-xl leading-snug sm:text-2xl" data-ask>{{ shown.ask }}</span>
      <span v-if="remains !== null" class="mt-1 text-2xl" data-remains
        >goes on by itself in <strong>{{ remains }}</strong> s</span
      >
      <span v-if="strip.length > 1" class="mt-2 hidden flex-wrap gap-x-6 text-lg text-soft sm:flex">
        <span
          v-for="(one, i) in strip"
          :key="i"
          :class="one.on ? 'border-b-4 border-amber font-semibold text-ink' : ''"
          >{{ one.word.toLowerCase() }}</span
        >
      </span>
      <span
        v-if="shown.answer"
        class="mt-auto flex w-full items-baseline gap-x-3 rounded-sm bg-amber px-4 py-3 text-on-amber sm:flex-wrap"
        data-answer-bar
      >
        <strong class="text-2xl" data-answer-words>{{ shown.answer.words }}</strong>
        <span v-if="onItsWay" class="shrink-0 text-base">on its way …</span>
        <!-- A phone has neither keys nor the room to name them. -->
        <span v-else class="text-base max-sm:hidden">{{ hint }}</span>
      </span>
      <span v-else-if="onItsWay" class="mt-auto text-base text-soft">on its way …</span>
    </button>
    <p v-if="shown.caution" class="mx-5 mb-2 border-l-4 border-amber pl-3 sm:mx-8" data-caution>
      {{ shown.caution }} The maker’s data comes first.
    </p>
    <p class="sr-only" aria-live="assertive">{{ shown.word }}. {{ shown.ask }}</p>
  </div>
</template>

<style scoped>
.call {
  container-type: size;
  min-height: 33.5dvh;
}
.word {
  font-size: min(40cqh, var(--widest));
  font-weight: 700;
  line-height: 1;
  letter-spacing: -0.01em;
}
/* One column: as high as what is asked needs, and the page scrolls. */
@media (max-width: 899px) {
  .call {
    container-type: inline-size;
  }
  .word {
    font-size: min(12dvh, var(--widest));
  }
}
</style>

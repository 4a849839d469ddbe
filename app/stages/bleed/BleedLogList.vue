<script setup lang="ts">
import { LIMITS } from '~~/core/proof'
import { useJob } from '~/job/useJob'
import { computed, ref } from 'vue'
import { describe } from '~/units/describe'
import { when } from '~/units/format'
import CycleCorrection from '~/stages/bleed/CycleCorrection.vue'

/** What was logged, newest first: cycles, top-ups, tricks and what the pedal said. */
const { state, withdraw } = useJob()
const bleed = computed(() => state.value.bleed)
const correcting = ref<string | null>(null)
const log = computed(() =>
  [
    ...bleed.value.cycles.map((held) => ({ kind: 'bleedCycle' as const, held })),
    ...bleed.value.topUps.map((held) => ({ kind: 'topUp' as const, held })),
    ...bleed.value.tricks.map((held) => ({ kind: 'trick' as const, held })),
    ...bleed.value.says.map((held) => ({ kind: 'pedalSays' as const, held })),
  ].sort((a, b) => (a.held.id < b.held.id ? 1 : -1)),
)
const words = ({ kind, held }: (typeof log.value)[number]) =>
  describe({ kind, payload: held.payload } as Parameters<typeof describe>[0])
</script>

<template>
  <section class="mt-4">
    <h2 class="flex items-baseline gap-2">
      <span class="place-name grow">Cycles</span>
      <span class="text-soft"
        ><strong data-figure="strokes">{{ bleed.strokes }}</strong> strokes in all, clear
        <strong data-figure="clear">{{ bleed.clearInRow }}</strong> of {{ LIMITS.clearInRow }} in a
        row</span
      >
    </h2>
    <p v-if="log.length === 0" class="py-2 text-soft">
      Nothing logged yet. One tap on what came out files a cycle.
    </p>
    <ol class="border-t border-hairline" aria-label="Log, newest first">
      <li
        v-for="one in log"
        :key="one.held.id"
        class="flex min-h-11 flex-wrap items-center gap-2 border-b border-hairline"
        :class="one.kind === 'bleedCycle' ? '' : 'text-soft'"
      >
        <span class="grow"
          >{{ words(one) }}<span v-if="!one.held.sent" class="text-soft">, waiting</span></span
        >
        <span class="text-[0.9rem] text-soft"
          >{{ when(one.held.at)
          }}<template v-if="one.held.filedAt"
            >, {{ when(one.held.filedAt) }} by the workshop’s clock</template
          ></span
        >
        <button
          v-if="one.kind === 'bleedCycle'"
          type="button"
          class="tap underline underline-offset-4"
          :aria-expanded="correcting === one.held.id"
          :aria-label="`Correct: ${words(one)}`"
          @click="correcting = correcting === one.held.id ? null : one.held.id"
        >
          correct
        </button>
        <button
          type="button"
          class="tap underline underline-offset-4"
          :aria-label="`Take back: ${words(one)}`"
          @click="withdraw(one.held.id)"
        >
          take back
        </button>
        <CycleCorrection
          v-if="one.kind === 'bleedCycle' && correcting === one.held.id"
          :held="one.held"
          class="basis-full"
          @done="correcting = null"
        />
      </li>
    </ol>
  </section>
</template>

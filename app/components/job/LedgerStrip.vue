<script setup lang="ts">
import { spoilsBleed } from '~~/core/plan'
import { heldNow } from '~~/core/proof'
import { useJob } from '~/job/useJob'
import { usePlan } from '~/job/usePlan'
import { computed } from 'vue'

/** What is on and must come off, what is off and must go back: always in sight, in a line. */
const { id, state, stage } = useJob()
const { ledger } = usePlan()
/** As many of each half as are named; the rest is counted. */
const NAMED = 3
const halves = computed(() =>
  (['on', 'off'] as const).flatMap((half) => {
    const list = ledger.value.filter((one) => one.half === half).map(({ words }) => words)
    if (list.length === 0) return []
    const more = list.length > NAMED ? ` and ${list.length - NAMED} more` : ''
    return [{ half, words: `${list.slice(0, NAMED).join(' · ')}${more}`, all: list.join(', ') }]
  }),
)
/** Nothing is filled or pumped while one of these is on. */
const spoils = computed(() => {
  if (stage.value !== 'bleed') return ''
  const spoiling = spoilsBleed(heldNow(state.value))
  return ledger.value
    .filter((one) => one.state !== null && spoiling.has(one.state))
    .map(({ words }) => words)
    .join(', ')
})
</script>

<template>
  <div v-if="halves.length" class="no-print border-b border-hairline px-6" data-ledger>
    <p v-if="spoils" role="alert" class="font-semibold text-rust" data-spoils>
      Off before anything is filled or pumped: {{ spoils }}.
    </p>
    <NuxtLink
      :to="`/jobs/${id}/fit/ledger`"
      class="flex min-h-11 flex-col justify-center text-[0.95rem] leading-tight hover:underline"
    >
      <span
        v-for="one in halves"
        :key="one.half"
        class="line-clamp-1"
        :data-half="one.half"
        :title="one.all"
        ><strong>{{ one.half === 'on' ? 'On' : 'Off its place' }}:</strong> {{ one.words }}</span
      >
    </NuxtLink>
  </div>
</template>

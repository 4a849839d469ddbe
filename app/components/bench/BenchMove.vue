<script setup lang="ts">
import { faultKind, findingKind, readingKind } from '~~/core/diagnosis'
import type { NextStep } from '~~/core/proof'
import type { BenchLook } from '~/composables/useBenchLooks'

/** What would bring a job on: what stops it, the next look, or how far it has come. */
const props = defineProps<{ step: NextStep; look?: BenchLook }>()

/** Less likely than this, nothing leads. */
const LEADS = 0.3

const words = computed(() => {
  const { step, look } = props
  switch (step.to) {
    case 'mend':
      return step.words
    case 'handOver':
      return 'Hand it over'
    case 'prove':
      return step.owed ? `Prove: ${step.owed} still to measure` : 'Prove: give the verdict'
    case 'bleed':
      return `Bleed on: ${step.cycles} cycles, ${step.clearInRow} clear in a row`
    case 'repair':
      return repairWords(step.repairs) || 'As decided'
    case 'enter':
      return `Go on at ${STAGE_WORDS[step.stage]}`
    case 'look':
      return look ? lookWords(look) : 'Find on'
  }
  return ''
})
function lookWords({ act, look }: BenchLook): string {
  if (act) return act.length ? `Decide: ${repairWords(act).toLowerCase()}` : 'Decide: leave it'
  if (!look) return 'Decide how'
  const { label } = look.kind === 'finding' ? findingKind(look.id) : readingKind(look.id)
  return `Look: ${label.toLowerCase()}, ${look.minutes} min`
}
const lead = computed(() => {
  const one = props.step.to === 'look' ? props.look?.lead : null
  return one && one.chance >= LEADS ? `${faultKind(one.fault).label}, ${chanceWords(one.chance)}` : null
})
</script>

<template>
  <span class="min-w-0 leading-snug" data-move :data-to="step.to">
    <span class="block" :class="{ 'font-semibold text-rust': step.to === 'mend' }"
      ><template v-if="step.to === 'mend'">Stopped. </template>{{ words }}</span
    >
    <span v-if="lead" class="block text-[0.95rem] text-soft">{{ lead }}</span>
  </span>
</template>

<script setup lang="ts">
import { stageName } from '~~/core/journal'
import type { JobLook } from '~~/contract'
import type { NextStep } from '~~/core/proof'
import { computed } from 'vue'
import { countOf, jointWords, chanceWords } from '~~/core/words'
import { deliveryWords } from '~/lib/delivery-words'

/** What would bring a job on: what stops it, the next look, or how far it has come. */
const props = defineProps<{ step: NextStep; look?: JobLook }>()

const COMPARED_NAMES = {
  master: 'master cylinder',
  slave: 'slave cylinder',
  concentric: 'concentric slave',
  hose: 'hose',
  pipe: 'pipe',
} as const
/** Less likely than this, nothing leads. */
const LEADS = 0.3

const words = computed(() => {
  const { step, look } = props
  switch (step.to) {
    case 'mend':
      return step.words
    case 'closed':
      return 'Closed'
    case 'handOver':
      return 'Return to the customer'
    case 'putBack':
      return `Still on or off: ${step.words}${step.left > 1 ? ` and ${step.left - 1} more` : ''}`
    case 'work':
      return `Continue Fit: ${countOf(step.told, 'step')} done`
    case 'prove':
      if (step.owed) return `Prove: ${step.owed} still to measure`
      return step.loose ? 'Prove: say what mended the cause' : 'Prove: give the verdict'
    case 'bleed':
      return `Continue bleeding: ${countOf(step.cycles, 'cycle')}, ${step.clearInRow} clear in a row`
    case 'repair':
      return step.words || 'As decided'
    case 'joint':
      return `Does not join: ${jointWords(step.at).toLowerCase()}`
    case 'fit':
      return `Does not fit: ${COMPARED_NAMES[step.of]}`
    case 'compare':
      return 'Compare the parts with the old ones'
    case 'sendBack':
      return `Send back: ${step.words}`
    case 'wait':
      return `Waits for ${step.words}${step.lines > 1 ? ` and ${step.lines - 1} more` : ''}`
    case 'size':
      return 'Choose cylinders'
    case 'enter':
      return `Continue with ${stageName(step.stage)}`
    case 'look':
      return look ? lookWords(look) : 'Continue Find'
  }
})
function lookWords({ act, look }: JobLook): string {
  if (act !== null) return `Decide: ${act.toLowerCase() || 'leave it'}`
  return look ? `Look: ${look.label.toLowerCase()}, ${look.minutes} min` : 'Decide how'
}
const lead = computed(() => {
  if (props.step.to === 'wait')
    return props.step.arrives === null
      ? 'no day promised'
      : `promised ${deliveryWords(props.step.arrives)}`
  if (props.step.to === 'work' && props.step.left > 0)
    return `on or off: ${props.step.words}${props.step.left > 1 ? ` and ${props.step.left - 1} more` : ''}`
  const one = props.step.to === 'look' ? props.look?.lead : null
  return one && one.chance >= LEADS ? `${one.label}, ${chanceWords(one.chance)}` : null
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

<script setup lang="ts">
import { operationOf, type OperationId } from '~~/core/work'
import {
  faultKind,
  findingKind,
  fits,
  GUIDES,
  NEEDS,
  readingKind,
  safeConditions,
  unmet,
  walk,
  type Guide,
  type Need,
} from '~~/core/diagnosis'
import { useJob, useJobFigures } from '~/job/useJob'
import { usePersonStore } from '~/stores/person'
import { useDiagnosis } from '~/job/useDiagnosis'
import { useTemplateRef, watch, nextTick, computed } from 'vue'
import { withUnits } from '~/units/units'
import { when } from '~/units/format'
import FindingRow from '~/components/job/FindingRow.vue'
import ReadingField from '~/components/job/ReadingField.vue'

/** Short branching procedures: each step files its entry, so that a guide can be left and taken up again. */
const { file, state: job } = useJob()
/** The last time that a step's work was done. */
const doneLast = (operation: OperationId) =>
  job.value.workDone.filter(({ payload }) => payload.operation === operation).at(-1)
const person = usePersonStore()
const { installation } = useJobFigures()
const { evidence, conditions, barring, guide: opened } = useDiagnosis()
const panel = useTemplateRef('panel')
/** One that was opened from elsewhere is brought into sight, with its button in focus. */
watch(opened, async (id) => {
  await nextTick()
  const button = id && panel.value?.querySelector<HTMLElement>(`[data-opens="${id}"]`)
  if (!button || button === document.activeElement) return
  button.scrollIntoView({ block: 'nearest' })
  button.focus()
})
/** What holds here, less what an open stop forbids. */
const safe = computed(() => safeConditions(conditions.value, barring.value))
const guides = computed(() =>
  GUIDES.filter(({ only }) => !installation.value || fits(only, installation.value)).map((guide) => ({
    guide,
    state: walk(guide, evidence.value),
    lacks: unmet(guide.needs, safe.value),
  })),
)
function notNow(id: Need): string {
  const needed = `it needs that ${NEEDS.find((need) => need.id === id)!.label.toLowerCase()}`
  return conditions.value[id] ? `${needed}, and a stop forbids that` : needed
}
const done = ({ done: steps, step }: ReturnType<typeof walk>) =>
  step === null ? 'done' : steps.length ? `step ${steps.length + 1}` : ''
const answerOf = (step: Guide['steps'][number]) => {
  if (step.ask === 'reading') {
    const reading = evidence.value.readings[step.reading]
    return reading ? withUnits(reading.value, readingKind(step.reading).unit) : ''
  }
  const state = evidence.value.findings[step.finding]
  return state ? findingKind(step.finding)[state] : ''
}
</script>

<template>
  <section ref="panel" aria-labelledby="guides">
    <h2 id="guides" class="text-[1.1rem]">Guides</h2>
    <div v-for="{ guide, state, lacks } in guides" :key="guide.id" class="border-b border-hairline">
      <button
        type="button"
        class="flex min-h-11 w-full flex-wrap items-center gap-x-3 text-left leading-tight"
        :aria-expanded="opened === guide.id"
        :data-opens="guide.id"
        @click="opened = opened === guide.id ? null : guide.id"
      >
        <span class="grow py-1"
          >{{ guide.label }}<span class="text-soft">. {{ guide.tells }}</span></span
        >
        <span class="text-[0.95rem] text-soft">{{ done(state) }}</span>
      </button>
      <div v-if="opened === guide.id" class="border-l-4 border-amber pb-2 pl-4" :data-guide="guide.id">
        <p v-if="lacks" class="font-semibold">Not now: {{ notNow(lacks) }}.</p>
        <p v-if="guide.caution" class="font-semibold">{{ guide.caution }}</p>
        <ol>
          <li v-for="step in state.done" :key="step.id" class="py-1">
            {{ step.say }} <strong>{{ answerOf(step) }}</strong>
          </li>
        </ol>
        <template v-if="state.step">
          <p v-if="state.step.first && doneLast(state.step.first)" class="text-soft" data-done-before>
            {{ operationOf(state.step.first).label }}: done
            {{ when(doneLast(state.step.first)!.at) }} by
            {{ person.names.get(doneLast(state.step.first)!.by) ?? 'somebody' }}.
          </p>
          <p v-else-if="state.step.first" class="flex flex-wrap items-center gap-x-3">
            <span>First: {{ operationOf(state.step.first).label.toLowerCase() }}.</span>
            <button
              type="button"
              class="quiet"
              @click="file('workDone', { operation: state.step!.first! })"
            >
              Done
            </button>
          </p>
          <p class="py-1 text-[1.1rem]">{{ state.step.say }}</p>
          <FindingRow
            v-if="state.step.ask === 'finding'"
            :key="state.step.id"
            :finding="state.step.finding"
            phase="asFound"
          />
          <ReadingField v-else :key="state.step.id" :reading="state.step.reading" phase="asFound" />
        </template>
        <p v-else-if="state.conclusion" class="py-1 text-[1.1rem]" data-conclusion>
          <strong>{{ state.conclusion.words }}</strong>
          <span v-if="state.conclusion.points.length" class="block text-[0.95rem] text-soft"
            >Left:
            {{
              state.conclusion.points.map((one) => faultKind(one).label.toLowerCase()).join('; ')
            }}</span
          >
        </p>
        <button
          v-if="state.step"
          type="button"
          class="tap px-0 underline"
          @click="file('note', { words: `Guide left: ${guide.label}, at “${state.step!.say}”` })"
        >
          Stop here and leave a note
        </button>
      </div>
    </div>
  </section>
</template>

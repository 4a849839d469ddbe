<script setup lang="ts">
import type { PlanAnswer } from '~~/core/plan'
import { useJob } from '~/job/useJob'
import { usePlan } from '~/job/usePlan'
import { computed, ref } from 'vue'
import type { PLACE_WORDS } from '~~/core/words'
import { unitsNow } from '~/units/units'

/** How long it takes, place by place as a bar; waits; and the plan for a calendar or on paper. */
const props = defineProps<{ plan: PlanAnswer }>()
const { id } = useJob()
const { chosen, told, left } = usePlan()
/** Neighbouring steps at one place are one stretch of the bar; what is done is faint. */
const stretches = computed(() => {
  const list: { place: keyof typeof PLACE_WORDS; minutes: number; done: number }[] = []
  for (const step of props.plan.steps) {
    const minutes = Math.max(0.5, step.minutes[1])
    const done = told.value.has(step.id) ? minutes : 0
    const last = list.at(-1)
    if (last?.place === step.place) {
      last.minutes += minutes
      last.done += done
    } else list.push({ place: step.place, minutes, done })
  }
  return list
})
const LETTER = {
  bench: 'bench',
  engineBay: 'bay',
  footwell: 'foot',
  under: 'under',
  wheelArch: 'beside',
  road: 'road',
} as const
/** A name is written where there is room for it. */
const ROOM = 0.075
const total = computed(() => stretches.value.reduce((sum, { minutes }) => sum + minutes, 0))
const words = (minutes: number) =>
  minutes < 60
    ? `${Math.round(minutes)} min`
    : `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`
const title = (step: string) => props.plan.steps.find(({ id: one }) => one === step)?.title ?? step
const local = (at: Date) =>
  new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
const start = ref(local(new Date()))
const calendar = computed(() => {
  const at = new Date(start.value)
  return Number.isNaN(at.getTime())
    ? null
    : `/api/jobs/${id}/plan-calendar?start=${encodeURIComponent(at.toISOString())}`
})
</script>

<template>
  <div data-plan-times>
    <p class="py-1" data-plan-time>
      {{ left }} of {{ plan.steps.length }} steps to go. All of it {{ words(plan.minutes.p10) }} to
      {{ words(plan.minutes.p90) }}, most likely {{ words(plan.minutes.p50) }}.
      <template v-if="plan.secondPairSaves >= 1">
        {{
          chosen?.people === 2 ? 'The second pair of hands saves' : 'A second pair of hands would save'
        }}
        about {{ words(plan.secondPairSaves) }}.
      </template>
      <span class="text-soft">Minutes are judgement.</span>
    </p>
    <div class="flex h-9 w-full overflow-hidden border border-edge" aria-hidden="true" data-time-bar>
      <span
        v-for="(one, i) in stretches"
        :key="i"
        class="flex h-full items-center justify-center overflow-hidden border-r border-ground text-[0.85rem] whitespace-nowrap last:border-r-0"
        :class="one.done >= one.minutes ? 'bg-raised text-soft' : 'bg-fluid text-[#1e2a2f]'"
        :style="{ width: `${(100 * one.minutes) / total}%` }"
        >{{ one.minutes / total > ROOM ? LETTER[one.place] : '' }}</span
      >
    </div>
    <p
      v-for="wait in plan.waits"
      :key="wait.before"
      class="mt-1 border-l-4 border-amber pl-3"
      data-wait
    >
      Waits {{ words(wait.minutes) }} before “{{ title(wait.before) }}”: {{ wait.why }}.
    </p>
    <div class="no-print flex flex-wrap items-center gap-x-4 py-1">
      <a
        :href="`/api/jobs/${id}/plan-sheet?units=${unitsNow()}`"
        target="_blank"
        class="tap px-1 underline"
        >Job sheet as PDF</a
      >
      <label class="flex items-center gap-2"
        >from <input v-model="start" type="datetime-local" class="field w-auto" aria-label="Begins at"
      /></label>
      <a v-if="calendar" :href="calendar" class="tap px-1 underline">Calendar file</a>
    </div>
  </div>
</template>

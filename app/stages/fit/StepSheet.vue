<script setup lang="ts">
import { useJob } from '~/job/useJob'
import { usePlan } from '~/job/usePlan'
import { computed } from 'vue'
import { PLACE_WORDS } from '~~/core/words'
import PlanStep from '~/stages/fit/PlanStep.vue'
import LaidOut from '~/stages/fit/LaidOut.vue'
/** One step at a time, for under the vehicle: nothing else on the sheet but what comes after it. */
const { id } = useJob()
const { chosen, plan, wrong, told, next, left, problem, file } = usePlan()
const after = computed(() =>
  (plan.value?.steps ?? [])
    .filter((step) => !told.value.has(step.id) && step.id !== next.value?.id)
    .slice(0, 3),
)
/** The one that was told last can be opened again: a thumb slips. */
const last = computed(() => [...told.value.values()].at(-1) ?? null)
const titleOf = (step: string) => plan.value?.steps.find(({ id: one }) => one === step)?.title ?? ''
</script>

<template>
  <div class="max-w-5xl px-6 py-3" data-step-sheet>
    <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
    <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}.</p>
    <template v-if="plan && next">
      <p class="place-name">
        {{ PLACE_WORDS[next.place] }} · {{ plan.steps.length - left + 1 }} of {{ plan.steps.length }} ·
        {{ Math.round(next.minutes[1]) }} min{{ next.people > 1 ? ' · two people' : '' }}
      </p>
      <PlanStep :step="next" large />
      <LaidOut v-if="told.size === 0" :plan="plan" open />
      <p v-if="after.length" class="mt-3 text-[1.1rem] text-soft">
        Then: {{ after.map(({ title }) => title.toLowerCase()).join('; ') }}.
      </p>
    </template>
    <p v-else-if="plan" class="border-l-4 border-ink pl-3 text-[1.3rem]" role="status">
      <strong>Every step is told.</strong> What is measured now stands under Prove.
    </p>
    <p v-else-if="!chosen">
      No plan yet.
      <NuxtLink :to="`/jobs/${id}/fit/plan`" class="tap px-1 font-semibold underline"
        >Choose what is to be done</NuxtLink
      >
    </p>
    <p v-else-if="!wrong" role="status" class="text-soft">Working out the order …</p>
    <p v-if="last" class="mt-2">
      <button
        type="button"
        class="tap px-1 underline"
        @click="file('step', { step: last.payload.step, act: 'undone' })"
      >
        Open again: {{ titleOf(last.payload.step).toLowerCase() }}
      </button>
    </p>
  </div>
</template>

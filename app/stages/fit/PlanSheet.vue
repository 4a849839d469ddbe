<script setup lang="ts">
import type { Place } from '~~/core/plan'
import { usePlan } from '~/job/usePlan'
import { usePersonStore } from '~/stores/person'
import { computed } from 'vue'
import { PLACE_WORDS } from '~~/core/words'
import { when } from '~/units/format'
import PlanStep from '~/stages/fit/PlanStep.vue'
import PlanTimes from '~/stages/fit/PlanTimes.vue'
import LaidOut from '~/stages/fit/LaidOut.vue'
import PlanChoice from '~/stages/fit/PlanChoice.vue'

/** The plan as it is read: the next step, how long it takes, and every step by place. */
const { chosen, plan, wrong, failed, told, next, problem, file } = usePlan()
const person = usePersonStore()
/** Neighbouring steps at one place are one stretch. */
const stretches = computed(() => {
  const list: { place: Place; steps: NonNullable<typeof plan.value>['steps'] }[] = []
  for (const step of plan.value?.steps ?? []) {
    const last = list.at(-1)
    if (last?.place === step.place) last.steps.push(step)
    else list.push({ place: step.place, steps: [step] })
  }
  return list
})
const critical = computed(() => new Set(plan.value?.critical))
const undo = (step: string) => file('step', { step, act: 'undone' })
</script>

<template>
  <div class="grid grid-cols-1 gap-x-8 px-6 py-3 xl:grid-cols-2" data-plan>
    <div>
      <PlanStep v-if="next" :step="next" />
      <p v-else-if="plan" class="border-l-4 border-ink pl-3 text-[1.1rem]" role="status">
        <strong>Every step is told.</strong> What is measured now stands under Prove.
      </p>
      <p v-else-if="chosen && !wrong" role="status" class="text-soft">Working out the order …</p>
      <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}.</p>
      <p v-if="problem || failed" role="alert" class="font-semibold text-rust">
        {{ problem || failed }}
      </p>
      <PlanTimes v-if="plan" :plan="plan" />
      <LaidOut v-if="plan" :plan="plan" :open="told.size === 0" />
      <PlanChoice class="mt-3" />
    </div>
    <div v-if="plan" class="mt-3 xl:mt-0">
      <section v-for="(one, i) in stretches" :key="i" :aria-label="PLACE_WORDS[one.place]">
        <h3 class="place-name border-b border-ink pt-2">{{ PLACE_WORDS[one.place] }}</h3>
        <ol>
          <li
            v-for="step in one.steps"
            :key="step.id"
            class="flex min-h-11 items-center gap-3 border-b border-hairline"
            :class="step.id === next?.id ? 'border-l-4 border-l-amber pl-2' : ''"
            :data-step="step.id"
          >
            <span class="w-5 shrink-0 text-center" aria-hidden="true">{{
              told.get(step.id)?.payload.act === 'done' ? '✓' : told.has(step.id) ? '–' : ''
            }}</span>
            <span class="min-w-0 grow leading-tight" :class="told.has(step.id) ? 'text-soft' : ''">
              {{ step.title }}
              <span v-if="told.has(step.id)" class="block text-[0.9rem]"
                >{{ when(told.get(step.id)!.at) }},
                {{ person.names.get(told.get(step.id)!.by) ?? 'somebody'
                }}<template v-if="told.get(step.id)!.payload.reason"
                  >: left out, {{ told.get(step.id)!.payload.reason }}</template
                ></span
              >
              <span
                v-else-if="step.people > 1 || step.learnt || critical.has(step.id)"
                class="block text-[0.9rem] text-soft"
                >{{
                  [
                    step.people > 1 ? 'two people' : '',
                    critical.has(step.id) ? 'decides how long it takes' : '',
                    step.learnt ? `from ${step.learnt.count} of this shop’s jobs` : '',
                  ]
                    .filter(Boolean)
                    .join(', ')
                }}</span
              >
            </span>
            <span class="w-16 shrink-0 text-right text-[0.95rem] text-soft"
              >{{ Math.round(step.minutes[1]) }} min</span
            >
            <button
              v-if="told.has(step.id)"
              type="button"
              class="tap px-1 underline"
              :aria-label="`Open again: ${step.title}`"
              @click="undo(step.id)"
            >
              open
            </button>
          </li>
        </ol>
      </section>
    </div>
  </div>
</template>

<script setup lang="ts">
import { stateWords, type Place } from '~~/core/plan'
import { usePlan } from './usePlan'

/** The plan as it is read and as it is worked: the next step large, the rest by place, with its time and what is on. */
const { chosen, plan, wrong, told, next, left, problem, file } = usePlan()
const person = usePersonStore()
const PLACE_WORDS: Record<Place, string> = {
  bench: 'At the bench',
  engineBay: 'In the engine bay',
  footwell: 'In the footwell',
  under: 'Under the vehicle',
  wheelArch: 'Beside the vehicle',
  road: 'On the road',
}
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
const total = computed(() =>
  (plan.value?.steps ?? []).reduce((sum, { minutes }) => sum + minutes[1], 0),
)
const hours = (minutes: number) =>
  minutes < 60
    ? `${Math.round(minutes)} min`
    : `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`
/** Put on, and not off again: always in sight. */
const on = computed(() =>
  (plan.value?.ledger ?? []).filter((one) => told.value.has(one.on) && !told.value.has(one.off)),
)
const undo = (step: string) => file('step', { step, act: 'undone' })
</script>

<template>
  <div class="grid grid-cols-1 gap-x-8 px-6 py-3 xl:grid-cols-2" data-plan>
    <div>
      <PlanStep v-if="next" :step="next" />
      <p v-else-if="plan" class="border-l-4 border-ink pl-3 text-[1.1rem]" role="status">
        <strong>Every step is told.</strong> What is measured now stands under Prove.
      </p>
      <p v-if="wrong" role="alert" class="font-semibold text-rust">{{ wrong }}.</p>
      <p v-if="problem" role="alert" class="font-semibold text-rust">{{ problem }}</p>
      <p v-if="on.length" class="mt-2 border-y border-ink py-1" data-on>
        <strong>On, or off its place:</strong>
        {{ on.map(({ item }) => stateWords(item)).join(', ') }}
      </p>
      <p v-if="plan" class="py-1" data-plan-time>
        {{ left }} of {{ plan.steps.length }} steps to go. All of it {{ hours(plan.minutes.p10) }} to
        {{ hours(plan.minutes.p90) }}, most likely {{ hours(plan.minutes.p50) }}.
        <template v-if="plan.secondPairSaves >= 1">
          {{
            chosen?.people === 2
              ? 'The second pair of hands saves'
              : 'A second pair of hands would save'
          }}
          about {{ hours(plan.secondPairSaves) }}.
        </template>
        <span class="text-soft">Minutes are judgement.</span>
      </p>
      <p v-for="wait in plan?.waits ?? []" :key="wait.before" class="border-l-4 border-amber pl-3">
        Waits {{ hours(wait.minutes) }} before “{{
          plan?.steps.find(({ id }) => id === wait.before)?.title
        }}”: {{ wait.why }}.
      </p>
      <details v-if="plan">
        <summary class="min-h-11 content-center">
          Laid out first: {{ plan.tools.length }} tools, {{ plan.parts.length }} parts
        </summary>
        <p>{{ plan.tools.map(({ name, size }) => (size ? `${name}, ${size}` : name)).join('; ') }}.</p>
        <p class="text-soft">
          {{ [...plan.parts, ...plan.consumables].join('; ') }}. Likely to break:
          {{ plan.casualties.join(', ') || 'nothing known' }}.
        </p>
      </details>
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
              <span v-else-if="step.people > 1" class="block text-[0.9rem] text-soft">two people</span>
            </span>
            <span
              class="h-2 shrink-0 bg-fluid"
              :style="{ width: `${Math.max(2, (90 * step.minutes[1]) / Math.max(1, total))}px` }"
              aria-hidden="true"
            />
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

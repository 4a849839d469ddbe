<script setup lang="ts">
import { METHOD_ROWS } from '~~/core/bleed'
import { useStorage } from '@vueuse/core'
import {
  canBeCalled,
  firstWay,
  isMethod,
  movesOf,
  refusalsOf,
  type Coached,
  type Here,
  type PlannedStep,
  type Role,
  CANNOT_WORDS,
} from '~~/core/coach'
import { clockOff, clockWords } from '~/sync/clock'
import { COACHED, coachedWords, STAGED } from './coached'
import { keyWords, useFootSwitch } from './foot-switch'
import { useCoach } from './useCoach'
import { useCoachPlan } from './useCoachPlan'
import { useJob, useJobFigures } from '~/job/useJob'
import { useBleeding } from '~/job/useBleeding'
import { usePersonStore } from '~/stores/person'
import { computed, ref, watch } from 'vue'
import { withUnits } from '~/units/units'
import { navigateTo } from '#imports'
import PumpChoice from '~/stages/bleed/coach/PumpChoice.vue'
import StageProofTable from '~/stages/bleed/coach/StageProofTable.vue'
import ChoiceRow from '~/components/frame/ChoiceRow.vue'

/** What will be called, by whom it is done, and on which devices; a run under way is joined from here. */
const { id, vehicle } = useJob()
const { installation } = useJobFigures()
const { setup, set } = useBleeding()
const person = usePersonStore()
const coach = useCoach()
const foot = useFootSwitch()
const STANDARD = 10

/** What this circuit and these people are. */
const here = computed((): Here => ({
  screw: installation.value?.slave.bleeder.kind !== 'none',
  people: setup.value.people,
  shared: installation.value?.reservoir.sharedWithBrakes === true && !setup.value.override,
  kit: setup.value.kit,
}))
const cyclesOf = (method: Coached): number =>
  isMethod(method) && movesOf(method).cycle.some(({ draws, pedal }) => draws && pedal) ? STANDARD : 1
/** As chosen under Methods; else what this circuit and these people can do with the least. */
const chosen = computed((): PlannedStep[] =>
  setup.value.steps?.length
    ? setup.value.steps.map(({ method, cycles }) => ({ method, cycles: Math.max(1, cycles) }))
    : [{ method: firstWay(here.value), cycles: STANDARD }],
)
/** As changed on this device; else as chosen under Methods. */
const own = useStorage<PlannedStep[] | null>(`mellow-coach-steps-${id}`, null, undefined, {
  serializer: { read: (text) => JSON.parse(text) as PlannedStep[], write: JSON.stringify },
})
const steps = computed({ get: () => own.value ?? chosen.value, set: (list) => (own.value = list) })
const isAlone = computed(() => setup.value.people === 1)
const refused = computed(() => refusalsOf(steps.value, here.value))
const refusalOf = (method: Coached) => refused.value.find((one) => one.method === method)
const groups = computed(() => {
  const can = new Set<Coached>([...canBeCalled(here.value), ...STAGED])
  return COACHED.map(({ name, of }) => ({ name, of: of.filter((one) => can.has(one)) })).filter(
    ({ of }) => of.length > 0,
  )
})

const { plan, isAsked } = useCoachPlan(steps, refused)
const fluidWords = computed(() => {
  const first = plan.value?.parts[0]
  if (!plan.value || !first) return ''
  const { middle, high } = first.draws.at(-1)!
  const mark = plan.value.shared ? 'the brakes’ mark' : 'the port'
  const early = plan.value.unknown
    ? ` ${plan.value.unknown} So it is held back earlier than it may have to be.`
    : ''
  const name = coachedWords(first.method)
  const about = withUnits(1000 * Math.max(0, middle), 'mm³')
  const most = withUnits(1000 * high, 'mm³')
  const of = `of the ${withUnits(1000 * plan.value.usable, 'mm³', 0)} over ${mark}`
  if (high <= 0) return `${name} takes nothing out of the reservoir.`
  const draws =
    about === most
      ? `${name}: a cycle draws ${most} ${of}, by the model that ranks the methods.`
      : `${name}: a cycle draws about ${about}, at the most ${most} ${of}, by the model that ranks the methods.`
  return `${draws} Before it runs low the next call is held back until it is filled.${early}`
})
const role = ref<Role | 'both'>('bleeder')
const ROLES = [
  { id: 'bleeder', name: 'At the screw' },
  { id: 'pedal', name: 'At the pedal' },
  { id: 'both', name: 'Both, on one screen' },
] as const
const places = computed((): Role[] =>
  isAlone.value || role.value === 'both' ? ['pedal', 'bleeder'] : [role.value],
)
const isRunning = computed(() => coach.state.value !== null && !coach.state.value.done)
/** Somebody has that place, on another device. */
const taken = (at: Role): boolean => !!coach.told.value?.roles[at]
const nameOf = (by: string | undefined) => (by && person.names.get(by)) || 'Somebody'
const seats = computed(() => {
  const { pedal, bleeder } = coach.told.value?.roles ?? {}
  return [
    ...(pedal ? [`${nameOf(pedal.by)} at the pedal`] : []),
    ...(bleeder ? [`${nameOf(bleeder.by)} at the screw`] : []),
  ].join(', ')
})

const change = (i: number, next: Partial<PlannedStep>) =>
  (steps.value = steps.value.map((one, k) => (k === i ? { ...one, ...next } : one)))
const remove = (i: number) => (steps.value = steps.value.filter((_, k) => k !== i))
const MOST_STEPS = 8
const add = (method: Coached) => (steps.value = [...steps.value, { method, cycles: cyclesOf(method) }])
const stageProof = () => (steps.value = STAGED.map((method) => ({ method, cycles: 1 })))

const learning = ref(false)
function learn(event: KeyboardEvent) {
  if (!learning.value || event.key === 'Tab') return
  event.preventDefault()
  event.stopPropagation()
  if (event.key !== 'Escape') foot.own.value = event.key
  learning.value = false
}
function go() {
  return navigateTo(`/jobs/${id}/bleed/calls`)
}
/** Touched while the plan is worked out (anew): it begins as soon as that is known, so no touch is lost. */
const waiting = ref(false)
function start() {
  if (!person.current || !isAsked.value) return
  waiting.value = !plan.value
  if (!plan.value) return
  coach.start(plan.value, places.value)
  void go()
}
watch(plan, () => waiting.value && start())
watch([() => JSON.stringify(steps.value), isAlone, isAsked], () => (waiting.value = false))
function goOnHere() {
  coach.takeLead()
  void go()
}
function join(at: Role) {
  coach.ask(at)
  void go()
}
</script>

<template>
  <div class="grid grid-cols-1 gap-x-8 px-6 py-4 xl:grid-cols-[minmax(0,1.2fr)_minmax(0,0.8fr)]">
    <section
      v-if="isRunning"
      class="col-span-full mb-4 flex flex-wrap items-center gap-3 border-l-4 border-amber pl-3"
      aria-label="A bleed is being called"
      data-running
    >
      <p class="grow text-[1.05rem]">
        A bleed is being called<template v-if="seats">: {{ seats }}</template
        >.<template v-if="coach.leadGone.value">
          The page that led it was closed: go on with it here, and what is open is closed
          first.</template
        >
      </p>
      <button v-if="coach.leadGone.value" type="button" class="act" @click="goOnHere">
        Go on from here
      </button>
      <button v-else-if="coach.roles.value.length" type="button" class="act" @click="go">
        Go on where it was
      </button>
      <template v-else>
        <button type="button" class="act" @click="join('pedal')">
          {{ taken('pedal') ? 'Ask for the pedal' : 'Join at the pedal' }}
        </button>
        <button type="button" class="act" @click="join('bleeder')">
          {{ taken('bleeder') ? 'Ask for the screw' : 'Join at the screw' }}
        </button>
        <button type="button" class="quiet" @click="go">Only watch</button>
      </template>
      <button v-if="coach.leads.value" type="button" class="quiet" @click="coach.end()">
        Put it away
      </button>
    </section>
    <section aria-label="What is called">
      <h2 class="place-name">What is called, one after the other</h2>
      <ol class="border-t border-ink">
        <li
          v-for="(one, i) in steps"
          :key="i"
          class="flex min-h-14 flex-wrap items-center gap-2 border-b border-hairline py-1"
          :data-step="one.method"
        >
          <span class="min-w-0 grow basis-56">{{ coachedWords(one.method) }}</span>
          <span
            role="group"
            :aria-label="`Cycles of ${coachedWords(one.method)}`"
            class="flex items-center"
          >
            <button
              type="button"
              class="quiet text-xl"
              :aria-label="`One cycle fewer of ${coachedWords(one.method)}`"
              :disabled="one.cycles <= 1"
              @click="change(i, { cycles: one.cycles - 1 })"
            >
              −
            </button>
            <output class="min-w-12 text-center text-lg font-semibold">{{ one.cycles }}</output>
            <button
              type="button"
              class="quiet text-xl"
              :aria-label="`One cycle more of ${coachedWords(one.method)}`"
              :disabled="one.cycles >= 500"
              @click="change(i, { cycles: one.cycles + 1 })"
            >
              +
            </button>
          </span>
          <button
            type="button"
            class="tap underline underline-offset-4"
            :aria-label="`Leave out ${coachedWords(one.method)}`"
            @click="remove(i)"
          >
            leave out
          </button>
          <PumpChoice
            v-if="isMethod(one.method) && METHOD_ROWS[one.method].draws === 'opening'"
            :pumps="one.pumps"
            @choose="(pumps: PlannedStep['pumps']) => change(i, { pumps })"
          />
          <p
            v-if="refusalOf(one.method)"
            class="basis-full border-l-4 border-rust pl-3"
            role="status"
            data-refused
          >
            <strong>{{ CANNOT_WORDS[refusalOf(one.method)!.why] }}</strong>
            <span class="flex flex-wrap items-center gap-2"
              >Instead:
              <button
                v-for="other in refusalOf(one.method)!.instead"
                :key="other"
                type="button"
                class="quiet"
                @click="change(i, { method: other, cycles: cyclesOf(other), pumps: undefined })"
              >
                {{ coachedWords(other) }}
              </button></span
            >
          </p>
        </li>
      </ol>
      <p v-if="steps.length === 0" class="py-2 text-soft">Nothing is to be called yet.</p>
      <p class="mt-2 flex flex-wrap items-center gap-2">
        <select
          v-if="steps.length < MOST_STEPS"
          class="field w-auto max-w-full"
          aria-label="Add to what is called"
          value=""
          @change="
            (event) => {
              const field = event.target as HTMLSelectElement
              add(field.value as Coached)
              field.value = ''
            }
          "
        >
          <option value="" disabled>Add …</option>
          <optgroup v-for="group in groups" :key="group.name" :label="group.name">
            <option v-for="one in group.of" :key="one" :value="one">{{ coachedWords(one) }}</option>
          </optgroup>
        </select>
        <button type="button" class="quiet" @click="stageProof">Proof in stages</button>
        <button v-if="own" type="button" class="tap underline underline-offset-4" @click="own = null">
          as chosen under Methods
        </button>
      </p>
      <p v-if="plan" class="mt-3 text-[0.95rem] text-soft" data-plan-fluid>{{ fluidWords }}</p>
      <p v-else-if="isAsked" class="mt-3 text-[0.95rem] text-soft" role="status">
        Working out what a cycle draws on this line …
      </p>
      <p class="mt-2 border-l-4 border-amber pl-3 text-[0.95rem]" data-caution>
        Fluid: eyes, skin, paint; water at hand. Never catch into the can you fill from. Used fluid goes
        to licensed collection. The maker’s data and local codes come first.
      </p>
      <StageProofTable class="mt-4" />
    </section>
    <section class="mt-4 xl:mt-0" aria-label="Who, and on which device">
      <h2 class="place-name">How many are you?</h2>
      <ChoiceRow
        :model-value="setup.people === 1"
        :choices="[
          { id: false, name: 'Two' },
          { id: true, name: 'Alone' },
        ]"
        label="How many are you?"
        class="mt-1"
        @update:model-value="(alone: boolean) => set({ people: alone ? 1 : 2 })"
      />
      <template v-if="!isAlone">
        <h2 class="place-name mt-3">This device is</h2>
        <ChoiceRow v-model="role" :choices="ROLES" label="This device is" class="mt-1" />
        <p class="mt-1 text-[0.95rem] text-soft">
          The other opens {{ vehicle?.name ?? 'this job' }}, Bleed, Coach on another device and joins.
        </p>
      </template>
      <p class="mt-3">
        <button
          type="button"
          class="act min-h-14 w-full text-xl"
          :disabled="!isAsked || !person.current"
          @click="start"
        >
          {{ waiting ? 'Starts in a moment …' : isRunning ? 'Start anew' : 'Start calling' }}
        </button>
      </p>
      <p v-if="refused.length > 0" role="status" class="mt-1 font-semibold text-rust">
        {{ isAlone ? 'You alone' : 'You two' }} cannot do all of this here: pick another way beside it.
      </p>
      <p v-if="clockOff" role="status" class="mt-1" data-clock>{{ clockWords(clockOff) }}</p>
      <p v-if="!person.current" role="status" class="mt-1 font-semibold text-rust">
        Pick your name at the bench first: each entry keeps who made it.
      </p>
      <h2 class="place-name mt-3">Foot switch or remote</h2>
      <p class="flex flex-wrap items-center gap-2">
        <button
          type="button"
          class="quiet"
          :aria-pressed="learning"
          @click="learning = !learning"
          @keydown="learn"
        >
          {{ learning ? 'Press it now' : 'Learn its key' }}
        </button>
        <span data-foot-key>{{
          foot.own.value
            ? `Answers: ${keyWords(foot.own.value)}`
            : 'Space, enter and page-down answer too.'
        }}</span>
        <button
          v-if="foot.own.value"
          type="button"
          class="tap underline underline-offset-4"
          @click="foot.own.value = ''"
        >
          forget
        </button>
      </p>
      <p class="mt-2 text-[0.95rem] text-soft">
        Calls are spoken where this device has a voice, and sounded in any case. The screen stays on.
      </p>
    </section>
  </div>
</template>

<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { coachPlan, isMethod, movesOf, type Coached, type Role } from '~~/core/coach'
import { COACHED, coachedWords, STAGED } from './coached'
import { keyWords, useFootSwitch } from './foot-switch'
import { useCoach } from './useCoach'

/** What will be called, by whom it is done, and on which devices; a run under way is joined from here. */
interface Step {
  method: Coached
  cycles: number
}
const { id, state, vehicle } = useJob()
const { installation } = useJobFigures()
const { dry, setup, set } = useBleeding()
const setting = useBleedSetting(id, state)
const person = usePersonStore()
const coach = useCoach()
const foot = useFootSwitch()
const STANDARD = 10

const chosen = computed((): Step[] =>
  setup.value.steps?.length
    ? setup.value.steps.map(({ method, cycles }) => ({ method, cycles: Math.max(1, cycles) }))
    : [{ method: setting.value.method, cycles: STANDARD }],
)
/** As changed on this device; else as chosen under Methods. */
const own = useStorage<Step[] | null>(`mellow-coach-steps-${id}`, null, undefined, {
  serializer: { read: (text) => JSON.parse(text) as Step[], write: JSON.stringify },
})
const steps = computed({ get: () => own.value ?? chosen.value, set: (list) => (own.value = list) })
const isAlone = computed(() => setup.value.people === 1)
const plan = computed(() =>
  installation.value
    ? coachPlan({
        steps: steps.value,
        installation: installation.value,
        people: setup.value.people,
        dry: dry.value,
      })
    : null,
)
const strokes = computed(() =>
  plan.value && plan.value.stroke > 0 ? Math.floor(plan.value.usable / plan.value.stroke) : 0,
)
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
const nameOf = (by: string | undefined) => (by && person.names.get(by)) || 'Somebody'
const seats = computed(() => {
  const { pedal, bleeder } = coach.told.value?.roles ?? {}
  return [
    ...(pedal ? [`${nameOf(pedal.by)} at the pedal`] : []),
    ...(bleeder ? [`${nameOf(bleeder.by)} at the screw`] : []),
  ].join(', ')
})

const change = (i: number, next: Partial<Step>) =>
  (steps.value = steps.value.map((one, k) => (k === i ? { ...one, ...next } : one)))
const remove = (i: number) => (steps.value = steps.value.filter((_, k) => k !== i))
const MOST_STEPS = 8
const add = (method: Coached) => (steps.value = [...steps.value, { method, cycles: cyclesOf(method) }])
/** Strokes come by tens, anything else once. */
const cyclesOf = (method: Coached) =>
  isMethod(method) && movesOf(method).cycle.some(({ strokes }) => strokes) ? STANDARD : 1
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
function start() {
  if (!plan.value || !person.current) return
  coach.start(plan.value, places.value)
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
        >.
      </p>
      <button v-if="coach.roles.value.length" type="button" class="act" @click="go">
        Go on where it was
      </button>
      <template v-else>
        <button type="button" class="act" @click="join('pedal')">Join at the pedal</button>
        <button type="button" class="act" @click="join('bleeder')">Join at the screw</button>
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
          <optgroup v-for="group in COACHED" :key="group.name" :label="group.name">
            <option v-for="one in group.of" :key="one" :value="one">{{ coachedWords(one) }}</option>
          </optgroup>
        </select>
        <button type="button" class="quiet" @click="stageProof">Proof in stages</button>
        <button v-if="own" type="button" class="tap underline underline-offset-4" @click="own = null">
          as chosen under Methods
        </button>
      </p>
      <p v-if="plan" class="mt-3 text-[0.95rem] text-soft" data-plan-fluid>
        A full stroke sends {{ withUnits(1000 * plan.stroke, 'mm³') }}; a full reservoir holds
        {{ strokes }} of them over {{ plan.shared ? 'the brakes’ mark' : 'the port' }}. Before it runs
        low the next call is held back until it is topped up.
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
          :disabled="!plan || steps.length === 0 || !person.current"
          @click="start"
        >
          {{ isRunning ? 'Start anew' : 'Start calling' }}
        </button>
      </p>
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

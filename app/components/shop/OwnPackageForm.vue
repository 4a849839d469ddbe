<script setup lang="ts">
import { PACKAGES, PLACES, STATES, stateWords } from '~~/core/plan'
import { emptyStep, stepIdOf, type PackageDraft, type StepDraft } from './own-package'
import { PLACE_WORDS } from '~~/core/words'
import OnOff from '~/components/frame/OnOff.vue'

/** A package as a form: its steps in order, each with what it takes and what it leaves. */
const draft = defineModel<PackageDraft>({ required: true })
defineProps<{ isNew: boolean }>()
const emit = defineEmits<{ keep: []; away: [] }>()
const usual = [...PACKAGES.values()]
const toggle = (id: string) => {
  const { brings } = draft.value
  draft.value.brings = brings.includes(id) ? brings.filter((one) => one !== id) : [...brings, id]
}
function add() {
  draft.value.steps.push(emptyStep(draft.value.steps.length + 1))
}
const remove = (i: number) => draft.value.steps.splice(i, 1)
function move(i: number, by: number) {
  const { steps } = draft.value
  const [one] = steps.splice(i, 1)
  if (one) steps.splice(i + by, 0, one)
}
/** A step that has no name yet gets it from its title. */
function named(step: StepDraft, i: number) {
  if (!/^step\d+$/.test(step.id)) return
  const id = stepIdOf(step.title, i + 1)
  if (!draft.value.steps.some((other) => other !== step && other.id === id)) step.id = id
}
const PLACE_CHOICES = [...PLACES, 'slaveSide'] as const
const placeName = (place: string) =>
  place === 'slaveSide' ? 'At the slave' : PLACE_WORDS[place as (typeof PLACES)[number]]
const LISTS = [
  ['puts', 'Puts on or opens'],
  ['takes', 'Takes off or shuts'],
  ['needs', 'Needs'],
  ['forbids', 'Not while'],
  ['after', 'After steps'],
  ['tools', 'Tools, as name: size'],
  ['cautions', 'Cautions'],
] as const
</script>

<template>
  <form class="mt-2 border-l-4 border-amber pl-4" data-package-form @submit.prevent="emit('keep')">
    <label class="block"
      >Title <input v-model="draft.title" class="field mt-1" maxlength="80" autocomplete="off"
    /></label>
    <p class="place-name mt-2">Brings with it</p>
    <div class="flex flex-wrap gap-1.5" role="group" aria-label="Brings with it">
      <OnOff
        v-for="one in usual"
        :key="one.id"
        :on="draft.brings.includes(one.id)"
        @click="toggle(one.id)"
        >{{ one.title }}</OnOff
      >
    </div>
    <datalist id="plan-states">
      <option v-for="state in STATES" :key="state" :value="state">{{ stateWords(state) }}</option>
    </datalist>
    <ol class="mt-2">
      <li
        v-for="(step, i) in draft.steps"
        :key="i"
        class="border-t border-hairline py-2"
        :data-step-form="i + 1"
      >
        <div class="flex flex-wrap items-center gap-2">
          <span class="w-6 text-right font-semibold">{{ i + 1 }}</span>
          <input
            v-model="step.title"
            class="field grow basis-40"
            maxlength="120"
            :aria-label="`Step ${i + 1}, title`"
            placeholder="what is done"
            @change="named(step, i)"
          />
          <select v-model="step.place" class="field w-auto" :aria-label="`Step ${i + 1}, where`">
            <option v-for="place in PLACE_CHOICES" :key="place" :value="place">
              {{ placeName(place) }}
            </option>
          </select>
        </div>
        <div class="mt-1 flex flex-wrap items-center gap-2 pl-8">
          <input
            v-model="step.does"
            class="field grow basis-60"
            maxlength="2000"
            :aria-label="`Step ${i + 1}, how`"
            placeholder="how"
          />
          <input
            v-model="step.why"
            class="field grow basis-60"
            maxlength="2000"
            :aria-label="`Step ${i + 1}, why`"
            placeholder="why"
          />
          <label
            v-for="(name, k) in ['low', 'likely', 'high']"
            :key="name"
            class="flex items-center gap-1"
            >{{ name }}
            <input
              v-model="step.minutes[k]"
              class="field w-16"
              inputmode="decimal"
              :aria-label="`Step ${i + 1}, minutes, ${name}`"
          /></label>
          <label class="flex items-center gap-1"
            >people
            <input
              v-model="step.people"
              class="field w-14"
              inputmode="numeric"
              :aria-label="`Step ${i + 1}, people`"
          /></label>
        </div>
        <details class="pl-8">
          <summary class="min-h-11 content-center">
            What it needs, puts on, takes off; tools, cautions
          </summary>
          <div class="grid grid-cols-1 gap-2 sm:grid-cols-2">
            <label v-for="[name, words] in LISTS" :key="name" class="block text-[0.95rem]"
              >{{ words }}
              <input
                v-model="step[name]"
                class="field"
                list="plan-states"
                autocomplete="off"
                :aria-label="`Step ${i + 1}, ${words.toLowerCase()}`"
            /></label>
            <label class="block text-[0.95rem]"
              >Its name among the steps
              <input v-model="step.id" class="field" :aria-label="`Step ${i + 1}, name`"
            /></label>
          </div>
        </details>
        <div class="flex gap-2 pl-8">
          <button v-if="i > 0" type="button" class="tap px-1 underline" @click="move(i, -1)">
            earlier
          </button>
          <button
            v-if="i < draft.steps.length - 1"
            type="button"
            class="tap px-1 underline"
            @click="move(i, 1)"
          >
            later
          </button>
          <button
            v-if="draft.steps.length > 1"
            type="button"
            class="tap px-1 underline"
            :aria-label="`Take out step ${i + 1}`"
            @click="remove(i)"
          >
            take out
          </button>
        </div>
      </li>
    </ol>
    <div class="flex flex-wrap gap-2 py-2">
      <button type="button" class="quiet" @click="add">Add a step</button>
      <button class="act" :disabled="draft.title.trim() === ''">
        {{ isNew ? 'Keep this package' : 'Keep the change' }}
      </button>
      <button type="button" class="quiet" @click="emit('away')">Throw the draft away</button>
    </div>
    <p class="text-[0.95rem] text-soft">
      Each package is planned by itself before it is kept, alone and with a helper: what would leave
      something on or open is refused.
    </p>
  </form>
</template>
